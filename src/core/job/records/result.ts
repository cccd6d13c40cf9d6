import { z } from 'zod';
import { amount, Id, line, whole } from './fields';
import { defineTable, goesWith } from './table';
import { TESTER_TELLS } from './tester';

export const TESTED_FROM = ['', 'panel', 'outlet'] as const;
export const SCREENS = ['through', 'open', 'none', 'not-tested'] as const;
export const SCREEN_WORDS: Record<(typeof SCREENS)[number], string> = {
  'not-tested': 'not tested',
  through: 'goes through',
  open: 'open',
  none: 'no screen',
};
const metres = amount(0, 2000).nullable().default(null);

/** What a tester said of a run. Results are only ever added: a later one says more, none is changed. Goes with its run. */
export const Result = z
  .strictObject({
    id: Id,
    runId: Id,
    testerId: Id.nullable().default(null).describe('null: by a tester that is not on the list'),
    tells: z.enum(TESTER_TELLS).default('continuity').describe('what was looked at'),
    passed: z.boolean(),
    at: z
      .string()
      .regex(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?)?$/, 'expected a time such as 2026-11-27T18:30:05')
      .default(''),
    seq: whole(0, 1_000_000_000).default(0).describe('order of entry within the job; 0: not known'),
    by: line(60).default(''),
    map: line(60).default('').describe('far pins by near pin, such as 1 2 3 - 5 6 7 8; empty: not taken down'),
    screen: z.enum(SCREENS).default('not-tested'),
    splitSeen: z.boolean().nullable().default(null).describe('whether pairs are split; null: it cannot tell'),
    pair12M: metres,
    pair36M: metres,
    pair45M: metres,
    pair78M: metres,
    speedMbps: whole(1, 800_000).nullable().default(null).describe('speed that it linked at'),
    note: line(300).default(''),
    end: z.enum(TESTED_FROM).default('').describe('end that the tester was at'),
    skewNs: amount(0, 10_000).nullable().default(null).describe('worst delay skew between pairs'),
    delayNs: amount(0, 100_000).nullable().default(null).describe('worst propagation delay of a pair'),
    loopOhm: amount(0, 10_000).nullable().default(null).describe('worst DC loop resistance of a pair'),
    volts: amount(0, 100).nullable().default(null).describe('over the cable'),
    watts: amount(0, 200).nullable().default(null),
    lossDb: amount(-5, 100).nullable().default(null).describe('of fibre, end to end'),
    lengthM: metres.describe('of fibre, as measured'),
    wavelengthNm: whole(600, 2000).nullable().default(null).describe('of the fibre test source'),
    matedPairs: whole(0, 40).nullable().default(null).describe('of fibre: mated connector pairs in the link tested'),
    splices: whole(0, 100).nullable().default(null).describe('of fibre: splices in the link tested'),
    limit: line(80).default('').describe('limit that a certification was tested to, as its tester names it'),
    marginDb: amount(-100, 100).nullable().default(null).describe('worst margin of a certification'),
    marginOf: line(160)
      .default('')
      .describe('measures and band that the margin covers; empty: as the tester reports it'),
    file: Id.nullable().default(null).describe('the file of its tester, kept as it is'),
  })
  .meta({ id: 'Result' });
export type Result = z.infer<typeof Result>;

export const results = defineTable({
  name: 'results',
  about: 'site-work',
  private: false,
  stations: ['prove'],
  onSite: true,
  row: 'result',
  one: 'test result',
  atMost: 60_000,
  schema: Result,
  refers: [goesWith('runId', 'runs'), { field: 'testerId', to: 'testers', whenGone: 'cleared' }],
  onlyAdded: true,
});
