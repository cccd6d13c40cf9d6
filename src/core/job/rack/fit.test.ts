import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { findSnags } from '../../findings/snags/findSnags';
import { aimAt, aimWords, faceSeen } from '../../trade/rack/arrange/aim';
import type { Job } from '../document/job';
import { plugFrontMm, plugRearMm } from '../gear/body';
import { Gear } from '../records/gear';
import type { Face } from '../records/placement';
import type { Rack } from '../records/rack';
import { type FitKind, fitFaults, placeFault } from './fit';

const one = (fields: Partial<Gear> & { name?: string } = {}) =>
  Gear.parse({ id: 'one', name: 'One', kind: 'other', heightU: 1, depthMm: 200, ...fields });
const changed = (rack: Partial<Rack>) => apply(bench(), { type: 'editRack', rackId: 'rack', changes: rack });
const kinds = (
  gear: Gear,
  rack: Partial<Rack> = {},
  bottomU = 3,
  face: Face = 'front',
  job: Job = changed(rack),
): FitKind[] => {
  const there = job.racks.rack;
  if (!there) throw new Error('no rack');
  return fitFaults(job, gear, { rack: there, bottomU, face }).map((fault) => fault.kind);
};
const words = (gear: Gear, rack: Partial<Rack> = {}): string => {
  const job = changed(rack);
  const there = job.racks.rack;
  return there ? (fitFaults(job, gear, { rack: there, bottomU: 3, face: 'front' })[0]?.words ?? '') : '';
};
/** A device in the rack: the job with it. */
const placed = (gear: Gear, bottomU: number, face: Face = 'front', rack: Partial<Rack> = {}) =>
  apply(
    bench({}, {}, rack),
    { type: 'addGear', gear: [gear] },
    { type: 'placeGear', gearId: gear.id, rackId: 'rack', bottomU, face },
  );

