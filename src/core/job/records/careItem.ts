import { z } from 'zod';
import { day, Id, line, name, whole } from './fields';
import { clearedWith, defineTable } from './table';

/** Care that is usual in any cabinet. */
export const USUAL_CARE = ['filters', 'fans', 'battery-test', 'restore-test', 'rcd-test'] as const;
export type UsualCare = (typeof USUAL_CARE)[number];

/** Something that is to be looked after: again and again, or until one day. */
export const CareItem = z
  .strictObject({
    id: Id,
    what: name(120),
    gearId: Id.nullable().default(null),
    everyMonths: whole(1, 240).nullable().default(null).describe('null: once'),
    lastOn: day.nullable().default(null).describe('when it was done last; null: not known'),
    dueOn: day.nullable().default(null).describe('of what is due once, such as the end of a warranty'),
    note: line(300).default(''),
    usual: z.enum(USUAL_CARE).nullable().default(null).describe('which of the usual ones it is; null: none of them'),
  })
  .meta({ id: 'CareItem' });
export type CareItem = z.infer<typeof CareItem>;

export const careItems = defineTable({
  name: 'careItems',
  about: 'building',
  private: true,
  stations: ['handover'],
  row: 'care_item',
  one: 'care date',
  atMost: 2000,
  schema: CareItem,
  title: (row) => row.what,
  refers: [clearedWith('gearId', 'gear')],
});
