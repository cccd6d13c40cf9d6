import { z } from 'zod';
import { Id, line } from './fields';
import { defineTable } from './table';

/** What is made free for a step by a help of the hour: it may be set aside, or has a place, a cord or a device for the time being. */
export const STOPGAP_FREES = ['park', 'place', 'clear', 'take', 'put'] as const;

/** A help of the hour, without which there is no order of the cut-over: a step of its own, with its part. */
export const Stopgap = z
  .strictObject({ id: Id, step: line(140), frees: z.enum(STOPGAP_FREES), words: line(300).default('') })
  .meta({ id: 'Stopgap' });
export type Stopgap = z.infer<typeof Stopgap>;

export const stopgaps = defineTable({
  name: 'stopgaps',
  about: 'building',
  private: false,
  stations: ['build'],
  row: 'stopgap',
  one: 'help of the hour',
  many: 'helps of the hour',
  atMost: 100,
  schema: Stopgap,
  title: (row) => row.words || row.step,
  keys: [{ what: 'step', of: (row) => `${row.step} ${row.frees}`, words: () => 'the same help' }],
});
