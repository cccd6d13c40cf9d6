import { z } from 'zod';
import { Id, name, whole } from './fields';
import { byName, defineTable } from './table';

/** A box or reel of cable at hand or to be bought. */
export const Box = z
  .strictObject({
    id: Id,
    name: name(40),
    cable: name(60).describe('kind of cable in it'),
    leftMm: whole(1, 5_000_000).describe('cable in it before the pulls of this job, mm'),
    bought: z.boolean().default(false).describe('to be bought for this job'),
    markMm: whole(0, 10_000_000).nullable().default(null).describe('length printed at the free end, mm'),
    marksFall: z.boolean().default(true).describe('printed lengths fall as cable is pulled out'),
  })
  .meta({ id: 'Box' });
export type Box = z.infer<typeof Box>;

export const boxes = defineTable({
  name: 'boxes',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'box',
  one: 'box',
  many: 'boxes',
  atMost: 5000,
  schema: Box,
  title: (row) => row.name,
  keys: [byName()],
});
