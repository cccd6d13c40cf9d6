import type { Reads } from '../job/reads';

/** What the figures of pathways are worked out of, for the rules that judge them. */
export const PATHWAY_READS = {
  runs: ['id', 'label', 'carries', 'cable'],
  answers: true,
  cableKinds: true,
  pathways: true,
  passages: true,
  units: true,
} as const satisfies Reads;
