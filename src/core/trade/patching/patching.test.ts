import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, patched, quillback } from '../../../../tests/support/jobs';
import { findSnags } from '../../findings/snags/findSnags';
import { patchCordsOf } from '../../job/document/cordKinds';
import { indexJob } from '../../job/document/jobIndex';
import { PortGroup } from '../../job/records/gear';
import { portAt } from '../../job/records/ports';
import { planLanding } from '../panels/planLanding';
import { planJob } from '../wholeJob/planJob';
import { cordPathMm, endsMm, stockLengthMm } from './cords/cordLength';
import { portFault } from './fitness';
import { planPatching } from './planPatching';
import { runBehind, switchLoads } from './switchLoad';

const landed = (job: ReturnType<typeof bench>) => {
  const { landings } = planLanding(job);
  return landings.length > 0 ? apply(job, { type: 'landRuns', landings }) : job;
};
const whys = (job: ReturnType<typeof bench>) => planPatching(job).left.map(({ why }) => why);

describe('landing in label order', () => {
  it('fills panels from the top, keeps what is landed, and says what finds no port', () => {
    const labels = Array.from({ length: 26 }, (_, at) => [String(at + 1), {}]);
    const job = apply(bench(Object.fromEntries(labels)), {
      type: 'landRuns',
      landings: [{ runId: 'run-9', panelId: 'panel', port: 1 }],
    });
    const { landings, left } = planLanding(job);
    expect(landings.slice(0, 2)).toEqual([
      { runId: 'run-1', panelId: 'panel', port: 2 },
      { runId: 'run-2', panelId: 'panel', port: 3 },
    ]);
    expect(left.map(({ why }) => why)).toEqual(['25 finds no free panel port.', '26 finds no free panel port.']);
  });
});

