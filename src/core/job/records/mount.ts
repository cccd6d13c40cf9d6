import { z } from 'zod';
import { FASTENERS, SPECIES } from '../../base/standards/withdrawal';
import { amount, Id, whole } from './fields';
import { defineTable, goesWith } from './table';

export const WALLS = ['studs', 'masonry', 'plasterboard'] as const;

const mm = (least: number, most: number, initial: number) => whole(least, most).default(initial);

/** How a rack hangs on its wall. One for each rack at most; goes with it. */
export const Mount = z
  .strictObject({
    id: Id,
    rackId: Id,
    wall: z.enum(WALLS).default('studs'),
    species: z.enum(SPECIES).default('spruce-pine-fir'),
    studSpacingMm: mm(100, 1500, 400),
    studFaceMm: mm(20, 300, 38),
    fastener: z.enum(FASTENERS).default('lag-1/4'),
    threadInMm: mm(1, 300, 38).describe('thread in the stud, tip not counted'),
    topCount: whole(1, 12).default(2),
    bottomCount: whole(0, 12).default(2),
    bracketWidthMm: mm(50, 2000, 400).describe('between the outer fixings of one line'),
    bracketHeightMm: mm(50, 3000, 550).describe('top fixings above the lower edge of the box'),
    lineHeightMm: mm(10, 3000, 450).describe('top fixing line above the lower one'),
    pullN: amount(0, 1_000_000).nullable().default(null).describe('permitted pull of one anchor by its maker'),
    shearN: amount(0, 1_000_000)
      .nullable()
      .default(null)
      .describe('permitted shear of one fixing by its maker or table'),
    safetyFactor: amount(1, 20).default(2).describe('on top of what is permitted'),
    leanN: amount(0, 2000).default(300).describe('somebody leaning on the front edge'),
    lastingFactor: amount(0.5, 1.6).default(0.9).describe('load duration'),
    boardMm: mm(9, 50, 19).describe('thickness of a board over the studs'),
  })
  .meta({ id: 'Mount' });
export type Mount = z.infer<typeof Mount>;

export const mounts = defineTable({
  name: 'mounts',
  about: 'plan',
  private: false,
  stations: ['stack'],
  row: 'mount',
  one: 'wall mount',
  atMost: 50,
  schema: Mount,
  keys: [{ what: 'rack', of: (row) => row.rackId, words: () => 'one rack' }],
  refers: [goesWith('rackId', 'racks')],
});
