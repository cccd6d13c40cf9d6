import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply } from '../../../../../tests/support/jobs';
import { powered } from '../../../../../tests/support/powered';
import type { Rack } from '../../../job/records/rack';
import { cabinetHeat, givesOff, leavesW, riseOf, type Shell } from './cabinetHeat';
import { cheapestMeasures, effects, measuresFor } from './measures';

const job = powered();
const rack = job.racks.cabinet as Rack;
const shell = fc.record({
  surfaceM2: fc.double({ min: 0.3, max: 4, noNaN: true }),
  material: fc.constantFrom('steel' as const, 'plastic' as const),
  lowCm2: fc.integer({ min: 0, max: 600 }),
  highCm2: fc.integer({ min: 0, max: 600 }),
  apartMm: fc.integer({ min: 100, max: 1800 }),
  fanM3h: fc.integer({ min: 0, max: 300 }),
  thermostatC: fc.constant(null),
});

describe('a cabinet', () => {
  it('gives off at its rise what stands in it', () => {
    fc.assert(
      fc.property(shell, fc.integer({ min: 1, max: 600 }), (made, watts) => {
        const rise = riseOf(made, watts, 25);
        if (rise < 149) expect(givesOff(made, rise, 25)).toBeCloseTo(watts, 3);
      }),
    );
  });

  it('a fan, an opening or less heat never warms it', () => {
    fc.assert(
      fc.property(shell, fc.integer({ min: 1, max: 600 }), fc.integer({ min: 0, max: 200 }), (made, watts, more) => {
        const rise = riseOf(made, watts, 25);
        const cooler: Shell[] = [
          { ...made, fanM3h: made.fanM3h + more },
          { ...made, lowCm2: made.lowCm2 + more },
          { ...made, highCm2: made.highCm2 + more },
        ];
        for (const one of cooler) expect(riseOf(one, watts, 25)).toBeLessThanOrEqual(rise + 1e-6);
        expect(riseOf(made, Math.max(0, watts - more), 25)).toBeLessThanOrEqual(rise + 1e-6);
      }),
    );
  });

  it('keeps what supplies lose, not what leaves over the ports (energy balance)', () => {
    // 250 W in, 150 W out of the ports: 100 W stay.
    const powerful = { ...job.gear['switch-a'], powerW: 80, heatW: null, efficiency: 0.88 } as never as Parameters<
      typeof leavesW
    >[1];
    const stays = leavesW(job, powerful) ?? 0;
    expect(stays).toBeGreaterThan(80);
    expect(stays).toBeLessThan(80 + 0.2 * 400);
  });

  it('counts what is not known as at least, and judges nothing fine by it', () => {
    const bare = apply(job, { type: 'editGear', gearId: 'recorder', changes: { powerW: null, heatW: null } });
    const heat = cabinetHeat(bare, rack);
    expect(heat.watts.unknown).toBe(1);
    expect(heat.state).not.toBe('enough');
    expect(heat.unknown.join(' ')).toContain('heat of 1 device');
  });

  it('finds the cheapest measures: no cheaper set is enough', () => {
    const heat = cabinetHeat(job, rack);
    const measures = measuresFor(job, rack);
    expect(measures.length).toBeLessThanOrEqual(12);
    const best = cheapestMeasures(job, heat, measures);
    expect(best.enough).toBe(true);
    expect(best.chosen.length).toBeGreaterThan(0);
    for (let set = 0; set < 2 ** measures.length; set++) {
      const chosen = measures.filter((_, at) => (set >> at) & 1);
      const cost = chosen.reduce((sum, one) => sum + one.cost, 0);
      if (cost >= best.cost) continue;
      const made = cheapestMeasures(job, heat, chosen);
      // Of a cheaper choice not even all of it together is enough.
      expect(made.enough && made.cost < best.cost).toBe(false);
    }
  });

  it('tells what each measure brings', () => {
    const heat = cabinetHeat(job, rack);
    for (const { lessK, summerC } of effects(job, heat, measuresFor(job, rack))) {
      expect(lessK).toBeGreaterThanOrEqual(-1e-6);
      expect(summerC).toBeCloseTo(heat.summerC - lessK, 6);
    }
  });
});
