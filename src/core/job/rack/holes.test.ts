import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { frameWidths, rackDimensions } from '../../base/standards/rackDimensions';
import { majorDiameterMm } from '../../base/standards/screwThreads';
import { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { holeCard, holeHeightMm, holesOf } from './holes';

const gear = (heightU: number, holes: Gear['holes'] = 'standard') =>
  Gear.parse({ id: 'g', name: 'G', kind: 'other', heightU, depthMm: 100, holes });
const heights = (heightU: number, bottomU = 1) =>
  holesOf(gear(heightU), bottomU).map((hole) => Number(hole.heightMm.toFixed(3)));

describe('holes (EIA/ECA-310-E; IEC 60297-3-100)', () => {
  it('lie 6.35, 22.225 and 38.1 mm above the lower edge of each unit', () => {
    expect([1, 2, 3].map((hole) => holeHeightMm(1, hole))).toEqual([6.35, 22.225, 38.1]);
    expect([1, 2, 3].map((hole) => Number(holeHeightMm(6, hole).toFixed(3)))).toEqual([228.6, 244.475, 260.35]);
  });

  it.each([
    // 1U and 2U as published; from 3U on the slot layouts are from memory.
    [1, [6.35, 38.1]],
    [2, [6.35, 82.55]],
    [3, [38.1, 95.25]],
    [4, [38.1, 139.7]],
    [5, [38.1, 184.15]],
    [6, [38.1, 95.25, 171.45, 228.6]],
  ])('of a %i-unit panel are where its slots are', (heightU, expected) => {
    expect(heights(heightU)).toEqual(expected);
  });

  it('of devices at U5 are as worked out', () => {
    expect(heights(1, 5)).toEqual([184.15, 215.9]);
    expect(heights(2, 5)).toEqual([184.15, 260.35]);
    expect(heights(3, 5)).toEqual([215.9, 273.05]);
  });

  it('of two devices never meet while their units do not', () => {
    const choice = fc.constantFrom<Gear['holes']>('standard', 'outer', 'middle', 'all');
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), choice, choice, (low, high, a, b) => {
        const below = new Set(holesOf(gear(low, a), 1).map((hole) => `${hole.unit} ${hole.hole}`));
        for (const hole of holesOf(gear(high, b), 1 + low)) expect(below.has(`${hole.unit} ${hole.hole}`)).toBe(false);
      }),
    );
  });

  it('keep the published distances: 15.875, 15.875, 12.7 mm by turns', () => {
    const all = [1, 2].flatMap((unit) => [1, 2, 3].map((hole) => holeHeightMm(unit, hole)));
    const steps = all.slice(1).map((height, at) => Number((height - (all[at] ?? 0)).toFixed(3)));
    expect(steps).toEqual([15.875, 15.875, 12.7, 15.875, 15.875]);
  });
});

describe('the hole card', () => {
  it('counts holes from the bottom, nuts and screws', () => {
    const job = bench();
    const card = holeCard(job, job.racks.rack as Rack);
    // U12: holes 34 and 36 of 36; U11: 31 and 33.
    expect(card.rows.map((row) => row.holes.map((hole) => hole.fromBottom))).toEqual([
      [34, 36],
      [31, 33],
    ]);
    expect([card.screws, card.nuts]).toEqual([8, 8]);
  });

  it('shows units as the rack numbers them, and has no nuts for threaded rails', () => {
    const job = apply(bench(), {
      type: 'editRack',
      rackId: 'rack',
      changes: { numbering: 'from-top', fixing: 'threaded', holePattern: 'wide', thread: '10-32' },
    });
    const card = holeCard(job, job.racks.rack as Rack);
    expect(card.rows[0]?.holes.map((hole) => [hole.shownUnit, hole.fromBottom])).toEqual([
      [1, 23],
      [1, 24],
    ]);
    expect(card.nuts).toBe(0);
  });

  it('counts the screws of rails and names other threads', () => {
    const job = apply(bench(), {
      type: 'editGear',
      gearId: 'switch',
      changes: { rails: 'needed', screwThread: '12-24' },
    });
    const card = holeCard(job, job.racks.rack as Rack);
    expect(card.rows.find((row) => row.gearId === 'switch')?.screws).toBe(12);
    expect(card.mixed).toEqual(['Switch: 12-24']);
  });
});

describe('widths and threads', () => {
  it('are as published', () => {
    expect(frameWidths['19-inch']).toEqual({ panelMm: 482.6, holesApartMm: 465.1, openingMm: 450 });
    expect(majorDiameterMm['10-32']).toBeCloseTo(4.83, 2);
    expect(majorDiameterMm['12-24']).toBeCloseTo(5.49, 2);
    // EIA panel of 3U: 132.56 mm.
    expect(3 * rackDimensions.unitMm - rackDimensions.panelReliefMm).toBeCloseTo(132.56, 2);
  });

  it('of 10-inch racks are common practice, no source', () => {
    expect(frameWidths['10-inch']).toEqual({ panelMm: 254, holesApartMm: 236.5, openingMm: 222 });
  });
});
