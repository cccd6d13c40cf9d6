import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../../tests/support/jobs';
import { conduitSizes } from '../../../base/standards/conduits';
import { ruleSets } from '../../../base/standards/ruleSets';
import { Pathway } from '../../../job/records/pathway';
import { answerCommand } from '../../survey/answers/answers';
import { allowanceOf, areaOf, circleArea, conduitCount, insideAreaMm2, nextConduit } from './fill';
import { pathwayFigures } from './pathwayFigures';

const path = (fields: object) =>
  Pathway.parse({ id: 'p', name: 'Way', kind: 'conduit', widthMm: 26.6, lengthMm: 9000, ...fields });

/** NFPA 70 Chapter 9, Table 4: trade size, inside diameter mm, and inside area mm² of EMT. */
const EMT: [trade: string, insideMm: number, areaMm2: number][] = [
  ['1/2', 15.8, 196],
  ['3/4', 20.9, 343],
  ['1', 26.6, 556],
  ['1 1/4', 35.1, 968],
  ['1 1/2', 40.9, 1314],
  ['2', 52.5, 2165],
  ['2 1/2', 69.4, 3783],
  ['3', 85.2, 5701],
  ['3 1/2', 97.4, 7451],
  ['4', 110.1, 9521],
];

describe('inside areas', () => {
  it.each(EMT)('EMT %s is %d mm wide and has about %d mm² (NFPA 70)', (trade, insideMm, areaMm2) => {
    const size = conduitSizes.find((one) => one.family === 'EMT' && one.trade === trade);
    expect(size?.insideMm).toBeCloseTo(insideMm, 1);
    // The metric column is computed from the rounded diameter, and differs by up to 0.8 %.
    expect(Math.abs((size?.areaMm2 ?? 0) - areaMm2) / areaMm2).toBeLessThan(0.009);
  });

  it('of ENT are smaller than those of EMT of the same trade size (NFPA 70, from memory)', () => {
    for (const ent of conduitSizes.filter((one) => one.family === 'ENT')) {
      const emt = conduitSizes.find((one) => one.family === 'EMT' && one.designator === ent.designator);
      expect(ent.areaMm2).toBeLessThan(emt?.areaMm2 ?? 0);
    }
  });

  it('are the published ones for a published width, the circle for any other, width by height for open ways', () => {
    expect(insideAreaMm2(path({}))).toBeCloseTo(0.864 * 645.16, 6);
    expect(insideAreaMm2(path({ widthMm: 27 }))).toBeCloseTo(circleArea(27), 9);
    expect(insideAreaMm2(path({ kind: 'tray', widthMm: 100, heightMm: 50 }))).toBe(5000);
    expect(insideAreaMm2(path({ kind: 'hole', widthMm: 26.6 }))).toBeCloseTo(circleArea(26.6), 9);
  });
});

describe('what may be taken of them', () => {
  it.each([
    ['conduit', {}, 0.4],
    ['conduit', { lengthMm: 600 }, 0.6],
    // IET On-Site Guide, for power cable; used for data as a rule of thumb.
    ['trunking', { heightMm: 50 }, 0.45],
    ['tray', { heightMm: 50 }, 0.5],
    ['hooks', {}, 1],
    ['hole', {}, 1],
  ] as const)('%s %j: a share of %d', (kind, fields, share) => {
    expect(allowanceOf(path({ kind, ...fields }), 5, ruleSets['north-america']).share).toBe(share);
  });

  it('one cable more never takes less, and a wider conduit never holds fewer', () => {
    const diameters = fc.array(
      fc.integer({ min: 30, max: 120 }).map((tenths) => tenths / 10),
      { maxLength: 20 },
    );
    fc.assert(
      fc.property(diameters, fc.integer({ min: 30, max: 120 }), (some, more) => {
        expect(areaOf([...some, more / 10])).toBeGreaterThan(areaOf(some));
      }),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 9000 }),
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 30, max: 120 }),
        (area, wider, tenths) => {
          const [narrow, wide] = [conduitCount(area, tenths / 10), conduitCount(area + wider, tenths / 10)];
          expect(wide.floor).toBeGreaterThanOrEqual(narrow.floor);
          expect(narrow.roundedUp).toBeGreaterThanOrEqual(narrow.floor);
          expect(narrow.roundedUp - narrow.floor).toBeLessThanOrEqual(2);
        },
      ),
    );
  });

  it('has no size for more than the largest takes', () => {
    expect(nextConduit(new Array(200).fill(9), 5000, 'EMT')).toBeNull();
    expect(nextConduit([6], 5000, 'EMT')?.trade).toBe('1/2');
    expect(nextConduit([6], 5000, 'ENT')?.family).toBe('ENT');
  });
});

describe('figures of a way', () => {
  const job = apply(
    bench({ 1: { cable: 'Cat 6 U/UTP' }, 2: { cable: 'OM3 duplex LC', carries: 'fibre' }, 3: { cable: 'string' } }),
    {
      type: 'keepRows',
      rows: [
        { table: 'pathways', record: path({}) },
        ...['1', '2', '3'].map((label) => ({
          table: 'passages' as const,
          record: { id: `x${label}`, pathwayId: 'p', runId: `run-${label}` },
        })),
      ],
    },
  );

  it('leave out what nobody described, and say so', () => {
    const figures = pathwayFigures(job, path({}));
    expect(figures.diametersMm).toEqual([6, 5]);
    expect(figures.unknown.map((run) => run.label)).toEqual(['3']);
  });

  it('bend by the conduit with fibre in it: ten times its width (ANSI/TIA-569, from memory for fibre)', () => {
    expect(pathwayFigures(job, path({})).bendMm).toBeCloseTo(266, 6);
    expect(pathwayFigures(job, path({ kind: 'hooks' })).bendMm).toBe(50);
  });

  it('leave a string a metre longer at both ends, and take the next fish tape for the longest stretch', () => {
    const long = pathwayFigures(job, path({ lengthMm: 28_000 }));
    expect([long.stringMm, long.fishTapeMm]).toEqual([30_000, 30_000]);
    expect(pathwayFigures(job, path({ lengthMm: 28_000, pullPoints: 1 })).fishTapeMm).toBe(15_000);
    expect(pathwayFigures(job, path({ lengthMm: 200_000 })).fishTapeMm).toBeNull();
  });

  it('count ties by the spacing of the job', () => {
    const hooks = path({ kind: 'hooks', lengthMm: 3000 });
    expect(pathwayFigures(job, hooks).ties).toBe(16);
    expect(pathwayFigures(apply(job, answerCommand(job, 'tie-spacing', '150')), hooks).ties).toBe(21);
    expect(pathwayFigures(job, path({})).ties).toBe(0);
  });

  it('hang on a hook at each end and no farther apart than said', () => {
    const hooks = (spacingMm: number | null) =>
      pathwayFigures(job, path({ kind: 'hooks', lengthMm: 6000, spacingMm })).hooks;
    expect([hooks(null), hooks(1500), hooks(1200), hooks(1000)]).toEqual([5, 5, 6, 7]);
  });
});
