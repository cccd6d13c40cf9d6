import { z } from 'zod';
import { amount, Id, line, whole } from './fields';
import { defineTable } from './table';

export const CUTOVER_SCHOOLS = ['phases', 'one-night'] as const;

/** How this job is built: from which version of it, by how many, at which pace. One at most. */
export const Cutover = z
  .strictObject({
    id: Id,
    todayRevision: whole(0, 1_000_000_000)
      .nullable()
      .default(null)
      .describe('the version that stands today; null: nothing stands yet'),
    todayName: line(80).default(''),
    hands: whole(1, 2).default(1).describe('people at the cabinet'),
    electrician: z.boolean().default(false).describe('a licensed electrician is engaged'),
    school: z.enum(CUTOVER_SCHOOLS).default('phases'),
    parkLimit: whole(0, 20).default(2).describe('devices that may stand out of the cabinet at once'),
    learning: amount(0.7, 1).default(0.9).describe('each doubling of like work takes this share of the time'),
    breakEveryMin: whole(30, 600).default(120),
    breakMin: whole(0, 120).default(15),
    verifyMin: whole(0, 240).default(10).describe('to see that all is up before leaving'),
    sparePercent: whole(0, 100).default(10).describe('of small parts'),
  })
  .meta({ id: 'Cutover' });
export type Cutover = z.infer<typeof Cutover>;

export const cutovers = defineTable({
  name: 'cutovers',
  about: 'building',
  private: false,
  stations: ['build'],
  row: 'cutover',
  one: 'way of building',
  many: 'ways of building',
  atMost: 1,
  schema: Cutover,
});
