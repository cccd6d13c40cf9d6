import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bench } from '../../../../../tests/support/jobs';
import { frequencyFactor, liftingFilter, teamShare } from '../../../base/standards/lifting';
import { Gear } from '../../../job/records/gear';
import { Rack } from '../../../job/records/rack';
import { type Lift, liftingIndex, reachCm, recommendedLimit } from './liftingEquation';
import { liftOf, loadingOrder } from './liftPlan';

const lift = (fields: Partial<Lift>): Lift => ({
  reachCm: 25,
  heightCm: 75,
  travelCm: 25,
  twistDeg: 0,
  perMinute: 0.2,
  duration: 'hour',
  coupling: 'good',
  ...fields,
});

describe('the lifting equation (NIOSH 94-110)', () => {
  it('recommends 23 kg where nothing is against it', () => {
    expect(recommendedLimit(lift({})).limitKg).toBe(23);
  });

  it('agrees with a worked lift from the floor to a shelf, and lets the worse end govern', () => {
    // 15 kg once: H 30, V 20, D 100, fair; at the shelf V 120, arms out H 45.
    const origin = recommendedLimit(lift({ reachCm: 30, heightCm: 20, travelCm: 100, coupling: 'fair' }));
    expect(origin.factors).toMatchObject({
      height: expect.closeTo(0.835, 3),
      travel: expect.closeTo(0.865, 3),
      coupling: 0.95,
    });
    expect(origin.factors.reach).toBeCloseTo(0.8333, 4);
    expect(origin.limitKg).toBeCloseTo(13.15, 2);
    expect(liftingIndex(15, origin.limitKg)).toBeCloseTo(1.14, 2);
    const there = recommendedLimit(lift({ reachCm: 45, heightCm: 120, travelCm: 100, coupling: 'fair' }));
    expect(there.limitKg).toBeCloseTo(9.56, 2);
    expect(liftingIndex(15, there.limitKg)).toBeCloseTo(1.57, 2);
  });

  it('agrees with a worked lift with a twist, twice a minute', () => {
    const made = recommendedLimit(lift({ reachCm: 40, travelCm: 60, twistDeg: 45, perMinute: 2 }));
    expect(made.factors.twist).toBeCloseTo(0.856, 3);
    expect(made.limitKg).toBeCloseTo(10.02, 2);
  });

  it('takes the frequency from the published table', () => {
    expect([0.1, 1, 9, 9, 15, 16].map((rate, at) => frequencyFactor(rate, 'hour', at === 3 ? 75 : 60))).toEqual([
      1, 0.94, 0.52, 0.52, 0, 0,
    ]);
    expect(frequencyFactor(9, 'eight hours', 60)).toBe(0);
    expect(frequencyFactor(9, 'eight hours', 75)).toBe(0.15);
    expect(frequencyFactor(11, 'two hours', 74)).toBe(0);
    expect(frequencyFactor(15, 'hour', 75)).toBe(0.28);
  });

  it('allows nothing beyond its limits, and never more for a farther reach', () => {
    expect(recommendedLimit(lift({ reachCm: 64 })).limitKg).toBe(0);
    expect(recommendedLimit(lift({ heightCm: 176 })).limitKg).toBe(0);
    expect(liftingIndex(5, 0)).toBe(Number.POSITIVE_INFINITY);
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 70, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (reachCm, more) => {
          const near = recommendedLimit(lift({ reachCm })).limitKg;
          expect(recommendedLimit(lift({ reachCm: reachCm + more })).limitKg).toBeLessThanOrEqual(near + 1e-9);
        },
      ),
    );
  });
});

describe('who lifts what (HSE INDG143, L23)', () => {
  const rack = Rack.parse({ id: 'rack', name: 'Rack', units: 18, depthMm: 450, standing: 'wall', baseMm: 1000 });
  const gear = (massKg: number, heightU = 2) =>
    Gear.parse({ id: 'ups', name: 'Battery', kind: 'ups', heightU, depthMm: 405, massKg });

  it('takes two thirds of two people', () => {
    expect(teamShare[2]).toBeCloseTo(0.667, 3);
    const advice = liftOf(rack, gear(10), 1, 'men');
    // Middle of U1-U2 at 1.04 m. From the floor: 10 kg near the body below mid lower leg, then 10 and 15 kg at arm's length.
    expect(advice).toMatchObject({ zone: liftingFilter.men[2].zone, oneKg: 10 });
    expect(advice.twoKg).toBeCloseTo(13.33, 2);
  });

  it('takes the smallest weight of the zones that the hands enter (INDG143)', () => {
    // To elbow-to-shoulder height women: 7 near the body at the floor, then 7, 10 and 7 at arm's length.
    expect(liftOf(rack, gear(5), 8, 'women').oneKg).toBe(7);
    expect(liftOf(rack, gear(5), 8, 'men').oneKg).toBe(10);
  });

  it('holds a deep device farther out: H = 25 + W/2 below 25 cm, 20 + W/2 above (NIOSH 94-110)', () => {
    expect([reachCm(450, 20), reachCm(450, 25), reachCm(300, 100)]).toEqual([47.5, 42.5, 35]);
    // 10 kg, 450 mm deep, to U15 of a rack on the floor: 23 × 25/47.5 × 0.835 × (0.82 + 4.5/52.5) × 0.95 = 8.70 kg.
    const floor = Rack.parse({ id: 'floor', name: 'Rack', units: 18, depthMm: 600, standing: 'floor', baseMm: 80 });
    const server = Gear.parse({ id: 's', name: 'Server', kind: 'server', heightU: 1, depthMm: 450, massKg: 10 });
    const advice = liftOf(floor, server, 15, 'men');
    expect(advice.limitKg).toBeCloseTo(8.7, 2);
    expect(advice.people).toBe(2);
  });

  it('wants a platform where hands would be above the shoulders, and judges nothing of an unknown mass', () => {
    const high = liftOf(rack, gear(0.9, 1), 18, 'women');
    expect(high).toMatchObject({ platform: true, index: null, people: 1, support: false });
    expect(high.words).toContain('From a platform');
    const unknown = liftOf(rack, Gear.parse({ ...gear(1), massKg: null }), 1, 'men');
    expect(unknown).toMatchObject({ people: null, index: null, support: false });
    expect(unknown.words).toContain('not known');
  });

  it('wants a support for what two cannot lift, higher up sooner', () => {
    expect(liftOf(rack, gear(28), 1, 'men')).toMatchObject({ support: true, people: 2 });
    expect(liftOf(rack, gear(12), 1, 'men').support).toBe(false);
    expect(liftOf(rack, gear(14), 1, 'men').support).toBe(true);
    expect(liftOf(rack, gear(0.9, 1), 3, 'women').people).toBe(1);
  });

  it('never needs fewer people for more mass', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 17 }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (bottomU, massKg, more) => {
          const light = liftOf(rack, gear(massKg), bottomU, 'women');
          const heavy = liftOf(rack, gear(massKg + more), bottomU, 'women');
          expect(heavy.people ?? 0).toBeGreaterThanOrEqual(light.people ?? 0);
          expect(Number(heavy.support)).toBeGreaterThanOrEqual(Number(light.support));
        },
      ),
    );
  });

  it('loads from the bottom up, the cabinet first', () => {
    const steps = loadingOrder(bench(), Rack.parse({ ...rack, units: 12 }), 'men').map((step) => step.words);
    expect(steps[0]).toContain('Hang the rack empty');
    expect(steps.slice(1)).toEqual(['Switch into U11. One person.', 'Panel into U12. One person.']);
  });
});
