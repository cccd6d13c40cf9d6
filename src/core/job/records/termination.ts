import { z } from 'zod';
import { Id, line } from './fields';
import { defineTable, goesWith } from './table';

export const RUN_ENDS = ['panel', 'outlet'] as const;
export type RunEnd = (typeof RUN_ENDS)[number];
export const TERMINATION_CHECKS = ['nicks', 'untwist', 'jacket', 'scraps', 'screen'] as const;
export type TerminationCheck = (typeof TERMINATION_CHECKS)[number];

/** One end of a run as it was ended: by whom, when, and what was looked at. Goes with its run. */
export const Termination = z
  .strictObject({
    id: Id,
    runId: Id,
    end: z.enum(RUN_ENDS),
    by: line(60).default(''),
    on: z
      .string()
      .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'expected a day such as 2026-11-24')
      .default('')
      .describe('day, as 2026-11-24'),
    checks: z.array(z.enum(TERMINATION_CHECKS)).max(5).default([]),
  })
  .meta({ id: 'Termination' });
export type Termination = z.infer<typeof Termination>;

export const terminations = defineTable({
  name: 'terminations',
  about: 'site-work',
  private: false,
  stations: ['land'],
  onSite: true,
  row: 'termination',
  one: 'termination',
  atMost: 40_000,
  schema: Termination,
  title: (row) => `at the ${row.end}`,
  keys: [{ what: 'end of a run', of: (row) => `${row.runId}:${row.end}`, words: () => 'one end of one run' }],
  refers: [goesWith('runId', 'runs')],
});
