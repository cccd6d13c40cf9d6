import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { packRectangles } from '../../base/solve/packRectangles';
import { findSnags } from '../../findings/snags/findSnags';
import type { Job } from '../document/job';
import { clashes } from '../document/verify';
import { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { elevation } from './elevation';
import { shelfFault, shelfLayout } from './shelf';
import { loadedKg } from './space';

const shelf = Gear.parse({
  id: 'shelf',
  name: 'Shelf',
  kind: 'shelf',
  heightU: 1,
  depthMm: 200,
  widthMm: 400,
  massKg: 2,
  carriesKg: 1,
});
const kit = Gear.parse({ id: 'kit', name: 'Kit', kind: 'kit', heightU: 1, depthMm: 200, widthMm: 440, bays: 2 });
const box = (id: string, widthMm: number, depthMm: number, more: Partial<Gear> = {}) =>
  Gear.parse({
    id,
    name: id,
    kind: 'other',
    frame: 'free',
    ears: 'none',
    heightU: 1,
    heightMm: 30,
    widthMm,
    depthMm,
    massKg: 0.4,
    ...more,
  });
const job = apply(
  bench(),
  {
    type: 'addGear',
    gear: [shelf, kit, box('a', 200, 200), box('b', 200, 200), box('c', 60, 60), box('tall', 50, 50, { heightMm: 60 })],
  },
  { type: 'placeGear', gearId: 'shelf', rackId: 'rack', bottomU: 4 },
);
const on = (...ids: string[]) =>
  apply(job, ...ids.map((gearId) => ({ type: 'shelveGear' as const, gearId, carrierId: 'shelf', bay: null })));

describe('shelves', () => {
  it('carry what fits and count its mass', () => {
    const two = on('a', 'b');
    expect(shelfLayout(two, shelf)).toMatchObject({ left: [], proven: true });
    expect(loadedKg(two, shelf).sum).toBeCloseTo(2.8);
    expect(findSnags(two).some((snag) => snag.rule === 'shelf-too-full')).toBe(false);
  });

  it('say who is left over, and that no arrangement would do', () => {
    const snag = findSnags(on('a', 'b', 'c')).find((one) => one.rule === 'shelf-too-full');
    expect(snag?.what).toBe('Shelf has 400 mm × 200 mm: no arrangement holds all; c is left over.');
    const mended = apply(on('a', 'b', 'c'), ...(snag?.mends(on('a', 'b', 'c'))[0]?.commands ?? []));
    expect(findSnags(mended).some((one) => one.rule === 'shelf-too-full')).toBe(false);
  });

  it('are drawn again when a carried device changes', () => {
    const drawn = (of: Job) => elevation(of, of.racks.rack as Rack).items.find(({ gearId }) => gearId === 'shelf');
    const one = on('a');
    expect(drawn(one)).toBe(drawn(one));
    expect(drawn(one)?.carried.map(({ name }) => name)).toEqual(['a']);
    const changed = apply(one, { type: 'editGear', gearId: 'a', changes: { name: 'Recorder', massKg: 3 } });
    expect(drawn(changed)?.carried.map(({ name }) => name)).toEqual(['Recorder']);
    expect(drawn(changed)?.massKg.sum).toBeCloseTo(5);
    // A device elsewhere makes no difference.
    const other = apply(one, { type: 'editGear', gearId: 'b', changes: { massKg: 9 } });
    expect(drawn(other)).toBe(drawn(one));
  });

  it('are overloaded above their rating', () => {
    expect(findSnags(on('a', 'b', 'c')).find((one) => one.rule === 'shelf-overloaded')?.what).toBe(
      'Shelf carries 1.2 kg and is rated for 1 kg.',
    );
  });

  it('take nothing that is too high, has fixed ears, or carries others', () => {
    expect(shelfFault(job, shelf, job.gear.tall as Gear, null)).toContain('60 mm high');
    expect(shelfFault(job, shelf, job.gear.switch as Gear, null)).toContain('do not come off');
    expect(shelfFault(job, shelf, kit, null)).toContain('screwed to rails');
    expect(shelfFault(job, job.gear.panel as Gear, job.gear.a as Gear, null)).toContain('carries nothing');
  });

  it('of bays hold one each', () => {
    const one = apply(job, { type: 'shelveGear', gearId: 'a', carrierId: 'kit', bay: 1 });
    expect(shelfFault(one, kit, job.gear.b as Gear, 1)).toBe('Bay 1 of Kit holds a.');
    expect(shelfFault(one, kit, job.gear.b as Gear, 2)).toBeNull();
    expect(shelfFault(one, kit, job.gear.b as Gear, 3)).toContain('bays 1 to 2');
    const x = (of: typeof job) => shelfLayout(of, of.gear.kit as Gear).items[0]?.xMm;
    expect(x(one)).toBe(0);
    expect(x(apply(one, { type: 'shelveGear', gearId: 'a', carrierId: 'kit', bay: 2 }))).toBe(220);
  });

  it('and units exclude one another: a device stands in one place only', () => {
    const placed = apply(on('a'), {
      type: 'editGear',
      gearId: 'a',
      changes: { frame: '19-inch', ears: 'removable', depthMm: 100 },
    });
    const moved = apply(placed, { type: 'placeGear', gearId: 'a', rackId: 'rack', bottomU: 2 });
    expect(Object.keys(moved.shelvings)).toEqual([]);
    expect(clashes({ ...moved, shelvings: placed.shelvings })[0]).toContain('stands on a shelf and in units at once');
  });

  it('let go of what they carry when they go, and of a frame when it is taken away', () => {
    expect(Object.keys(apply(on('a'), { type: 'removeGear', gearIds: ['shelf'] }).shelvings)).toEqual([]);
    const gone = apply(on('a'), { type: 'removeRack', rackId: 'rack' });
    expect([Object.keys(gone.placements), Object.keys(gone.racks)]).toEqual([[], []]);
  });
});

describe('packing rectangles', () => {
  /** Every corner on a grid of whole numbers, tried one by one. */
  const bruteForce = (width: number, depth: number, boxes: { width: number; depth: number }[]): number => {
    let best = 0;
    const laid: { x: number; y: number; w: number; d: number }[] = [];
    const put = (at: number) => {
      best = Math.max(best, laid.length);
      const one = boxes[at];
      if (!one) return;
      put(at + 1);
      for (const [w, d] of [
        [one.width, one.depth],
        [one.depth, one.width],
      ] as [number, number][]) {
        for (let x = 0; x + w <= width; x++) {
          for (let y = 0; y + d <= depth; y++) {
            if (laid.some((o) => x < o.x + o.w && o.x < x + w && y < o.y + o.d && o.y < y + d)) continue;
            laid.push({ x, y, w, d });
            put(at + 1);
            laid.pop();
          }
        }
      }
    };
    put(0);
    return best;
  };

  it('places as many as trying every corner does, none over another', () => {
    const side = fc.integer({ min: 1, max: 4 });
    fc.assert(
      fc.property(
        side,
        side,
        fc.array(fc.record({ width: side, depth: side }), { maxLength: 4 }),
        (width, depth, boxes) => {
          const { places, proven } = packRectangles(width, depth, boxes);
          const laid = places.flatMap((place, at) => {
            const one = boxes[at];
            if (!place || !one) return [];
            const [w, d] = place.turned ? [one.depth, one.width] : [one.width, one.depth];
            expect(place.x + w <= width && place.y + d <= depth).toBe(true);
            return { ...place, w, d };
          });
          for (const [at, a] of laid.entries()) {
            for (const b of laid.slice(at + 1)) {
              expect(a.x >= b.x + b.w || b.x >= a.x + a.w || a.y >= b.y + b.d || b.y >= a.y + a.d).toBe(true);
            }
          }
          const best = bruteForce(width, depth, boxes);
          if (proven) expect(laid.length).toBe(best);
          else expect(laid.length).toBeLessThanOrEqual(best);
        },
      ),
      { numRuns: 150 },
    );
  });
});
