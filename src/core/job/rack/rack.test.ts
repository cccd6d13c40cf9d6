import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, quillback } from '../../../../tests/support/jobs';
import { planPlacement } from '../../trade/rack/arrange/planPlacement';
import { emptyJob } from '../document/job';
import { Gear } from '../records/gear';
import { Rack } from '../records/rack';
import { elevation, holeHeights } from './elevation';
import { placeFault, placesFor } from './fit';
import { freeUnits, shownUnit, unitName } from './units';

const rack = (fields: object = {}) => Rack.parse({ id: 'rack', name: 'Rack', units: 12, depthMm: 400, ...fields });

describe('dimensions (EIA/ECA-310-E; IEC 60297-3-100)', () => {
  it('has the hole centres of the universal pattern, heights above U1', () => {
    expect(holeHeights(6).map((height) => Number(height.toFixed(3)))).toEqual([
      6.35, 22.225, 38.1, 50.8, 66.675, 82.55, 95.25, 111.125, 127, 139.7, 155.575, 171.45, 184.15, 200.025, 215.9,
      228.6, 244.475, 260.35,
    ]);
  });

  it.each([
    [4, 177.8],
    [9, 400.05],
    [18, 800.1],
    [42, 1866.9],
    [48, 2133.6],
  ])('stacks %i units to %d mm', (units, heightMm) => {
    expect(elevation(emptyJob({ id: 'j', name: 'J', units: 'metric' }), rack({ units })).heightMm).toBeCloseTo(
      heightMm,
      6,
    );
  });

  it.each([
    [1, 43.66],
    [2, 88.11],
    [3, 132.56],
    [6, 265.91],
  ])('makes a panel of %i U %d mm high', (heightU, panelMm) => {
    const job = apply(
      bench(),
      { type: 'addGear', gear: [Gear.parse({ id: 'box', name: 'Box', kind: 'other', heightU, depthMm: 50 })] },
      { type: 'placeGear', gearId: 'box', rackId: 'rack', bottomU: 1 },
    );
    const item = elevation(job, rack()).items.find((one) => one.gearId === 'box');
    expect(item?.height).toBeCloseTo(panelMm, 2);
    expect(item?.width).toBe(482.6);
  });

  it('sets the hole columns 465.1 mm apart', () => {
    const columns = [...new Set(elevation(bench(), rack()).holes.map((hole) => hole.x))];
    expect((columns[1] ?? 0) - (columns[0] ?? 0)).toBeCloseTo(465.1, 6);
  });
});

describe('numbering', () => {
  it('turns bottom-up into top-down: a device of n U at b takes N+2-b-n to N+1-b (arithmetic)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(), fc.nat(), (units, first, second) => {
        const heightU = 1 + (first % units);
        const bottomU = 1 + (second % (units - heightU + 1));
        const down = rack({ units, numbering: 'from-top' });
        const [low, high] = [units + 2 - bottomU - heightU, units + 1 - bottomU];
        expect(unitName(down, bottomU, heightU)).toBe(low === high ? `U${low}` : `U${low}–U${high}`);
        expect(shownUnit(down, shownUnit(down, bottomU))).toBe(bottomU);
        expect(shownUnit(rack({ units }), bottomU)).toBe(bottomU);
      }),
    );
  });
});

describe('places', () => {
  const job = bench();
  const two = Gear.parse({ id: 'two', name: 'Two', kind: 'other', heightU: 2, depthMm: 400 });

  it('says taken, outside and too deep, with numbers', () => {
    expect(placeFault(job, two, { rack: rack(), bottomU: 10, face: 'front' })).toEqual({
      kind: 'taken',
      hard: true,
      words: 'U10–U11 is taken by Switch.',
    });
    expect(placeFault(job, two, { rack: rack(), bottomU: 12, face: 'front' })?.kind).toBe('outside');
    expect(placeFault(job, two, { rack: rack(), bottomU: 0, face: 'front' })?.kind).toBe('outside');
    const fault = placeFault(job, two, { rack: rack({ depthMm: 390 }), bottomU: 1, face: 'front' });
    expect(fault).toEqual({ kind: 'too-deep', hard: true, words: 'Two is 400 mm deep: 10 mm more than Rack has.' });
    expect(placeFault(job, two, { rack: rack(), bottomU: 9, face: 'front' })).toBeNull();
  });

  it('does not stand in its own way when it moves by a unit', () => {
    const placed = apply(
      job,
      { type: 'addGear', gear: [two] },
      { type: 'placeGear', gearId: 'two', rackId: 'rack', bottomU: 4 },
    );
    expect(placeFault(placed, two, { rack: rack(), bottomU: 5, face: 'front' })).toBeNull();
    expect(placesFor(placed, rack(), two)).toContain(5);
  });

  it('counts free units', () => {
    expect(freeUnits(rack(), Object.values(job.placements), job.gear)).toHaveLength(10);
  });
});

describe('planned placement', () => {
  it('gives all gear of the demo site its place, heavy things lowest, panels beside switches', () => {
    const { commands, left } = planPlacement(quillback());
    const at = (gearId: string) =>
      commands.flatMap((command) =>
        command.type === 'placeGear' && command.gearId === gearId ? [command.bottomU] : [],
      )[0] ?? 0;
    expect(left).toEqual([]);
    expect(at('ups')).toBe(1);
    expect(at('storage')).toBe(3);
    expect(at('panel-a') - at('switch-a')).toBe(1);
    expect(at('panel-b') - at('switch-b')).toBe(1);
  });

  it('keeps what stands and says what finds no place', () => {
    const big = Gear.parse({ id: 'big', name: 'Big', kind: 'server', heightU: 11, depthMm: 100 });
    const deep = Gear.parse({ id: 'deep', name: 'Deep', kind: 'server', heightU: 1, depthMm: 900 });
    const job = apply(bench(), { type: 'addGear', gear: [big, deep] });
    const { commands, left } = planPlacement(job);
    expect(commands).toEqual([]);
    expect(left.map(({ why }) => why)).toEqual([
      'Big finds no 11 free units side by side.',
      'Deep is 900 mm deep: 500 mm more than Rack has.',
    ]);
  });
});
