import { describe, expect, it } from 'vitest';
import { apply, bench, demoText } from '../../../../tests/support/jobs';
import { plugged, powered } from '../../../../tests/support/powered';
import { readGearFile } from '../../exchange/formats/gearFile';
import { circuits } from '../../job/records/circuit';
import { Gear } from '../../job/records/gear';
import { groupsOfCount, outletsOf } from '../../job/records/mainsSockets';
import { plugs } from '../../job/records/plug';
import { wallOutlets } from '../../job/records/wallOutlet';
import { seatedPlugs } from './coveredOutlets';
import { batteryAbove, carriedLoad, circuitAbove, circuitLoads, feedsOf } from './feeds';

const strip = (id: string, more: object = {}) =>
  Gear.parse({
    id,
    name: id,
    kind: 'distribution' as const,
    heightU: 1,
    depthMm: 60,
    inlet: 'cord' as const,
    inlets: 1,
    outlets: [{ count: 6 }],
    powerW: 0,
    ...more,
  });
const device = (id: string, watts: number | null, more: object = {}) =>
  Gear.parse({
    id,
    name: id,
    kind: 'server' as const,
    heightU: 1,
    depthMm: 300,
    inlet: 'c14' as const,
    inlets: 1,
    powerW: watts,
    powerFactor: 1,
    ...more,
  });
const wall = {
  table: 'wallOutlets' as const,
  record: wallOutlets.make({ id: 'wall', name: 'Wall', circuitId: 'c', count: 2 }),
};
const circuit = { table: 'circuits' as const, record: circuits.make({ id: 'c', name: 'C', breakerA: 10, alsoW: 0 }) };
const plug = (gearId: string, feedId: string | null, outlet: number, inlet = 1) => ({
  table: 'plugs' as const,
  record: plugs.make({
    id: `${gearId}-${inlet}`,
    gearId,
    inlet,
    feedId,
    wallId: feedId === null ? 'wall' : null,
    outlet,
  }),
});

/** A strip in the wall with two devices of 100 W and 40 W. */
const simple = () =>
  apply(
    bench(),
    { type: 'editJob', changes: { rules: 'europe' } },
    { type: 'addGear', gear: [strip('S'), device('A', 100), device('B', 40)] },
    { type: 'keepRows', rows: [circuit, wall, plug('S', null, 1), plug('A', 'S', 1), plug('B', 'S', 2)] },
  );

describe('feeds', () => {
  it('add up through strips to the circuit', () => {
    const job = simple();
    expect(carriedLoad(feedsOf(job), { id: 'S' }, 'full')).toEqual({ w: 140, va: 140, unknown: 0 });
    const [load] = circuitLoads(job);
    expect(load).toMatchObject({ full: { w: 140 }, limitA: 10, state: 'enough' });
    expect(load?.amps).toBeCloseTo(140 / 230, 9);
  });

  it('share the load of two supplies, or leave one idle', () => {
    const two = (supplies: string) =>
      apply(
        simple(),
        { type: 'addGear', gear: [device('D', 200, { inlets: 2, supplies })] },
        { type: 'keepRows', rows: [plug('D', 'S', 3), plug('D', null, 2, 2)] },
      );
    expect(carriedLoad(feedsOf(two('share')), { id: 'S' }, 'full').w).toBe(240);
    expect(carriedLoad(feedsOf(two('standby')), { id: 'S' }, 'full').w).toBe(340);
    expect(circuitLoads(two('share'))[0]?.full.w).toBe(340);
  });

  it('never judge what is not known as fine', () => {
    const job = apply(
      simple(),
      { type: 'addGear', gear: [device('U', null)] },
      { type: 'keepRows', rows: [plug('U', 'S', 4)] },
    );
    expect(circuitLoads(job)[0]).toMatchObject({ state: 'not judged', full: { unknown: 1 } });
    const bare = apply(simple(), {
      type: 'editRows',
      edits: [{ table: 'circuits', id: 'c', changes: { breakerA: null } }],
    });
    expect(circuitLoads(bare)[0]?.state).toBe('not judged');
  });

  it('refuse a plug that has no outlet, and a strip that would feed itself', () => {
    expect(() => apply(simple(), { type: 'keepRows', rows: [plug('A', 'S', 7)] })).toThrow('S has no outlet 7');
    expect(() => apply(simple(), { type: 'keepRows', rows: [plug('S', 'S', 3)] })).toThrow('would feed itself');
    expect(() => apply(simple(), { type: 'keepRows', rows: [plug('B', 'S', 1)] })).toThrow('Outlet 1 has a plug');
  });

  it('draw a wide plug over what it covers', () => {
    const job = apply(simple(), {
      type: 'editGear',
      gearId: 'A',
      changes: { plugWidthMm: 120 },
    });
    const seated = seatedPlugs(job, { feed: job.gear.S as Gear });
    expect(seated[0]?.covers).toEqual([]);
    expect(seated[0]?.meets.map(({ gear }) => gear.id)).toEqual(['B']);
    const moved = apply(job, { type: 'editRows', edits: [{ table: 'plugs', id: 'B-1', changes: { outlet: 6 } }] });
    expect(seatedPlugs(moved, { feed: moved.gear.S as Gear })[0]?.covers).toEqual([2]);
  });

  it('read a count of before as outlets of which nothing else is known', () => {
    expect(outletsOf({ kind: 'distribution', outlets: groupsOfCount(60) }).length).toBe(60);
    const { gear } = readGearFile(JSON.stringify({ gear: [{ ...strip('S'), outlets: 8 }] }));
    expect(gear[0]?.outlets).toHaveLength(1);
    expect(readGearFile(demoText('quillback-gear.json')).gear.find(({ id }) => id === 'ups')?.outlets).toHaveLength(2);
  });
});

describe('a place for every plug', () => {
  const job = powered();
  const feeds = feedsOf(job);

  it('puts what must stay on behind the battery where its plug goes in', () => {
    for (const id of ['switch-a', 'router', 'aggregation']) expect(batteryAbove(feeds, id, 1)?.id).toBe('ups');
    // The supply of the modem is its own plug, and the battery unit has none of those outlets.
    expect(batteryAbove(feeds, 'modem', 1)).toBeNull();
  });

  it('puts two supplies on two feeds', () => {
    expect(circuitAbove(feeds, 'storage', 1)).not.toBe(circuitAbove(feeds, 'storage', 2));
  });

  it('puts no two plugs into each other', () => {
    const rows = [
      ...feeds.units.map((feed) => ({ feed })),
      ...Object.values(job.wallOutlets).map((one) => ({ wall: one })),
    ];
    for (const row of rows) for (const one of seatedPlugs(job, row)) expect(one.meets).toEqual([]);
  });

  it('leaves out what would overload, says so, and what to buy', () => {
    const small = apply(simple(), { type: 'editGear', gearId: 'S', changes: { inputA: 1 } });
    const more = apply(small, { type: 'addGear', gear: [device('E', 150)] });
    const full = apply(more, {
      type: 'editRows',
      edits: [{ table: 'wallOutlets', id: 'wall', changes: { count: 1 } }],
    });
    const { plan } = plugged(full);
    expect(plan.left.map(({ gear }) => gear.id)).toEqual(['E']);
    expect(plan.left[0]?.why).toContain('overloaded');
    expect(plan.missing).toEqual([{ kind: 'c13', count: 1 }]);
    expect(plan.proven).toBe(true);
  });
});
