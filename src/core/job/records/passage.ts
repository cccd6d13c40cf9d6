import { z } from 'zod';
import { Id } from './fields';
import { defineTable, goesWith } from './table';

/** A run through a pathway. Goes with either. */
export const Passage = z.strictObject({ id: Id, pathwayId: Id, runId: Id }).meta({ id: 'Passage' });
export type Passage = z.infer<typeof Passage>;

export const passages = defineTable({
  name: 'passages',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'passage',
  one: 'passage',
  atMost: 50_000,
  schema: Passage,
  keys: [
    {
      what: 'run through a pathway',
      of: (row) => `${row.pathwayId}:${row.runId}`,
      words: () => 'one run through one pathway',
    },
  ],
  refers: [goesWith('pathwayId', 'pathways'), goesWith('runId', 'runs')],
});
