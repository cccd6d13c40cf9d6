import { describe, expect, it } from 'vitest';
import { apply, bench, patched, tarnbrook } from '../../../../tests/support/jobs';
import { cordBuilds, cordHabits } from '../../base/standards/cords';
import { readLengths } from '../../base/units/lengthList';
import { findSnags } from '../../findings/snags/findSnags';
import { patchCordsOf } from '../../job/document/cordKinds';
import { Gear } from '../../job/records/gear';
import { answerCommand } from '../survey/answers/answers';
import { cordCodes, cordCost, listCords, managerFills, pickList } from './cordList';
import { cordLengthMm, routeBetween } from './cords/cordLength';
import { hangingCords, sagOf } from './hangingCords';
import { patchCommands } from './patchCommands';
import { patchAlternatives, planPatching } from './planPatching';

const desk = { device: 'desk', networkId: null };
const one = () => patched(bench({ 1: desk }), '1');
const rules = (job: ReturnType<typeof bench>) => findSnags(job).map((snag) => snag.rule);
const ends = { panelId: 'panel', panelPort: 1, switchId: 'switch', switchPort: 1 };
const manager = Gear.parse({ id: 'mgr', name: 'Manager', kind: 'manager', heightU: 1, depthMm: 70, fillMm2: 100 });

describe('ways of cords (common practice, no source)', () => {
  it('go through a manager between the two, and round the side from an angled panel', () => {
    const job = one();
    expect(routeBetween(job, ends)?.way).toBe('straight');
    const between = apply(
      job,
      { type: 'addGear', gear: [manager] },
      { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 10 },
      { type: 'placeGear', gearId: 'mgr', rackId: 'rack', bottomU: 11 },
    );
    expect(routeBetween(between, ends)).toMatchObject({ way: 'manager', managerId: 'mgr' });
    const angled = apply(job, { type: 'editGear', gearId: 'panel', changes: { angled: true } });
    expect(routeBetween(angled, ends)?.way).toBe('side');
    expect(routeBetween(apply(job, answerCommand(job, 'cord-way', 'side')), ends)?.way).toBe('side');
    const far = apply(job, { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 1 });
    expect(routeBetween(far, ends)?.way).toBe('side');
  });

  it('come in the lengths that the job lists, metric or feet', () => {
    const job = one();
    const feet = apply(job, answerCommand(job, 'cord-lengths', '1 ft, 2 ft, 3 ft'));
    expect([304.8, 609.6, 914.4].map(Math.round)).toContain(cordLengthMm(feet, ends));
    expect(readLengths('0.5 m, 20 cm; 1 ft').mm).toEqual([200, 305, 500]);
    expect(() => answerCommand(job, 'cord-lengths', '0.5 m, long')).toThrow('“long”: expected a length');
    const none = apply(job, answerCommand(job, 'cord-lengths', '0.1 m'));
    expect(cordLengthMm(none, ends)).toBeNull();
    expect(rules(none)).toContain('cord-does-not-fit');
    expect(planPatching(apply(none, { type: 'unplug', cordIds: Object.keys(patchCordsOf(none)) })).left[0]?.why).toBe(
      '1 finds no port within reach: no cord in stock is long enough, or its network is not allowed there.',
    );
  });

  it('are judged as they lie: too tight, too long, with a mend', () => {
    const job = one();
    const [id] = Object.keys(patchCordsOf(job)) as [string];
    const as = (lengthMm: number) => apply(job, { type: 'editCords', cordIds: [id], changes: { lengthMm } });
    const snag = (of: typeof job) => findSnags(of).find((each) => each.rule === 'cord-does-not-fit');
    expect(listCords(as(100))[0]?.verdict).toBe('too tight');
    expect(snag(as(100))?.grade).toBe('wont-work');
    expect(snag(as(5000))?.grade).toBe('could-be-neater');
    const mended = apply(as(5000), ...(snag(as(5000))?.mends(as(5000))[0]?.commands ?? []));
    expect(snag(mended)).toBeUndefined();
    expect(listCords(mended)[0]?.verdict).toBe('fits');
  });

  it('hang lower the more is left over', () => {
    expect(sagOf(100, 0)).toBe(0);
    expect(sagOf(100, 200)).toBeGreaterThan(sagOf(100, 100));
    // A shallow bow: of arc length s over span w, s ≈ w + 8 h² / 3 w (Taylor of the parabola).
    const [span, rest] = [1000, 10];
    const sag = sagOf(span, rest);
    expect(span + (8 * sag ** 2) / (3 * span)).toBeCloseTo(span + 2 * rest, 0);
    const [cord] = hangingCords(one(), Object.values(one().racks)[0] as never);
    expect(cord?.points).toHaveLength(2);
    expect(cord?.points[1]?.y).toBeGreaterThan(cord?.points[0]?.y ?? Number.POSITIVE_INFINITY);
  });

  it('fill the manager, which is a snag above six tenths', () => {
    const runs = Object.fromEntries(Array.from({ length: 4 }, (_, at) => [at + 1, desk]));
    const job = apply(
      patched(bench(runs), '1', '2', '3', '4'),
      { type: 'addGear', gear: [manager] },
      { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 10 },
      { type: 'placeGear', gearId: 'mgr', rackId: 'rack', bottomU: 11 },
    );
    const [fill] = managerFills(job);
    expect(fill?.cords).toBe(4);
    expect(fill?.share).toBeCloseTo((4 * Math.PI * 5.8 ** 2) / 4 / 100, 9);
    expect(fill?.share).toBeGreaterThan(cordHabits.managerFull);
    expect(rules(job)).toContain('manager-overfull');
  });
});

