import { z } from 'zod';
import { Id, line, name } from './fields';
import { defineTable, goesWith } from './table';

/** Somebody says by name that a run is handed over although it is not proven. Goes with its run. */
export const Acceptance = z
  .strictObject({
    id: Id,
    runId: Id,
    by: name(60),
    why: name(300),
    at: line(20).default(''),
  })
  .meta({ id: 'Acceptance' });
export type Acceptance = z.infer<typeof Acceptance>;

export const acceptances = defineTable({
  name: 'acceptances',
  about: 'site-work',
  private: false,
  stations: ['prove'],
  row: 'acceptance',
  one: 'acceptance',
  atMost: 20_000,
  schema: Acceptance,
  keys: [{ what: 'run', of: (row) => row.runId, words: () => 'one run' }],
  refers: [goesWith('runId', 'runs')],
});
