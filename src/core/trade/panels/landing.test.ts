import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, quillback } from '../../../../tests/support/jobs';
import { untwistMm } from '../../base/standards/landing';
import { findSnags } from '../../findings/snags/findSnags';
import type { RunChanges } from '../../job/commands/runs';
import { indexJob } from '../../job/document/jobIndex';
import { Gear, PortGroup } from '../../job/records/gear';
import { Pathway } from '../../job/records/pathway';
import { tailPaths } from '../runs/tailPath';
import { planJob } from '../wholeJob/planJob';
import { goesOutdoors } from './goesOutdoors';
import { jackFor, jackWords, landingParts } from './jacks';
import { minutesToMove, planLanding } from './planLanding';
import { rearBlocks } from './rowOrder';
import { panelCards, terminationCard } from './terminationCard';

const land = (job: ReturnType<typeof bench>, once: Parameters<typeof planLanding>[1] = {}) => {
  const plan = planLanding(job, once);
  return { plan, job: plan.landings.length > 0 ? apply(job, { type: 'landRuns', landings: plan.landings }) : job };
};
const portOf = (plan: ReturnType<typeof planLanding>) =>
  Object.fromEntries(plan.landings.map((row) => [row.runId, row.port]));
const rules = (job: ReturnType<typeof bench>) => new Set(findSnags(job).map((snag) => snag.rule));