describe('the pick list', () => {
  it('counts cords by length and colour with spares, and what they cost bought and made', () => {
    const job = patched(bench({ 1: desk, 2: desk, 3: desk }), '1', '2', '3');
    const picks = pickList(job);
    expect(picks.reduce((sum, pick) => sum + pick.count, 0)).toBe(3);
    expect(picks.every((pick) => pick.spare === 1)).toBe(true);
    const cost = cordCost(job);
    const metres = picks.reduce((sum, pick) => sum + ((pick.count + pick.spare) * pick.lengthMm) / 1000, 0);
    expect(cost.bought).toBeCloseTo(cost.cords * 2 + metres, 9);
    expect(cost.made).toBeCloseTo(cost.cords * 0.8 + metres * 0.4, 9);
    expect(cost.madeMinutes).toBe(cost.cords * 8);
    expect(cordBuilds.slim.areaMm2).toBeLessThan(cordBuilds.standard.areaMm2);
  });

  it('codes cords by network, floor or use, each with pattern and letter of its own', () => {
    const job = tarnbrook();
    const run = job.runs['run-18'] as never;
    expect(cordCodes(job)(run, true)).toMatchObject({ colour: 'blue', pattern: 'solid', letter: 'O' });
    const floors = apply(job, answerCommand(job, 'cord-colour', 'floor'));
    expect(cordCodes(floors)(run, true)).toMatchObject({ letter: 'U', words: 'Upper' });
    const use = apply(job, answerCommand(job, 'cord-colour', 'use'));
    const code = cordCodes(use);
    expect(code(run, true).words).toBe('critical');
    expect(
      new Set(['run-18', 'run-2', 'run-1'].map((id) => code(job.runs[id] as never, id !== 'run-1').letter)).size,
    ).toBe(3);
  });
});

