import { z } from 'zod';
import { amount, Id } from './fields';
import { FAULT_PARTS, SYMPTOMS } from './mend';
import { defineTable } from './table';

/** How likely a part is the fault where something is seen, in place of the rule of thumb: the share of a hundred. */
export const PartOdds = z
  .strictObject({ id: Id, symptom: z.enum(SYMPTOMS), part: z.enum(FAULT_PARTS), weight: amount(0, 100) })
  .meta({ id: 'PartOdds' });
export type PartOdds = z.infer<typeof PartOdds>;

export const partOdds = defineTable({
  name: 'partOdds',
  about: 'firm',
  private: false,
  stations: ['prove'],
  withCabinet: true,
  row: 'part_odds',
  one: 'odds of a part',
  many: 'odds of parts',
  atMost: 200,
  schema: PartOdds,
  title: (row) => `${row.symptom}: ${row.part}`,
  keys: [{ what: 'part', of: (row) => `${row.symptom}/${row.part}`, words: (row) => `odds of ${row.part}` }],
});