describe('patching the rest', () => {
  it('gives every live run of the demo site a port but the one that no port is fast enough for', () => {
    const job = landed(planJob({ ...quillback() }).job);
    const index = indexJob(job);
    const unpatched = index.runsInOrder.filter(
      (run) =>
        run.device && ![...index.cordAtPanelPort.values()].some((cord) => runBehind(index.job, cord)?.id === run.id),
    );
    expect(unpatched.map((run) => run.label)).toEqual(['16', 'TV1']);
  });

  it('leaves runs without a device alone unless asked', () => {
    const job = landed(bench({ 1: { device: 'desk' }, 2: {} }));
    expect(planPatching(job).cords).toHaveLength(1);
    expect(planPatching(job, { includeSpare: true }).cords).toHaveLength(2);
  });

  it('keeps ports fixed by hand', () => {
    const job = patched(bench({ 1: { device: 'a' }, 2: { device: 'b' } }), '1');
    const both = apply(job, { type: 'landRuns', landings: [{ runId: 'run-2', panelId: 'panel', port: 2 }] });
    expect(planPatching(both).cords).toMatchObject([{ panelPort: 2, switchPort: 2 }]);
  });

  it('gives no power port away that a camera needs', () => {
    const four = {
      ports: [
        PortGroup.parse({ count: 2, connector: 'rj45', speedMbps: 1000, poeW: 0 }),
        PortGroup.parse({ count: 2, connector: 'rj45', speedMbps: 1000, poeW: 30 }),
      ],
    };
    const job = landed(
      bench(
        {
          1: { device: 'desk' },
          2: { device: 'desk' },
          3: { device: 'camera', poeW: 9 },
          4: { device: 'camera', poeW: 9 },
        },
        four,
      ),
    );
    const on = new Map(planPatching(job).cords.map((cord) => [cord.panelPort, cord.switchPort]));
    expect([on.get(1), on.get(2)].sort()).toEqual([1, 2]);
    expect([on.get(3), on.get(4)].sort()).toEqual([3, 4]);
  });

  it('says why a run is left out', () => {
    expect(whys(landed(bench({ 1: { device: 'aerial', carries: 'coax' } })))).toEqual([
      '1 carries coax, which no switch takes.',
    ]);
    expect(whys(bench({ 1: { device: 'desk' } }))).toEqual(['1 is not landed on a panel yet.']);
    expect(whys(landed(bench({ 1: { device: 'desk', speedMbps: 10_000 } })))).toEqual([
      '1 needs 10 Gb/s; the fastest free port for ethernet is 1 Gb/s.',
    ]);
    expect(whys(landed(bench({ 1: { device: 'camera', poeW: 45 } })))).toEqual([
      '1 needs a port that supplies 60 W; the strongest free one supplies 30 W.',
    ]);
    expect(whys(landed(bench({ 1: { device: 'heater', poeW: 80 } })))).toEqual([
      '1 draws 80 W: no power class of IEEE 802.3 carries that.',
    ]);
    const many = Object.fromEntries(Array.from({ length: 9 }, (_, at) => [at + 1, { device: 'desk' }]));
    expect(whys(landed(bench(many)))).toEqual([expect.stringMatching(/^\d has no port: every port that fits went/)]);
  });

  it('patches slower where that is wished, on the fastest port that is left, and offers an injector', () => {
    const job = bench({
      1: { carries: 'ethernet', device: 'access point', speedMbps: 2500, poeW: 20 },
      2: { carries: 'ethernet', device: 'mast', speedMbps: 1000, poeW: 60 },
    });
    const landed = apply(job, {
      type: 'landRuns',
      landings: [1, 2].map((port) => ({ runId: `run-${port}`, panelId: 'panel', port })),
    });
    const [dark, mast] = planPatching(landed).left;
    expect(dark?.letsIn[0]).toBe('patching it at 1 Gb/s, slower than it wants');
    expect(mast?.letsIn.join()).toMatch(/a power injector of 75 W/);
    const slower = planPatching(landed, { slower: true });
    expect(slower.cords).toHaveLength(1);
    expect(slower.why['run-1']).toMatch(/slower than it wants, at 1 Gb\/s/);
    expect(slower.left.map(({ runId }) => runId)).toEqual(['run-2']);
    const patched = apply(landed, { type: 'patchPorts', cords: slower.cords });
    expect(findSnags(patched).some((snag) => snag.rule === 'port-too-slow')).toBe(true);
  });

  it('keeps critical runs where a budget is short, and says what would let the others in', () => {
    const runs = {
      1: { device: 'camera', poeW: 20 },
      2: { device: 'camera', poeW: 20, critical: true },
      3: { device: 'camera', poeW: 20 },
    };
    const plan = planPatching(landed(bench(runs, { poeBudgetW: 47.2 })));
    expect(plan.proven).toBe(true);
    expect(plan.cords.map((cord) => cord.panelPort)).toContain(2);
    expect(plan.left).toHaveLength(1);
    expect(plan.left[0]?.why).toMatch(/^[13] needs 23.5 W; the power budget has 0.1 W left beside a free port\.$/);
    expect(plan.left[0]?.letsIn[0]).toBe('23.4 W more of power budget on Switch');
  });

  it('never breaks a port, a budget or a fixed cord, whatever the runs', () => {
    const run = fc.record({
      device: fc.constantFrom('', 'x'),
      carries: fc.constantFrom('ethernet' as const, 'ethernet' as const, 'fibre' as const, 'coax' as const),
      poeW: fc.constantFrom(0, 0, 5, 12, 24, 50),
      speedMbps: fc.constantFrom(null, 100, 1000, 10_000),
      critical: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(run, { maxLength: 14 }), fc.integer({ min: 0, max: 130 }), (runs, poeBudgetW) => {
        const job = landed(bench(Object.fromEntries(runs.map((fields, at) => [at + 1, fields])), { poeBudgetW }));
        const plan = planPatching(job);
        const after = plan.cords.length > 0 ? apply(job, { type: 'patchPorts', cords: plan.cords }) : job;
        const index = indexJob(after);
        for (const cord of Object.values(patchCordsOf(after))) {
          const [behind, port] = [
            runBehind(index.job, cord),
            portAt(after.gear.switch ?? after.gear.panel ?? (undefined as never), cord.switchPort),
          ];
          expect(behind && port && portFault(behind, port)).toBeNull();
        }
        expect(switchLoads(index.job).get('switch')?.usedW ?? 0).toBeLessThanOrEqual(poeBudgetW + 1e-6);
        const live = runs.filter((fields) => fields.device !== '').length;
        expect(plan.cords.length + plan.left.length).toBe(live);
      }),
      { numRuns: 200 },
    );
  });
});

describe('cords (common practice, no source)', () => {
  it('go straight between neighbours and round the nearer side otherwise', () => {
    const ends = endsMm('standard');
    // Two plugs with boots of 35 mm, two quarter turns of half the least radius, 4 mm of ease: worked by hand.
    expect(ends).toBe(110);
    // The upper row of a panel of two units lies that much farther from the switch below it than the lower.
    expect(cordPathMm('straight', 100, 160, 89) - cordPathMm('straight', 100, 160, 44.45)).toBeCloseTo(44.55);
    expect(cordPathMm('straight', 100, 160, 44.45)).toBeCloseTo(60 + 44.45 + ends);
    expect(cordPathMm('manager', 100, 160, 2 * 44.45)).toBeCloseTo(60 + 2 * 44.45 + 120 + ends);
    expect(cordPathMm('side', 100, 160, 5 * 44.45)).toBeCloseTo(260 + 5 * 44.45 + 180 + ends);
    expect(cordPathMm('side', 400, 460, 5 * 44.45)).toBeCloseTo(2 * 482.6 - 860 + 5 * 44.45 + 180 + ends);
    expect(endsMm('slim')).toBeLessThan(ends);
    expect(endsMm('direct-attach')).toBeGreaterThan(ends);
  });

  it('come in the smallest stock length that covers the way', () => {
    const stock = [250, 500, 5000];
    // At least 50 mm to spare: a cord that only just reaches is pulled at.
    expect([1, 200, 201, 4950].map((mm) => stockLengthMm(stock, mm))).toEqual([250, 250, 500, 5000]);
    expect(stockLengthMm(stock, 4951)).toBeNull();
  });
});