describe('a map that is there already', () => {
  it('gets better with few cords moved, and best with all of them free', () => {
    const job = tarnbrook();
    const limits = () => ({ seed: 1, now: () => performance.now(), untilMs: performance.now() + 20_000 });
    const [none, few, free] = patchAlternatives(job, {}, limits).map((one) => one.plan);
    expect(none).toMatchObject({ moved: [], proven: true });
    expect(few?.proven && free?.proven).toBe(true);
    expect(few?.patched).toBeGreaterThan(none?.patched ?? 0);
    expect(free?.patched).toBe(few?.patched);
    expect(few?.moved.length).toBeLessThan((free?.moved.length ?? 0) / 2);
    expect(free?.cordMm).toBeLessThan(few?.cordMm ?? 0);
    const after = apply(job, ...patchCommands(few as never));
    expect(Object.keys(patchCordsOf(after))).toHaveLength(few?.patched ?? 0);
    expect(findSnags(after).some((snag) => snag.rule === 'switch-budget' && snag.grade === 'wont-work')).toBe(false);
  });

  it('leaves cords alone that were fixed by hand', () => {
    const job = tarnbrook();
    const cordIds = Object.keys(patchCordsOf(job));
    const fixed = apply(job, { type: 'fixCords', cordIds, fixed: true });
    expect(planPatching(fixed, { moves: 'free' })).toMatchObject({ moved: [], unplugged: [] });
  });
});

describe('schools of patching', () => {
  const runs = Object.fromEntries(Array.from({ length: 4 }, (_, at) => [at + 1, desk]));
  const landed = apply(bench(runs), {
    type: 'landRuns',
    landings: [5, 3, 8, 1].map((port, at) => ({ runId: `run-${at + 1}`, panelId: 'panel', port })),
  });

  it('give the same number where that is wished', () => {
    const { cords, why } = planPatching(landed, { school: 'number' });
    expect(cords.every((cord) => cord.panelPort === cord.switchPort)).toBe(true);
    expect(why['run-1']).toContain('has the same number');
  });

  it('group networks on the switch', () => {
    const networks = ['a', 'b'].map((name) => ({
      id: name,
      name,
      code: name,
      colour: 'blue' as const,
      pattern: 'solid' as const,
      number: null,
    }));
    const job = apply(landed, ...networks.map((network) => ({ type: 'addNetwork' as const, network })), {
      type: 'editRuns',
      edits: ['a', 'b', 'a', 'b'].map((network, at) => ({ runId: `run-${at + 1}`, changes: { network } })),
    });
    const plan = planPatching(job, { school: 'network' });
    const after = apply(job, ...patchCommands(plan));
    const byPort = Object.values(patchCordsOf(after))
      .sort((x, y) => x.switchPort - y.switchPort)
      .map((cord) => Object.values(after.landings).find((row) => row.port === cord.panelPort)?.runId ?? '')
      .map((id) => after.runs[id]?.networkId);
    expect([['a', 'a', 'b', 'b'].join(), ['b', 'b', 'a', 'a'].join()]).toContain(byPort.join());
  });

  it('spread critical runs over two switches', () => {
    const second = Gear.parse({
      id: 'second',
      name: 'Second',
      kind: 'switch',
      heightU: 1,
      depthMm: 100,
      ports: [{ count: 8, connector: 'rj45', speedMbps: 1000 }],
    });
    const job = apply(
      landed,
      { type: 'addGear', gear: [second] },
      { type: 'placeGear', gearId: 'second', rackId: 'rack', bottomU: 10 },
      {
        type: 'editRuns',
        edits: [1, 2, 3, 4].map((at) => ({ runId: `run-${at}`, changes: { critical: true } })),
      },
    );
    const on = (id: string) => planPatching(job).cords.filter((cord) => cord.switchId === id).length;
    expect([on('switch'), on('second')]).toEqual([2, 2]);
  });

  it('counts the draw that was entered with the loss of its class, or the class where that is chosen', () => {
    const camera = { device: 'camera', poeW: 6, poeClass: 2 };
    const hungry = apply(bench({ 1: camera, 2: camera, 3: camera }, { poeBudgetW: 20 }), {
      type: 'landRuns',
      landings: [1, 2, 3].map((at) => ({ runId: `run-${at}`, panelId: 'panel', port: at })),
    });
    // Class 2 sets 7 W aside: two fit into 20 W. By draw 6 × 7 / 6.49 = 6.47 W: three do.
    expect(planPatching(hungry).patched).toBe(3);
    expect(planPatching(apply(hungry, answerCommand(hungry, 'patch-power', 'class'))).patched).toBe(2);
  });
});