describe('the landing plan', () => {
  it('keeps rooms together and leaves spares behind each', () => {
    const runs = {
      1: { room: 'North' },
      2: { room: 'South' },
      3: { room: 'North' },
    };
    const { plan } = land(bench(runs), { order: 'room', spares: 2 });
    expect(portOf(plan)).toEqual({ 'run-1': 1, 'run-3': 2, 'run-2': 5 });
    expect(plan).toMatchObject({ proven: true, disorder: 0 });
  });

  it('gives a run the number of its wall plate, and the others what is left', () => {
    const runs = { a: { outlet: 'plate 7' }, b: { outlet: 'plate 2' }, c: { outlet: 'desk' } };
    expect(portOf(land(bench(runs), { order: 'plate' }).plan)).toEqual({ 'run-a': 7, 'run-b': 2, 'run-c': 1 });
  });

  it('goes by bundles', () => {
    const runs = { 1: { bundle: 'B' }, 2: { bundle: 'A' }, 3: { bundle: 'B' } };
    expect(portOf(land(bench(runs), { order: 'bundle' }).plan)).toEqual({ 'run-2': 1, 'run-1': 2, 'run-3': 3 });
  });

  it('puts what is not copper at the far end of the panel, and on openings made for it', () => {
    const runs = { 1: {}, tv: { carries: 'coax' as const }, fon: { carries: 'telephone' as const } };
    const plan = land(bench(runs)).plan;
    expect(portOf(plan)).toMatchObject({ 'run-1': 1 });
    expect(portOf(plan)['run-tv']).toBeGreaterThan(20);
    const ports = [
      PortGroup.parse({ count: 4, connector: 'keystone' }),
      PortGroup.parse({ count: 2, connector: 'keystone', carries: 'coax' }),
    ];
    const mixed = apply(bench(runs), { type: 'editGear', gearId: 'panel', changes: { ports } });
    expect(portOf(land(mixed).plan)['run-tv']).toBe(5);
  });

  it('keeps runs that leave the building apart where that is wished: by their cable, or by a way that is outdoors', () => {
    const runs = { 1: {}, 2: { cable: 'Cat 6 outdoor' }, 3: {}, 4: {} };
    const job = apply(bench(runs), {
      type: 'keepRows',
      rows: [
        {
          table: 'pathways',
          record: Pathway.parse({
            id: 'duct',
            name: 'Duct',
            kind: 'conduit',
            surroundings: 'buried',
            widthMm: 50,
            lengthMm: 9000,
          }),
        },
        { table: 'passages', record: { id: 'passage', pathwayId: 'duct', runId: 'run-3' } },
      ],
    });
    expect(Object.values(job.runs).map((run) => goesOutdoors(job, run))).toEqual([false, true, true, false]);
    const ports = portOf(planLanding(job, { apart: true }));
    expect(ports).toMatchObject({ 'run-1': 1, 'run-4': 2 });
    for (const outdoor of ['run-2', 'run-3']) expect(ports[outdoor]).toBeGreaterThan(20);
  });

  it('puts a short tail where it reaches, whatever its label, with its loop', () => {
    const job = bench({ 1: { tailMm: 2000 }, 2: { tailMm: 2000 }, 3: { tailMm: 600 }, 4: { tailMm: 2000 } });
    const paths = tailPaths(indexJob(job), job.gear.panel as Gear, 'top');
    const { plan } = land(job);
    const port = portOf(plan)['run-3'] ?? 0;
    expect((paths?.get(port) ?? 0) + 500).toBeLessThanOrEqual(600);
    expect(plan).toMatchObject({ proven: true, left: [] });
    expect(rules(apply(job, { type: 'landRuns', landings: plan.landings })).has('tail-too-short')).toBe(false);
  });

  it('names a run that reaches nowhere, by how much, and the ways out', () => {
    const { plan } = land(bench({ 1: { tailMm: 300 } }));
    const [left] = plan.left;
    expect(left?.why).toMatch(/^1 reaches no free port: \d+ mm is missing to the nearest, Panel port \d+\.$/);
    // The panel is at the top already: it cannot be moved nearer.
    expect(left?.waysOut.map(({ words }) => words)).toEqual([
      'end it on a coupler and go on with a cord to the panel',
      expect.stringMatching(/^make it longer by \d+ mm with a joint/),
    ]);
    const low = apply(bench({ 1: { tailMm: 600 } }), {
      type: 'placeGear',
      gearId: 'panel',
      rackId: 'rack',
      bottomU: 4,
    });
    const [first] = land(low).plan.left[0]?.waysOut ?? [];
    const units = Number(/^move Panel (\d+) units? up$/.exec(first?.words ?? '')?.[1]);
    expect(units).toBeGreaterThan(0);
    expect(units).toBeLessThanOrEqual(8);
    const ways = left?.waysOut.flatMap(({ landing }) => (landing ? [landing] : [])) ?? [];
    expect(ways.map(({ joint }) => joint)).toEqual(['coupler', 'joint']);
    // Each of them can be taken as it is.
    const [, way] = ways as [(typeof ways)[number], (typeof ways)[number]];
    const joined = apply(bench({ 1: { tailMm: 300 } }), { type: 'landRuns', landings: [{ runId: 'run-1', ...way }] });
    expect(rules(joined).has('joint-in-link')).toBe(true);
    expect(rules(joined).has('tail-too-short')).toBe(false);
  });

  it('says what landing anew costs: minutes on a punch-down panel, half of one with keystones (common practice, no source)', () => {
    const runs = { 1: { room: 'South' }, 2: { room: 'North' } };
    const first = land(bench(runs)).job;
    const { plan } = land(first, { anew: true, order: 'room' });
    expect(plan.moved.map(({ minutes }) => minutes)).toEqual([0.5, 0.5]);
    const ports = [PortGroup.parse({ count: 24, connector: 'rj45' })];
    const punch = apply(first, { type: 'editGear', gearId: 'panel', changes: { ports } });
    expect(minutesToMove(punch, { panelId: 'panel', port: 1 })).toBe(6);
    expect(land(first, { anew: true }).plan).toMatchObject({ landings: [], moved: [] });
  });

  it('does not depend on the order in which runs are listed, and gives every port once', () => {
    const run = fc.record({
      room: fc.constantFrom('North', 'South', ''),
      tailMm: fc.constantFrom(null, 450, 620, 700, 900),
      carries: fc.constantFrom('ethernet' as const, 'ethernet' as const, 'coax' as const),
      entry: fc.constantFrom(null, 'bottom' as const),
    });
    const order = fc.constantFrom('label' as const, 'room' as const);
    fc.assert(
      fc.property(fc.array(run, { maxLength: 10 }), order, (fields, by) => {
        const runs = fields.map((one, at): [string, RunChanges] => [String(at + 1), one]);
        const plan = planLanding(bench(Object.fromEntries(runs)), { order: by });
        const job = bench();
        const turned = apply(
          job,
          ...(runs.length > 0
            ? [
                {
                  type: 'addRuns' as const,
                  runs: runs.toReversed().map(([label, one]) => ({ ...one, label, id: `run-${label}` })),
                },
              ]
            : []),
        );
        expect(portOf(planLanding(turned, { order: by }))).toEqual(portOf(plan));
        expect(plan.landings.length + plan.left.length).toBe(runs.length);
        expect(new Set(plan.landings.map((row) => row.port)).size).toBe(plan.landings.length);
        if (plan.landings.length > 0) {
          const after = apply(bench(Object.fromEntries(runs)), { type: 'landRuns', landings: plan.landings });
          const landed = new Set(plan.landings.map((row) => row.runId));
          const short = findSnags(after).filter(
            (snag) => snag.rule === 'tail-too-short' && landed.has(snag.runIds[0] ?? ''),
          );
          expect(short).toEqual([]);
        }
      }),
      { numRuns: 120 },
    );
  });

  it('answers for more runs than ports, and for inherited tails', () => {
    const many = Object.fromEntries(Array.from({ length: 30 }, (_, at) => [at + 1, {}]));
    expect(land(bench(many)).plan).toMatchObject({ landings: { length: 24 }, left: { length: 6 } });
    const { landings, left } = planLanding(marrowby());
    expect(landings.length + left.length).toBeGreaterThan(0);
  });
});

