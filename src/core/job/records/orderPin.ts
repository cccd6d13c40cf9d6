import { z } from 'zod';
import { Id, line } from './fields';
import { defineTable } from './table';

/** One step of the build goes before another because somebody wants it so. */
export const OrderPin = z.strictObject({ id: Id, first: line(140), next: line(140) }).meta({ id: 'OrderPin' });
export type OrderPin = z.infer<typeof OrderPin>;

export const orderPins = defineTable({
  name: 'orderPins',
  about: 'building',
  private: false,
  stations: ['build'],
  row: 'order_pin',
  one: 'pin of the order',
  many: 'pins of the order',
  atMost: 200,
  schema: OrderPin,
  keys: [{ what: 'two steps', of: (row) => `${row.first} ${row.next}`, words: () => 'the same two steps' }],
  fault: (row) => (row.first === row.next ? 'A step cannot go before itself.' : null),
});
