import { z } from 'zod';
import { Id } from './fields';
import { defineTable, goesWith } from './table';

/** A network that a switch may carry. A switch with none of these may carry all. */
export const Allowance = z.strictObject({ id: Id, gearId: Id, networkId: Id }).meta({ id: 'Allowance' });
export type Allowance = z.infer<typeof Allowance>;

export const allowances = defineTable({
  name: 'allowances',
  about: 'plan',
  private: false,
  stations: ['patch'],
  withCabinet: true,
  row: 'allowance',
  one: 'network that a switch may carry',
  many: 'networks that switches may carry',
  atMost: 5000,
  schema: Allowance,
  keys: [
    {
      what: 'network on a switch',
      of: (row) => `${row.gearId}:${row.networkId}`,
      words: () => 'one network on one switch',
    },
  ],
  refers: [goesWith('gearId', 'gear'), goesWith('networkId', 'networks')],
});
