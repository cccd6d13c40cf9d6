import { z } from 'zod';
import { Id, line, whole } from './fields';
import type { Gear } from './gear';
import { portKey } from './portKey';
import { isPanel, isSwitching, noPort } from './ports';
import { defineTable, goesWith } from './table';

/** Shorter than this no cord has room for its two plugs. */
export const LEAST_CORD_MM = 50;

/** A patch cord from a panel port to a switch port. Goes with either device, and with the landing behind it. */
export const Cord = z
  .strictObject({
    id: Id,
    panelId: Id,
    panelPort: whole(1, 1152),
    switchId: Id,
    switchPort: whole(1, 1152),
    fixed: z.boolean().default(false).describe('put there by hand: planning leaves it alone'),
    lengthMm: whole(LEAST_CORD_MM, 100_000)
      .nullable()
      .default(null)
      .describe('of the cord that is there; null: as planned'),
    colour: line(30).default('').describe('of the cord that is there; empty: as planned'),
  })
  .meta({ id: 'Cord' });
export type Cord = z.infer<typeof Cord>;

type Around = {
  gear: Record<string, Gear>;
  uplinks: Record<string, { fromId: string; fromPort: number; toId: string; toPort: number }>;
};

export const cords = defineTable({
  name: 'cords',
  about: 'plan',
  private: false,
  stations: ['patch'],
  row: 'cord',
  one: 'cord',
  atMost: 20_000,
  schema: Cord,
  keys: [
    {
      what: 'panel port',
      of: (row) => portKey(row.panelId, row.panelPort),
      words: (row) => `panel port ${row.panelPort}`,
      taken: (row) => `Panel port ${row.panelPort} has a cord in it already.`,
    },
    {
      what: 'switch port',
      of: (row) => portKey(row.switchId, row.switchPort),
      words: (row) => `switch port ${row.switchPort}`,
      taken: (row) => `Switch port ${row.switchPort} has a cord in it already.`,
    },
  ],
  refers: [goesWith('panelId', 'gear', 'panelPort'), goesWith('switchId', 'gear', 'switchPort')],
  clash: (job: Around, row) => {
    const [panel, device] = [job.gear[row.panelId], job.gear[row.switchId]];
    if (panel && !isPanel(panel)) return `Cords leave from ${panel.name}, so it must stay a panel.`;
    if (device && !isSwitching(device)) return `Cords lead to ${device.name}, so it must stay a switch or router.`;
    const none = noPort(panel, row.panelPort) ?? noPort(device, row.switchPort);
    if (none) return none;
    const linked = Object.values(job.uplinks).some(
      (one) =>
        (one.fromId === row.switchId && one.fromPort === row.switchPort) ||
        (one.toId === row.switchId && one.toPort === row.switchPort),
    );
    return linked ? `${device?.name} port ${row.switchPort} is taken by an uplink.` : null;
  },
  minds: ['gear'],
});