describe('what is wrong with a place', () => {
  it('is nothing for what fits', () => expect(kinds(one())).toEqual([]));

  it('is a body that is too deep, and plugs that meet the back, with numbers', () => {
    expect(kinds(one({ depthMm: 401 }))).toContain('too-deep');
    const gear = one({ depthMm: 360, inlet: 'c14', inlets: 1 });
    expect(plugRearMm(gear)).toBe(60);
    expect(kinds(gear)).toEqual(['plugs-behind']);
    expect(words(gear)).toBe('One needs 420 mm with its plugs behind; Rack has 400 mm before the back: 20 mm short.');
    expect(kinds(one({ depthMm: 360, inlet: 'c14', inlets: 1, plugRearMm: 40 }))).toEqual([]);
  });

  it('is a door that the plugs keep open', () => {
    const gear = one({ ports: [{ ...Gear.shape.ports.unwrap().element.parse({ count: 4, connector: 'rj45' }) }] });
    // 35 mm of plug and boot, then a cord of 5.8 mm that turns with a radius of 23 mm: the cords' own figures.
    expect(plugFrontMm(gear)).toBe(64);
    expect(kinds(gear, { frontClearanceMm: 55 })).toEqual(['door-shut']);
    expect(kinds(gear, { frontClearanceMm: 64 })).toEqual([]);
    expect(kinds(gear)).toEqual([]);
  });

  it('is width: between the rails (450 mm, IEC 60297), and panels of the other frame', () => {
    expect(kinds(one({ widthMm: 450 }))).toEqual([]);
    expect(kinds(one({ widthMm: 451 }))).toEqual(['too-wide']);
    expect(kinds(one(), { frame: '10-inch' })).toContain('too-wide');
    expect(words(one({ frame: '10-inch' }))).toContain('mount kit');
  });

  it('is what holds it: no ears, rails that do not reach, two posts, ears alone', () => {
    expect(kinds(one({ ears: 'none' }))).toEqual(['no-ears']);
    const railed = { rails: 'needed', railLeastMm: 380, railMostMm: 620, massKg: 16 } as const;
    expect(kinds(one(railed))).toEqual([]);
    expect(kinds(one(railed), { rearRailMm: 350 })).toEqual(['rails-reach']);
    expect(words(one(railed), { posts: 2 })).toBe('One needs rails to four posts; Rack has two.');
    expect(kinds(one({ massKg: 13 }))).toEqual(['no-support']);
    expect(kinds(one({ massKg: 12 }))).toEqual([]);
    // A second pair of rear rails serves the units that it spans.
    const two = { rearRailMm: 300, innerRailMm: 400, innerFromU: 3, innerToU: 4 };
    expect(kinds(one(railed), two, 3)).toEqual([]);
    expect(kinds(one(railed), two, 5)).toEqual(['rails-reach']);
  });

  it('is a middle hole where the wide pattern has none', () => {
    expect(kinds(one({ holes: 'middle' }))).toEqual([]);
    expect(kinds(one({ holes: 'middle' }), { holePattern: 'wide' })).toEqual(['no-hole']);
    expect(kinds(one(), { holePattern: 'wide' })).toEqual([]);
  });

  it('is gear on the rear rails that it meets in the middle', () => {
    const rear = one({ id: 'rear', name: 'Rear', depthMm: 180 });
    const job = placed(rear, 3, 'rear');
    expect(kinds(one({ depthMm: 220 }), {}, 3, 'front', job)).toEqual([]);
    expect(kinds(one({ depthMm: 221 }), {}, 3, 'front', job)).toEqual(['meets-rear']);
    expect(kinds(one({ depthMm: 221 }), {}, 4, 'front', job)).toEqual([]);
    expect(kinds(one(), {}, 3, 'rear', job)).toContain('taken');
  });

  it('is an upright unit behind, for what is deep and for what is put on the wrong rails', () => {
    const upright = one({
      id: 'up',
      name: 'Upright',
      frame: 'upright',
      heightU: 6,
      depthMm: 50,
      widthMm: 50,
      ears: 'none',
    });
    expect(kinds(upright, {}, 1, 'front')).toEqual(['wrong-face']);
    const job = placed(upright, 1, 'rear-left');
    expect(kinds(one({ depthMm: 350 }), {}, 6, 'front', job)).toEqual([]);
    expect(kinds(one({ depthMm: 351 }), {}, 6, 'front', job)).toEqual(['plugs-behind']);
    expect(kinds(one({ depthMm: 351 }), {}, 7, 'front', job)).toEqual([]);
  });

  it('moves up with the device: only the edge, the neighbours and second rails are felt', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 50, max: 500 }),
        fc.constantFrom<Partial<Gear>>(
          {},
          { ears: 'none' },
          { rails: 'needed', railLeastMm: 500 },
          { massKg: 20 },
          { inlet: 'c14', inlets: 1 },
        ),
        fc.integer({ min: 1, max: 8 }),
        (heightU, depthMm, fields, bottomU) => {
          const gear = one({ ...fields, heightU, depthMm });
          const at = (unit: number) => kinds(gear, {}, unit).filter((kind) => kind !== 'outside' && kind !== 'taken');
          expect(at(bottomU + 1)).toEqual(at(bottomU));
        },
      ),
    );
  });

  it('stays the same for a whole rack that is moved up by a unit, but at its edge', () => {
    const device = fc.record({
      heightU: fc.integer({ min: 1, max: 3 }),
      depthMm: fc.integer({ min: 50, max: 450 }),
      rear: fc.boolean(),
      bottomU: fc.integer({ min: 1, max: 10 }),
    });
    fc.assert(
      fc.property(fc.array(device, { minLength: 1, maxLength: 6 }), (devices) => {
        const start = apply(bench(), { type: 'liftGear', gearIds: ['panel', 'switch'] });
        const gear = Object.fromEntries(
          devices.map(({ heightU, depthMm }, at) => [
            `d${at}`,
            one({ id: `d${at}`, name: `D${at}`, heightU, depthMm }),
          ]),
        );
        // Put where they are said to be, fit or not: what is told of them is what counts.
        const found = (up: number) => {
          const placements = Object.fromEntries(
            devices.map(({ bottomU, rear }, at) => [
              `p${at}`,
              {
                id: `p${at}`,
                gearId: `d${at}`,
                rackId: 'rack',
                bottomU: bottomU + up,
                face: rear ? ('rear' as const) : ('front' as const),
                pinned: false,
              },
            ]),
          );
          const job = { ...start, gear, placements };
          const rack = job.racks.rack as Rack;
          return Object.values(placements).map(({ gearId, bottomU, face }) =>
            fitFaults(job, gear[gearId] as Gear, { rack, bottomU, face })
              .map((fault) => fault.kind)
              .filter((kind) => kind !== 'outside'),
          );
        };
        expect(found(1)).toEqual(found(0));
      }),
    );
  });

  it('is the same on the front and on the rear rails of a rack that is the same from both sides', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 50, max: 420 }),
        fc.integer({ min: 1, max: 12 }),
        (heightU, depthMm, bottomU) => {
          const job = apply(bench(), { type: 'liftGear', gearIds: ['panel', 'switch'] });
          const hard = (face: Face) =>
            kinds(one({ heightU, depthMm }), {}, bottomU, face, job).filter(
              (kind) => kind === 'outside' || kind === 'too-deep' || kind === 'taken',
            );
          expect(hard('front')).toEqual(hard('rear'));
        },
      ),
    );
  });

  it('is told by snags with a source for what stands', () => {
    const job = placed(one({ depthMm: 360, inlet: 'c14', inlets: 1, massKg: 13, screwThread: '10-32' }), 3);
    const found = findSnags(job).filter((snag) => snag.gearIds.includes('one'));
    expect(found.map((snag) => snag.rule).sort()).toEqual(['plugs-meet-back', 'screw-threads', 'wants-support']);
    for (const snag of found) expect(snag.source.title).not.toBe('');
  });

  it('is mended by setting the rear rails where a device wants them', () => {
    const railed = one({ rails: 'needed', railLeastMm: 380, railMostMm: 620 });
    const job = placed(railed, 3, 'front', { rearRailMm: 300, rearRailLeastMm: 250, rearRailMostMm: 400 });
    const snag = findSnags(job).find((found) => found.rule === 'rails-do-not-reach');
    const mend = snag?.mends(job)[0];
    expect(mend?.label).toBe('Set the rear rails to 380 mm');
    expect(findSnags(apply(job, ...(mend?.commands ?? []))).some((found) => found.rule === 'rails-do-not-reach')).toBe(
      false,
    );
  });
});

