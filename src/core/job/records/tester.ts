import { z } from 'zod';
import { day, Id, line, name } from './fields';
import { byName, defineTable } from './table';

/** What a tester can tell, weakest first. */
export const TESTER_TELLS = ['continuity', 'wire-map', 'speed', 'certified'] as const;
export type TesterTells = (typeof TESTER_TELLS)[number];

/** A tester that results are taken with. */
export const Tester = z
  .strictObject({
    id: Id,
    name: name(60),
    tells: z.enum(TESTER_TELLS).default('continuity'),
    seesSplits: z.boolean().nullable().default(null).describe('it detects split pairs; null: not known'),
    lengths: z.boolean().default(false).describe('it measures the length of each pair'),
    serial: line(60).default(''),
    calibratedOn: day.nullable().default(null).describe('null: not known'),
  })
  .meta({ id: 'Tester' });
export type Tester = z.infer<typeof Tester>;

export const testers = defineTable({
  name: 'testers',
  about: 'firm',
  private: false,
  stations: ['prove'],
  withCabinet: true,
  onSite: true,
  row: 'tester',
  one: 'tester',
  atMost: 100,
  schema: Tester,
  title: (row) => row.name,
  keys: [byName()],
});
