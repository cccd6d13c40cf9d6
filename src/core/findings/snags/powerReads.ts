import type { Reads } from '../../job/document/reads';

/** What feeds and loads rest on. */
export const FEED_READS = {
  gear: true,
  racks: true,
  placements: true,
  shelvings: true,
  plugs: true,
  circuits: true,
  wallOutlets: true,
  runs: ['id', 'device', 'poeW', 'poeClass'],
  landings: true,
  cords: true,
  answers: true,
  rules: true,
} as const satisfies Reads;
