import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { apply } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { seededRandom } from '../../base/solve/random';
import { Battery } from '../../job/records/gear';
import { batteryMinutes, loadFor, type Shed, shedding, sheddingCurve, shedTo, unitFacts, unitsFor } from './batteries';

const job = powered();
const ups = job.gear.ups as NonNullable<typeof job.gear.ups>;

const WORTH = { stays: 1_000_000, 'may-go': 1000, 'goes-first': 10 } as const;
const loads = (seed: number, count: number): Shed[] => {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, at) => ({
    gearId: `g${at}`,
    name: `g${at}`,
    watts: 5 + Math.round(random() * 2000) / 10,
    inOutage: (['stays', 'may-go', 'goes-first'] as const)[Math.floor(random() * 3)] as Shed['inOutage'],
  }));
};
const kept = (all: Shed[], dropped: readonly Shed[]) =>
  all.filter((one) => !dropped.includes(one)).reduce((sum, { inOutage }) => sum + WORTH[inOutage], 0);

describe('a battery unit', () => {
  it('says what is not known, and does not reckon with it', () => {
    expect(unitFacts(job, { ...ups, battery: null }, 25, null).unknown).toEqual(['its battery']);
    // Which outlets are battery-backed is not known either where nobody said it: what is in them is a load of unknown size.
    const unsaid = { ...ups, outlets: ups.outlets.map((one) => ({ ...one, backing: null })) };
    expect(unitFacts(job, unsaid, 25, '2026-11-27')).toMatchObject({ minutes: null, aged: null });
    expect(unitFacts(job, unsaid, 25, null).unknown.join(' ')).toContain('battery-backed');
    expect(unitFacts(job, { ...ups, battery: Battery.parse({}) }, 25, null)).toMatchObject({
      minutes: null,
      due: null,
    });
  });

  it('lasts shorter old, and when it is past its life nobody knows', () => {
    const young = unitFacts(job, ups, 25, '2026-11-27');
    expect(young.aged?.minutes ?? 0).toBeLessThan(young.minutes?.minutes ?? 0);
    const old = unitFacts(job, ups, 25, '2031-01-01');
    expect(old).toMatchObject({ aged: null, overdue: true });
    expect(old.unknown.join(' ')).toContain('past their life');
  });

  it('carries for so long what it lasts so long with', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 80, noNaN: true }), (minutes) => {
        const watts = loadFor(ups.battery as Battery, ups.efficiency, minutes);
        const at = watts === null ? null : batteryMinutes(ups.battery as Battery, ups.efficiency, watts);
        expect(at?.minutes).toBeGreaterThanOrEqual(minutes - 1e-6);
      }),
    );
  });

  it('more load never lasts longer', () => {
    const watts = fc.double({ min: 10, max: 1050, noNaN: true });
    fc.assert(
      fc.property(watts, watts, (a, b) => {
        const at = (one: number) => batteryMinutes(ups.battery as Battery, ups.efficiency, one)?.minutes ?? 0;
        expect(at(Math.max(a, b))).toBeLessThanOrEqual(at(Math.min(a, b)) + 1e-9);
      }),
    );
  });

  it('drops what is least wanted, as trying every choice does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 1, max: 9 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (seed, count, share) => {
          const all = loads(seed, count);
          const most = share * all.reduce((sum, { watts }) => sum + watts, 0);
          const { dropped, proven } = shedTo(all, most);
          expect(proven).toBe(true);
          let best = 0;
          for (let set = 0; set < 2 ** count; set++) {
            const stays = all.filter((_, at) => (set >> at) & 1);
            if (stays.reduce((sum, { watts }) => sum + watts, 0) > most + 1e-9) continue;
            best = Math.max(
              best,
              stays.reduce((sum, { inOutage }) => sum + WORTH[inOutage], 0),
            );
          }
          expect(kept(all, dropped)).toBe(best);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each([1, 2, 3])('drops of 16 loads what a general solver drops, seed %i', async (seed) => {
    const all = loads(seed, 16);
    const most = 0.55 * all.reduce((sum, { watts }) => sum + watts, 0);
    const highs = await loadHighs();
    const names = all.map((_, at) => `x${at}`);
    const { ObjectiveValue } = highs.solve(
      `Maximize\n obj: ${all.map(({ inOutage }, at) => `${WORTH[inOutage]} x${at}`).join(' + ')}\nSubject To\n w: ${all.map(({ watts }, at) => `${watts} x${at}`).join(' + ')} <= ${most}\nBinary\n ${names.join(' ')}\nEnd\n`,
      { mip_rel_gap: 0 },
    );
    expect(kept(all, shedTo(all, most).dropped)).toBe(Math.round(ObjectiveValue));
  });

  it('lasts longer with each point of the curve, and keeps less', () => {
    const curve = sheddingCurve(job, ups);
    expect(curve.length).toBeGreaterThan(1);
    for (let at = 1; at < curve.length; at++) {
      expect(curve[at]?.minutes).toBeGreaterThan(curve[at - 1]?.minutes ?? 0);
      expect(curve[at]?.keptW).toBeLessThan(curve[at - 1]?.keptW ?? 0);
    }
    expect(shedding(job, ups, 100_000)?.fails ?? true).toBe(true);
  });

  it('offers the smallest stock unit that carries it, or none', () => {
    expect(unitsFor({ w: 100, va: 120, unknown: 0 }, 10)[0]?.name).toBe('UPS, 1U, 500 W');
    expect(unitsFor({ w: 50_000, va: 60_000, unknown: 0 }, 10)).toEqual([]);
  });

  it('is a snag where it is too short, overdue, or of unknown age', () => {
    const wanted = apply(job, {
      type: 'keepRows',
      rows: [{ table: 'answers', record: { id: 'minutes-wanted', value: '90', note: '' } }],
    });
    expect(shedding(wanted, ups, 90)?.dropped.length).toBeGreaterThan(0);
  });
});
