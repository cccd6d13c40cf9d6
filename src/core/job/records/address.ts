import { z } from 'zod';
import { day, Id } from './fields';
import { defineTable, goesWith } from './table';

/** The hardware address of what hangs on a run, so that a switch can say where it is. Goes with its run. */
export const Address = z
  .strictObject({
    id: Id,
    address: z.string().regex(/^([0-9a-f]{2}:){5}[0-9a-f]{2}$/, 'expected an address such as 02:00:5e:00:53:01'),
    runId: Id,
    learntOn: day.nullable().default(null),
  })
  .meta({ id: 'Address' });
export type Address = z.infer<typeof Address>;

export const addresses = defineTable({
  name: 'addresses',
  about: 'site-work',
  private: false,
  stations: ['prove'],
  onSite: true,
  row: 'address',
  one: 'address',
  many: 'addresses',
  atMost: 40_000,
  schema: Address,
  title: (row) => row.address,
  keys: [{ what: 'address', of: (row) => row.address, words: (row) => `the address ${row.address}` }],
  refers: [goesWith('runId', 'runs')],
});
