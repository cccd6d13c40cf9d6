import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../../tests/support/jobs';
import { packCircles } from '../../../base/solve/circlePacking';
import { packingRatios } from '../../../base/standards/circlePacking';
import { conduitSizes } from '../../../base/standards/conduits';
import { stackingHeightMm } from '../../../base/standards/pathwayRules';
import { Pathway } from '../../../job/records/pathway';
import { bundleOf } from './bundle';
import { areaOf, conduitCount, conduitShare, mayJam, nextConduit } from './fill';
import { conduitBendMm, hookCount, pathwayFigures, pullPointsNeeded, tieCount } from './pathwayFigures';
import { separationAskedMm, separationNeededMm } from './separation';

const emt = (trade: string) =>
  conduitSizes.find((size) => size.family === 'EMT' && size.trade === trade) as (typeof conduitSizes)[number];

/** NFPA 70 Chapter 9, Tables 1 and 4: cables at 40 % in EMT, by the floor; one more by Note 7 where it stands. */
const COUNTS: [od: number, trade: string, floor: number, roundedUp: number][] = [
  [5.2, '1/2', 3, 3],
  [5.2, '3/4', 6, 6],
  [5.2, '1', 10, 10],
  [5.2, '2', 40, 40],
  [6, '3/4', 4, 5],
  [6, '1', 7, 8],
  [6, '1 1/4', 13, 13],
  [6, '2', 30, 30],
  [7.3, '1', 5, 5],
  [7.3, '2', 20, 20],
  [7.6, '1', 4, 5],
  [7.6, '1 1/2', 11, 11],
  [8.4, '1 1/4', 6, 7],
  [8.4, '2', 15, 15],
];

describe('conduit fill', () => {
  it('53 % for one cable, 31 % for two, 40 % for more, 60 % in a nipple (NFPA 70 Chapter 9, Table 1 and Note 4)', () => {
    expect([1, 2, 3, 40].map((count) => conduitShare(count, 3000).share)).toEqual([0.53, 0.31, 0.4, 0.4]);
    expect([1, 2, 3].map((count) => conduitShare(count, 600).share)).toEqual([0.6, 0.6, 0.6]);
  });

  it.each(COUNTS)('%d mm cables in EMT %s (NFPA 70 Chapter 9)', (od, trade, floor, roundedUp) => {
    expect(conduitCount(emt(trade).areaMm2, od)).toEqual({ floor, roundedUp });
  });

  it('prints 40 %% areas as NFPA 70 Chapter 9 Table 4 has them, in²', () => {
    const printed = { '1/2': 0.122, '3/4': 0.213, '1': 0.346, '1 1/4': 0.598, '1 1/2': 0.814, '2': 1.342, '4': 5.901 };
    for (const [trade, area] of Object.entries(printed))
      expect((emt(trade).areaMm2 / 645.16) * 0.4).toBeCloseTo(area, 3);
  });

  it('the next size takes them, and the one below does not', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 30, max: 90 }), { minLength: 1, maxLength: 40 }), (tenths) => {
        const diameters = tenths.map((one) => one / 10);
        const size = nextConduit(diameters, 5000, 'EMT');
        if (!size) return;
        const { share } = conduitShare(diameters.length, 5000);
        expect(areaOf(diameters)).toBeLessThanOrEqual(share * size.areaMm2 + 1e-6);
        const below = conduitSizes.filter((one) => one.family === 'EMT' && one.areaMm2 < size.areaMm2).at(-1);
        if (below) expect(areaOf(diameters)).toBeGreaterThan(share * below.areaMm2);
      }),
    );
  });

  it('three equal cables jam near ratios of 2.8 to 3.2 (from memory)', () => {
    expect(mayJam(15.8, [5.2, 5.2, 5.2])).toBe(true);
    expect(mayJam(20.9, [5.2, 5.2, 5.2])).toBe(false);
    expect(mayJam(15.8, [5.2, 5.2])).toBe(false);
  });
});

