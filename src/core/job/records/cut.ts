import { z } from 'zod';
import { Id, whole } from './fields';
import { defineTable, goesWith } from './table';

/** A run cut from a box, as the so-many-th pull. Runs of one pull are drawn together. Goes with its run or its box. */
export const Cut = z
  .strictObject({
    id: Id,
    runId: Id,
    boxId: Id,
    pull: whole(1, 20_000),
    lengthMm: whole(1, 10_000_000).describe('to be cut off, mm'),
  })
  .meta({ id: 'Cut' });
export type Cut = z.infer<typeof Cut>;

export const cuts = defineTable({
  name: 'cuts',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'cut',
  one: 'cut',
  atMost: 20_000,
  schema: Cut,
  keys: [{ what: 'run', of: (row) => row.runId, words: () => 'one run' }],
  refers: [goesWith('runId', 'runs'), goesWith('boxId', 'boxes')],
});
