import { z } from 'zod';
import { type Cord, cordsIn } from './cord';
import { Id, whole } from './fields';
import type { Gear } from './gear';
import { portKey } from './portKey';
import { isPanel, noPort } from './ports';
import { defineTable, goesWith } from './table';

export const JOINTS = ['none', 'coupler', 'joint'] as const;
export type Joint = (typeof JOINTS)[number];

/** A run ended on a port of a panel. Goes with its run or its panel. */
export const Landing = z
  .strictObject({
    id: Id,
    runId: Id,
    panelId: Id,
    port: whole(1, 1152),
    joint: z.enum(JOINTS).default('none').describe('how a cable that was too short was made longer'),
    jointMm: whole(1, 100_000).nullable().default(null).describe('by how much'),
  })
  .meta({ id: 'Landing' });
export type Landing = z.infer<typeof Landing>;

export const landings = defineTable({
  name: 'landings',
  about: 'plan',
  private: false,
  stations: ['land'],
  row: 'landing',
  one: 'landing',
  atMost: 20_000,
  schema: Landing,
  keys: [
    {
      what: 'run',
      of: (row) => row.runId,
      words: () => 'one run',
      taken: () => 'A run can be landed on one port only.',
    },
    {
      what: 'panel port',
      of: (row) => portKey(row.panelId, row.port),
      words: (row) => `panel port ${row.port}`,
      taken: (row) => `Panel port ${row.port} is taken by another run.`,
    },
  ],
  refers: [goesWith('runId', 'runs'), goesWith('panelId', 'gear', 'port')],
  clash: (job: { gear: Record<string, Gear>; cords: Record<string, Cord> }, row) => {
    const panel = job.gear[row.panelId];
    if (panel && !isPanel(panel)) return `Runs are landed on ${panel.name}, so it must stay a panel.`;
    const behind = cordsIn(job.cords, { gearId: row.panelId, port: row.port, side: 'rear' });
    return behind.length > 0
      ? `There is a cord in the rear of ${panel?.name} port ${row.port}.`
      : noPort(panel, row.port);
  },
  minds: ['gear'],
});
