import { z } from 'zod';
import { Id, whole } from './fields';
import type { Gear } from './gear';
import { defineTable, goesWith } from './table';

/** On which rails a device hangs; upright ones stand in a corner of the cabinet instead. */
export const FACES = ['front', 'rear', 'left', 'right', 'rear-left', 'rear-right'] as const;
export type Face = (typeof FACES)[number];
/** From where what hangs on a face is seen. */
export const sideOf = (face: Face): 'front' | 'rear' => (face.startsWith('rear') ? 'rear' : 'front');

/** Where a device stands. `bottomU` is its lowest unit, counted from the bottom, 1 lowest. Goes with its gear or rack. */
export const Placement = z
  .strictObject({
    id: Id,
    gearId: Id,
    rackId: Id,
    bottomU: whole(1, 60),
    face: z.enum(FACES).default('front'),
    pinned: z.boolean().default(false).describe('stays where it is when the rest is arranged'),
  })
  .meta({ id: 'Placement' });
export type Placement = z.infer<typeof Placement>;

/** Lowest and highest unit that a device of this height takes, counted from the bottom. */
export const span = (bottomU: number, heightU: number) => ({ bottomU, topU: bottomU + heightU - 1 });

type Around = {
  gear: Record<string, Gear>;
  placements: Record<string, Placement>;
  shelvings: Record<string, { gearId: string }>;
};
const topOf = (job: Around, row: Placement) => span(row.bottomU, job.gear[row.gearId]?.heightU ?? 1).topU;

export const placements = defineTable({
  name: 'placements',
  about: 'plan',
  private: false,
  stations: ['stack'],
  withCabinet: true,
  row: 'placement',
  one: 'place',
  atMost: 2000,
  schema: Placement,
  keys: [
    {
      what: 'device',
      of: (row) => row.gearId,
      words: () => 'one device',
      taken: () => 'A device cannot stand in two places.',
    },
  ],
  refers: [goesWith('gearId', 'gear'), goesWith('rackId', 'racks')],
  overlap: (job: Around, row) => {
    const name = job.gear[row.gearId]?.name;
    if (Object.values(job.shelvings).some((one) => one.gearId === row.gearId))
      return `${name} stands on a shelf and in units at once.`;
    const top = topOf(job, row);
    const other = Object.values(job.placements).find(
      (one) =>
        one.id !== row.id &&
        one.rackId === row.rackId &&
        one.face === row.face &&
        one.bottomU <= top &&
        topOf(job, one) >= row.bottomU,
    );
    return other ? `${name} and ${job.gear[other.gearId]?.name} share a unit.` : null;
  },
  minds: ['gear'],
  derived: { column: 'topU', of: topOf },
});
