import { z } from 'zod';
import { amount, day, Id, line, whole } from './fields';
import { defineTable } from './table';

export const KIT_STATES = ['missing', 'ordered', 'at-hand', 'in-van'] as const;

/** Where a part or tool of the kit is. */
export const KitItem = z
  .strictObject({
    id: Id,
    item: line(140).describe('what it is, as the kit names it'),
    state: z.enum(KIT_STATES).default('missing'),
    due: day.nullable().default(null).describe('when what is ordered comes'),
    have: amount(0, 1_000_000).nullable().default(null).describe('so much is there already'),
    priceMinor: whole(0, 1_000_000_000).nullable().default(null).describe('of one pack; null: not known'),
    paidMinor: whole(0, 1_000_000_000)
      .nullable()
      .default(null)
      .describe('for all of it, as it was paid; null: not known'),
    note: line(200).default(''),
  })
  .meta({ id: 'KitItem' });
export type KitItem = z.infer<typeof KitItem>;

export const kitItems = defineTable({
  name: 'kitItems',
  about: 'building',
  private: true,
  stations: ['build'],
  onSite: true,
  row: 'kit_item',
  one: 'item of the kit',
  many: 'items of the kit',
  atMost: 2000,
  schema: KitItem,
  title: (row) => row.item,
  keys: [{ what: 'item', of: (row) => row.item, words: (row) => `the item ${row.item}` }],
});
