import { z } from 'zod';
import { kept } from '../../base/memo/kept';
import { Id, line, whole } from './fields';
import type { Gear } from './gear';
import { portKey } from './portKey';
import { isPanel, noPort, portAt } from './ports';
import { defineTable, goesWith } from './table';

/** Shorter than this no cord has room for its two plugs. */
export const LEAST_CORD_MM = 50;

export const CORD_MEDIA = ['auto', 'copper', 'direct-attach', 'fibre'] as const;
export type CordMedium = (typeof CORD_MEDIA)[number];

/** Front: where cords go in. Rear: the far side of a coupler, where else a run is terminated. */
export const PORT_SIDES = ['front', 'rear'] as const;
export type PortSide = (typeof PORT_SIDES)[number];
const side = z.enum(PORT_SIDES).default('front');

/**
 * A cord between any two ports of the cabinet: from a panel to a switch, from switch to switch, from a device to its switch, from
 * panel to panel, or to the rear of a coupler. Goes with the device at either end.
 */
export const Cord = z
  .strictObject({
    id: Id,
    fromId: Id.describe('of a patch cord the panel'),
    fromPort: whole(1, 1152),
    fromSide: side.describe('rear: the far side of a coupler'),
    toId: Id.describe('of a patch cord the switch or router'),
    toPort: whole(1, 1152),
    toSide: side.describe('rear: the far side of a coupler'),
    medium: z.enum(CORD_MEDIA).default('auto').describe('auto: by distance and speed'),
    bundled: z
      .boolean()
      .default(false)
      .describe('acts as one with the other bundled links between the same two devices (IEEE 802.1AX)'),
    fixed: z.boolean().default(false).describe('put there by hand: planning leaves it alone'),
    lengthMm: whole(LEAST_CORD_MM, 40_000_000)
      .nullable()
      .default(null)
      .describe('of the cord that is there; null: as planned'),
    colour: line(30).default('').describe('of the cord that is there; empty: as planned'),
  })
  .meta({ id: 'Cord' });
export type Cord = z.infer<typeof Cord>;

export type CordEnd = { gearId: string; port: number; side: PortSide };

/** Both ends of a cord. */
export const endsOf = ({ fromId, fromPort, fromSide, toId, toPort, toSide }: Cord): [CordEnd, CordEnd] => [
  { gearId: fromId, port: fromPort, side: fromSide },
  { gearId: toId, port: toPort, side: toSide },
];

/** Names one side of one port; the front as the port itself. */
export const endKey = ({ gearId, port, side }: CordEnd): string =>
  side === 'front' ? portKey(gearId, port) : `${portKey(gearId, port)}:rear`;

const cordsAtEnds = kept((rows: Record<string, Cord>): ReadonlyMap<string, readonly Cord[]> => {
  const at = new Map<string, Cord[]>();
  for (const row of Object.values(rows))
    for (const end of endsOf(row)) {
      const key = endKey(end);
      const there = at.get(key);
      if (there) there.push(row);
      else at.set(key, [row]);
    }
  return at;
});

/** Cords that are in one side of a port; more than one only in a file that clashes. */
export const cordsIn = (cords: Record<string, Cord>, end: CordEnd): readonly Cord[] =>
  cordsAtEnds(cords).get(endKey(end)) ?? [];

type Around = {
  gear: Record<string, Gear>;
  cords: Record<string, Cord>;
  landings: Record<string, { panelId: string; port: number }>;
};

const landedAt = kept(
  (rows: Around['landings']) => new Set(Object.values(rows).map((row) => portKey(row.panelId, row.port))),
);

/** Why a cord cannot be in this end; null where it can. */
function endFault(job: Around, { gearId, port, side }: CordEnd): string | null {
  const gear = job.gear[gearId];
  const none = noPort(gear, port);
  if (none !== null || gear === undefined || side === 'front') return none;
  if (!isPanel(gear) || portAt(gear, port)?.fitting !== 'coupler')
    return `${gear.name} port ${port} is not a coupler: it has no rear for a cord.`;
  return landedAt(job.landings).has(portKey(gearId, port))
    ? `A run is terminated on the rear of ${gear.name} port ${port}.`
    : null;
}

const sideWords = ({ port, side }: CordEnd): string => (side === 'front' ? `port ${port}` : `the rear of port ${port}`);
const keyOf = (at: 0 | 1) => ({
  what: at === 0 ? 'port at one end' : 'port at the other end',
  of: (row: Cord) => endKey(endsOf(row)[at]),
  words: (row: Cord) => sideWords(endsOf(row)[at]),
  taken: (row: Cord, gearName: (id: string) => string) => {
    const end = endsOf(row)[at];
    return `${gearName(end.gearId)}: ${sideWords(end)} has a cord in it already.`;
  },
});

export const cords = defineTable({
  name: 'cords',
  about: 'plan',
  private: false,
  stations: ['patch'],
  withCabinet: true,
  row: 'cord',
  one: 'cord',
  atMost: 20_000,
  schema: Cord,
  keys: [keyOf(0), keyOf(1)],
  refers: [goesWith('fromId', 'gear', 'fromPort'), goesWith('toId', 'gear', 'toPort')],
  fault: (row) => {
    const [from, to] = endsOf(row);
    return endKey(from) === endKey(to) ? 'A cord cannot have both ends in one port.' : null;
  },
  clash: (job: Around, row) => {
    const [from, to] = endsOf(row);
    return endFault(job, from) ?? endFault(job, to);
  },
  // The keys keep two cords from sharing an end of the same name; this, one's beginning from sharing another's end.
  overlap: (job: Around, row) => {
    for (const end of endsOf(row)) {
      if (cordsIn(job.cords, end).some(({ id }) => id !== row.id))
        return `${job.gear[end.gearId]?.name}: ${sideWords(end)} has a cord in it already.`;
    }
    return null;
  },
  minds: ['gear'],
});