describe('bundles', () => {
  it.each(Object.entries(packingRatios).map(([count, ratio]) => [Number(count), ratio] as const))(
    'the search packs %d equal circles about as tightly as the published %d (Graham, Pirl, Melissen, Fodor)',
    (count, ratio) => {
      const { radius, circles } = packCircles(new Array(count).fill(0.5));
      expect(2 * radius).toBeGreaterThanOrEqual(ratio - 0.0005);
      expect(2 * radius).toBeLessThan(ratio * (count > 20 ? 1.03 : 1.02));
      for (const [at, a] of circles.entries())
        for (const b of circles.slice(at + 1))
          expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(1 - 1e-9);
    },
    20_000,
  );

  it.each([
    [1, 1],
    [2, 2],
    [3, 2.1547],
    [4, 2.4142],
    [5, 2.7013],
    [6, 3],
    [7, 3],
    [8, 3.3048],
    [9, 3.6131],
    [10, 3.813],
    [11, 3.9238],
    [12, 4.0296],
    [13, 4.2361],
    [14, 4.3284],
    [15, 4.5214],
    [16, 4.6154],
    [17, 4.792],
  ])('%d equal circles need a circle of %d, no less (collected tables of packings)', (count, ratio) => {
    expect(packingRatios[count]).toBeGreaterThanOrEqual(ratio - 0.000_05);
    expect(packingRatios[count]).toBeLessThan(ratio + 0.000_1);
  });

  it('fit a hole as they are dressed, not as the tightest packing: 24 of 6 mm want 37.3 mm, not 33.9', () => {
    expect(bundleOf(new Array(24).fill(6)).dressedMm).toBeCloseTo(37.3, 1);
    const runs = Object.fromEntries(Array.from({ length: 24 }, (_, at) => [at + 1, { cable: 'Cat 6 U/UTP' }]));
    const through = (widthMm: number) => {
      const pathway = Pathway.parse({
        id: 'hole',
        name: 'Hole',
        kind: 'hole',
        widthMm,
        heightMm: null,
        lengthMm: 200,
      });
      const start = bench(runs);
      const job = apply(start, {
        type: 'keepRows',
        rows: [
          { table: 'pathways', record: pathway },
          ...Object.keys(start.runs).map((runId, at) => ({
            table: 'passages' as const,
            record: { id: `p${at}`, runId, pathwayId: 'hole' },
          })),
        ],
      });
      return pathwayFigures(job, pathway);
    };
    const { bundle } = through(100);
    const between = Math.ceil(bundle.diameterMm + 0.5);
    expect(between).toBeLessThan(bundle.dressedMm);
    expect(through(between).fits).toBe(false);
    expect(through(Math.ceil(bundle.dressedMm)).fits).toBe(true);
  });

  it('24 of 6.0 mm are 33.9 mm at the tightest and 12 of 7.3 mm 29.4 mm (published ratios)', () => {
    expect(bundleOf(new Array(24).fill(6)).diameterMm).toBeCloseTo(33.9, 1);
    expect(bundleOf(new Array(12).fill(7.3)).diameterMm).toBeCloseTo(29.4, 1);
  });

  it('says what is proven: 13 and 19 are, 14 is not', () => {
    expect([13, 14, 19].map((count) => bundleOf(new Array(count).fill(5)).proven)).toEqual([true, false, true]);
    expect(bundleOf([5, 6]).how).toBe('search');
    const many = bundleOf([5, ...new Array(200).fill(6)]);
    expect(many.how).toBe('area');
    expect(many.diameterMm).toBeGreaterThan(Math.sqrt(201) * 5.9);
  });
});

describe('ways', () => {
  it('stack to 150 / (1 + 0.0007 l) mm: 128, 111, 88, 73 (EN 50174-2, from memory)', () => {
    expect([250, 500, 1000, 1500].map((apart) => Math.round(stackingHeightMm(apart)))).toEqual([128, 111, 88, 73]);
  });

  it('need a pull point after two bends and after 30 m (ANSI/TIA-569)', () => {
    const needed = (bends: number, metres: number) => pullPointsNeeded({ bends, lengthMm: metres * 1000 });
    expect([needed(2, 30), needed(3, 30), needed(2, 31), needed(5, 10), needed(0, 61)]).toEqual([0, 1, 1, 2, 2]);
  });

  it('bend at 6 × the inside diameter to 2 inches, 10 × above and with fibre (ANSI/TIA-569)', () => {
    expect(conduitBendMm(52.5, false)).toBeCloseTo(315);
    expect(conduitBendMm(69.4, false)).toBeCloseTo(694);
    expect(conduitBendMm(26.6, true)).toBeCloseTo(266);
  });

  it('count hooks and ties from their spacing', () => {
    expect([hookCount(3000, 1500), hookCount(3001, 1500)]).toEqual([3, 4]);
    expect([tieCount(3000, 150), tieCount(3000, 200)]).toEqual([21, 16]);
  });

  it('keep A = S × P from mains: 20, 60 and 30 mm (EN 50174-2, from memory), and 50 mm in the open (NFPA 70 800.133)', () => {
    expect(separationNeededMm(false, 'none', 3)).toBeCloseTo(20);
    expect(separationNeededMm(false, 'none', 8)).toBeCloseTo(60);
    expect(separationNeededMm(false, 'perforated-metal', 8)).toBeCloseTo(30);
    expect(separationAskedMm(false, 'none', 3)).toBe(50);
    expect(separationAskedMm(true, 'solid-metal', 8)).toBe(0);
  });
});

describe('a pathway with its runs', () => {
  const path = Pathway.parse({ id: 'p', name: 'Riser', kind: 'conduit', widthMm: 26.6, lengthMm: 8000 });
  const labels = Array.from({ length: 14 }, (_, at) => String(at + 1));
  const job = apply(bench(Object.fromEntries(labels.map((label) => [label, { cable: 'Cat 6 U/UTP' }]))), {
    type: 'keepRows',
    rows: [{ table: 'pathways', record: path }],
  });
  const through = (count: number) =>
    apply(job, {
      type: 'keepRows',
      rows: labels.slice(0, count).map((label) => ({
        table: 'passages' as const,
        record: { id: `p-${label}`, pathwayId: 'p', runId: `run-${label}` },
      })),
    });

  it('fills up with each cable', () => {
    let before = 0;
    for (let count = 1; count <= labels.length; count++) {
      const { fill, bundle } = pathwayFigures(through(count), path);
      expect(fill).toBeGreaterThan(before);
      expect(bundle.diameterMm).toBeGreaterThan(0);
      before = fill;
    }
  });

  it('seven of 6.0 mm go into 1-inch EMT at 40 %, nine do not; the next size is named (NFPA 70 Chapter 9)', () => {
    const seven = pathwayFigures(through(7), path);
    expect(seven.fill).toBeLessThanOrEqual(seven.allowance.share);
    const nine = pathwayFigures(through(9), path);
    expect(nine.fill).toBeGreaterThan(nine.allowance.share);
    expect(nine.next?.trade).toBe('1 1/4');
  });
});
