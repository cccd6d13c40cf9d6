import { z } from 'zod';
import type { Cord } from './cord';
import { Id, line, whole } from './fields';
import type { Gear } from './gear';
import { portKey } from './portKey';
import { noPort } from './ports';
import { defineTable, goesWith } from './table';

export const UPLINK_MEDIA = ['auto', 'copper', 'direct-attach', 'fibre'] as const;
export type UplinkMedium = (typeof UPLINK_MEDIA)[number];

/** A link between two devices of the cabinet: switch to switch or gateway, or a device to its switch. Goes with either. */
export const Uplink = z
  .strictObject({
    id: Id,
    fromId: Id,
    fromPort: whole(1, 1152),
    toId: Id,
    toPort: whole(1, 1152),
    medium: z.enum(UPLINK_MEDIA).default('auto').describe('auto: by distance and speed'),
    lengthMm: whole(1, 40_000_000).nullable().default(null).describe('of its cable; null: as the geometry asks'),
    colour: line(30).default('').describe('of its cord; empty: as it comes'),
    bundled: z
      .boolean()
      .default(false)
      .describe('acts as one with the other bundled links between the same two devices (IEEE 802.1AX)'),
  })
  .meta({ id: 'Uplink' });
export type Uplink = z.infer<typeof Uplink>;

type Around = { gear: Record<string, Gear>; cords: Record<string, Cord>; uplinks: Record<string, Uplink> };

/** Whether a cord or another uplink is in a port. */
function portInUse(job: Around, uplinkId: string, gearId: string, port: number): string | null {
  const name = job.gear[gearId]?.name;
  if (Object.values(job.cords).some((cord) => cord.switchId === gearId && cord.switchPort === port))
    return `${name} port ${port} has a cord in it already.`;
  const other = Object.values(job.uplinks).some(
    (row) =>
      row.id !== uplinkId &&
      ((row.fromId === gearId && row.fromPort === port) || (row.toId === gearId && row.toPort === port)),
  );
  return other ? `${name} port ${port} is taken by another cord.` : null;
}

export const uplinks = defineTable({
  name: 'uplinks',
  about: 'plan',
  private: false,
  stations: ['patch'],
  withCabinet: true,
  row: 'uplink',
  one: 'uplink',
  atMost: 1000,
  schema: Uplink,
  keys: [
    {
      what: 'two ports',
      of: (row) => [portKey(row.fromId, row.fromPort), portKey(row.toId, row.toPort)].sort().join(' '),
      words: () => 'the same two ports',
    },
  ],
  refers: [goesWith('fromId', 'gear', 'fromPort'), goesWith('toId', 'gear', 'toPort')],
  fault: (row) =>
    row.fromId === row.toId && row.fromPort === row.toPort ? 'A port cannot be linked to itself.' : null,
  clash: (job: Around, row) =>
    noPort(job.gear[row.fromId], row.fromPort) ??
    noPort(job.gear[row.toId], row.toPort) ??
    portInUse(job, row.id, row.fromId, row.fromPort) ??
    portInUse(job, row.id, row.toId, row.toPort),
  minds: ['gear'],
});