describe('aiming', () => {
  const shelf = one({ id: 'shelf', name: 'Shelf', kind: 'shelf', depthMm: 250, widthMm: 440 });
  const hub = one({
    id: 'hub',
    name: 'Hub',
    kind: 'computer',
    frame: 'free',
    ears: 'none',
    widthMm: 100,
    heightMm: 30,
    depthMm: 100,
  });
  const job = apply(placed(shelf, 5), { type: 'addGear', gear: [hub] });
  const rack = job.racks.rack as Rack;

  it('puts what has no ears on a shelf, and says so elsewhere', () => {
    const aim = aimAt(job, rack, hub, 5, 'front');
    expect(aim).toMatchObject({ carrierId: 'shelf', fault: null, warnings: [] });
    expect(aimWords(job, hub, aim)).toBe('on Shelf');
    expect(aimAt(job, rack, hub, 6, 'front').fault).toContain('no ears');
  });

  it('warns of what will bite and still lets it be placed', () => {
    const heavy = one({ massKg: 20 });
    const aim = aimAt(job, rack, heavy, 2, 'front');
    expect(aim.fault).toBeNull();
    expect(aim.warnings[0]).toContain('hangs by its ears alone');
    expect(placeFault(job, heavy, { rack, bottomU: 2, face: 'front' })).toBeNull();
  });

  it('turns left and right round behind', () => {
    const upright = one({ frame: 'upright', ears: 'none' });
    expect([faceSeen(upright, 'front', true), faceSeen(upright, 'rear', true)]).toEqual(['left', 'rear-right']);
    expect(faceSeen(one(), 'rear', true)).toBe('rear');
  });
});

describe('room at the sides', () => {
  const upright = one({
    id: 'up',
    name: 'Upright',
    frame: 'upright',
    heightU: 6,
    depthMm: 50,
    widthMm: 52,
    ears: 'none',
  });
  const rules = (job: Job) => findSnags(job).map((snag) => snag.rule);

  it('is told when an upright unit is wider than it', () => {
    expect(rules(placed(upright, 1, 'left', { sideRoomMm: 51 }))).toContain('upright-too-wide');
    expect(rules(placed(upright, 1, 'left', { sideRoomMm: 52 }))).not.toContain('upright-too-wide');
  });

  it('is told when the landed cables do not go down it', () => {
    const runs = Object.fromEntries(Array.from({ length: 24 }, (_, at) => [at + 1, {}]));
    const job = apply(bench(runs), {
      type: 'landRuns',
      landings: Object.keys(runs).map((label, at) => ({ runId: `run-${label}`, panelId: 'panel', port: at + 1 })),
    });
    const room = (sideRoomMm: number) => apply(job, { type: 'editRack', rackId: 'rack', changes: { sideRoomMm } });
    // 12 cables of 6.5 mm on each side: 398 mm², in half of 100 mm times the room.
    expect(rules(room(7))).toContain('side-room-short');
    expect(rules(room(8))).not.toContain('side-room-short');
    expect(rules(job)).not.toContain('side-room-short');
  });
});
