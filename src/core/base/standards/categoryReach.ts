import { fromMemory, published, type Source } from './source';

export const CATEGORIES = ['5e', '6', '6A', '7', '7A', '8'] as const;
export type Category = (typeof CATEGORIES)[number];

/** How far a channel of one category carries one speed. Lengths in millimetres. */
export type Reach = {
  speedMbps: number;
  /** Supported to this length. 0: not supported at any length. */
  sureMm: number;
  /** Beyond `sureMm` and up to here it depends on alien crosstalk; equal when there is no such zone. */
  perhapsMm: number;
  source: Source;
};

const sure = (speedMbps: number, sureMm: number, clause: string): Reach => ({
  speedMbps,
  sureMm,
  perhapsMm: sureMm,
  source: published(`IEEE 802.3 ${clause}`),
});
const gigabit = sure(1000, 100_000, 'clause 40');
const two5 = sure(2500, 100_000, 'clause 126');
const five = sure(5000, 100_000, 'clause 126');
const ten = sure(10_000, 100_000, 'clause 55');
/** Cat 8 is a link of 30 m; over 100 m its cable carries 10 Gb/s where the link meets Cat 6A. */
const tenOnEight: Reach = { ...ten, source: fromMemory('IEEE 802.3 clause 55, of a Cat 8 link that meets Cat 6A') };
const none = (speedMbps: number, clause: string): Reach => sure(speedMbps, 0, clause);

const fullToTen = [gigabit, two5, five, ten, none(25_000, 'clause 113'), none(40_000, 'clause 113')];

/** Channel reach by category and speed; each list in order of speed. */
export const categoryReach: Record<Category, Reach[]> = {
  '5e': [
    gigabit,
    two5,
    {
      speedMbps: 5000,
      sureMm: 0,
      perhapsMm: 100_000,
      source: fromMemory('IEEE 802.3 clause 126; TIA TSB-5021'),
    },
    none(10_000, 'clause 55'),
    none(25_000, 'clause 113'),
    none(40_000, 'clause 113'),
  ],
  '6': [
    gigabit,
    two5,
    {
      // What carries 10 Gb/s carries 5; beyond that alien crosstalk decides.
      speedMbps: 5000,
      sureMm: 37_000,
      perhapsMm: 100_000,
      source: fromMemory('IEEE 802.3 clause 126; TIA TSB-5021'),
    },
    {
      speedMbps: 10_000,
      sureMm: 37_000,
      perhapsMm: 55_000,
      source: fromMemory('TIA TSB-155-A; IEEE 802.3 clause 55'),
    },
    none(25_000, 'clause 113'),
    none(40_000, 'clause 113'),
  ],
  '6A': fullToTen,
  '7': fullToTen,
  '7A': fullToTen,
  '8': [gigabit, two5, five, tenOnEight, sure(25_000, 30_000, 'clause 113'), sure(40_000, 30_000, 'clause 113')],
};

/**
 * The reach row that decides for a wanted speed: the first speed of the table at or above it.
 * Speeds up to 100 Mb/s are carried by every category here, as gigabit is.
 * @returns null when the speed is beyond the table
 */
export function reachFor(category: Category, speedMbps: number): Reach | null {
  return categoryReach[category].find((row) => row.speedMbps >= speedMbps) ?? null;
}