describe('parts and cards', () => {
  const job = planJob(quillback()).job;

  it('count jacks by what they carry, blanks and ties', () => {
    const { jacks, blanks, ties } = landingParts(job);
    expect(jacks.reduce((sum, one) => sum + one.count, 0)).toBe(40);
    expect(jacks.map(({ words }) => words)).toContain('coax, F keystone');
    expect(blanks).toBe(8);
    expect(ties).toBe(Object.values(job.gear).filter((gear) => gear.kind === 'panel').length * 6 - 2);
  });

  it('say what a run needs: the jack of its cable, or what the port is', () => {
    const run = { ...Object.values(job.runs)[0], cable: 'Cat 6A F/UTP', carries: 'ethernet' } as never;
    const port = (group: object) => ({ number: 1, ...PortGroup.parse({ count: 1, connector: 'keystone', ...group }) });
    expect(jackWords(jackFor(job, run, port({ fitting: 'tool-less' })))).toBe('Cat 6A screened keystone, tool-less');
    expect(jackFor(job, run, port({ category: '6' }))).toMatchObject({ category: '6', screened: false });
  });

  it('list pins, steps and who did what', () => {
    const [card] = panelCards(job, job.gear['panel-a'] as Gear);
    expect(card).toMatchObject({ wiring: 'B', done: { panel: null, outlet: null } });
    expect(card?.pins[0]).toEqual({ pin: 1, colour: 'white-orange', pair: 2 });
    // ANSI/TIA-568.0: 13 mm for category 5e and up, 75 mm for category 3.
    expect(untwistMm).toEqual({ category5eAndUp: 13, category3: 75 });
    const words = card?.steps.map((step) => step.words).join();
    expect(words).toContain('untwisted 13 mm at most');
    // ANSI/TIA-568.0: only pairs 2 and 3 change place between T568A and T568B.
    expect(words).toContain('B at both ends: with A at one and B at the other, pins 1, 2, 3, 6 arrive at 3, 6, 1, 2');
    const record = {
      id: 't',
      runId: card?.run.id ?? '',
      end: 'panel' as const,
      by: 'Nia',
      on: '2026-11-24',
      checks: [],
    };
    const done = apply(job, { type: 'keepRows', rows: [{ table: 'terminations', record }] });
    expect(terminationCard(done, card?.run as never).done.panel).toMatchObject({ by: 'Nia' });
  });

  it('draw the back of a punch-down panel: port 1 at the right, two levels with odd ports above', () => {
    const panel = (rowOrder: 'straight' | 'two-level') =>
      Gear.parse({
        id: 'p',
        name: 'p',
        kind: 'panel',
        heightU: 1,
        depthMm: 60,
        rowOrder,
        ports: [{ count: 6, connector: 'rj45' }],
      });
    expect(rearBlocks(panel('straight')).map(({ row, column }) => [row, column])).toEqual([
      [0, 0],
      [0, 1],
      [0, 2],
      [0, 3],
      [0, 4],
      [0, 5],
    ]);
    expect(rearBlocks(panel('two-level')).map(({ row, column }) => [row, column])).toEqual([
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
      [0, 2],
      [1, 2],
    ]);
  });

  it('are snags where category or screen do not go together', () => {
    const ports = [PortGroup.parse({ count: 24, connector: 'rj45', category: '6' })];
    const start = apply(bench({ 1: { cable: 'Cat 6A F/UTP' } }), {
      type: 'editGear',
      gearId: 'panel',
      changes: { ports },
    });
    const found = rules(land(start).job);
    expect(found.has('jack-too-low')).toBe(true);
    expect(found.has('screen-not-carried')).toBe(true);
    const right = [PortGroup.parse({ count: 24, connector: 'rj45', category: '6A', screened: true })];
    const mended = rules(apply(land(start).job, { type: 'editGear', gearId: 'panel', changes: { ports: right } }));
    expect(mended.has('jack-too-low') || mended.has('screen-not-carried')).toBe(false);
  });
});
