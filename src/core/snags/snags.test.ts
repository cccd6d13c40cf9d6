import { describe, expect, it } from 'vitest';
import { apply, bench, patched, quillback } from '../../../tests/support/jobs';
import { readJobFile, writeJobFile } from '../formats/jobFile';
import { applyCommands } from '../job/apply';
import type { RunChanges } from '../job/commands/runs';
import type { Job } from '../job/job';
import { planJob } from '../plan';
import { findSnags, SNAG_RULES } from './findSnags';

const of = (job: Job, rule: string) => findSnags(job).filter((snag) => snag.rule === rule);
const one = (fields: RunChanges) => bench({ 1: { carries: 'ethernet', cable: 'Cat 6 U/UTP', ...fields } });

/** A job as its file with some records changed, since commands would not make it. */
function tampered(job: Job, change: (file: Record<string, { id: string; [field: string]: unknown }[]>) => void): Job {
  const file = JSON.parse(writeJobFile(job));
  change(file);
  return readJobFile(JSON.stringify(file));
}

describe('every rule', () => {
  it('names its source, or says that there is none', () => {
    for (const { source, why } of SNAG_RULES) {
      expect(source.title).toMatch(/IEEE|TIA|EIA|ISO|EN \d|NFPA|jam ratio|common practice, no source/);
      expect(why.length).toBeGreaterThan(10);
    }
    expect(new Set(SNAG_RULES.map((rule) => rule.id)).size).toBe(SNAG_RULES.length);
  });

  it('offers mends that can be applied and that take its snag away', () => {
    const weak = patched(
      bench({ 1: { device: 'camera', poeW: 45 }, 2: { device: 'desk', speedMbps: 10_000, cable: 'Cat 5e' } }),
      '1',
      '2',
    );
    const full = apply(weak, { type: 'editRack', rackId: 'rack', changes: { depthMm: 60 } });
    let tried = 0;
    for (const snag of findSnags(full)) {
      for (const { commands } of snag.mends()) {
        const after = applyCommands(full, commands).job;
        expect(findSnags(after).map(({ id, grade }) => `${id} ${grade}`)).not.toContain(`${snag.id} ${snag.grade}`);
        tried += 1;
      }
    }
    expect(tried).toBeGreaterThanOrEqual(5);
  });
});

describe('lengths (TIA-568.1; ISO/IEC 11801-1)', () => {
  it('has its limit at 90 m of fixed cable', () => {
    expect(of(one({ lengthMm: 90_000 }), 'link-too-long')).toEqual([]);
    expect(of(one({ lengthMm: 90_001 }), 'link-too-long')).toHaveLength(1);
    expect(of(one({ lengthMm: null }), 'link-too-long')).toEqual([]);
    expect(of(one({ lengthMm: 150_000, carries: 'fibre' }), 'link-too-long')).toEqual([]);
  });

  it('counts the cords into the 100 m of the channel', () => {
    expect(of(one({ lengthMm: 95_000 }), 'channel-too-long')).toEqual([]);
    expect(of(one({ lengthMm: 95_001 }), 'channel-too-long')).toHaveLength(1);
    const withCord = patched(one({ lengthMm: 95_000 }), '1');
    expect(of(withCord, 'channel-too-long')).toHaveLength(1);
  });
});

describe('category', () => {
  it.each([
    ['Cat 5e', 1000, 80_000, null],
    ['Cat 5e', 10_000, 5_000, 'wont-work'],
    ['Cat 5e', 5000, 50_000, 'will-bite'],
    ['Cat 6', 10_000, 30_000, null],
    ['Cat 6', 10_000, 45_000, 'will-bite'],
    ['Cat 6', 10_000, 60_000, 'wont-work'],
    ['Cat 6A', 10_000, 85_000, null],
    ['Cat 8', 40_000, 20_000, null],
    ['Cat 8', 40_000, 30_000, 'wont-work'],
    ['telephone wire', 10_000, 30_000, null],
  ])('%s at %i Mb/s over %i mm: %s', (cable, speedMbps, lengthMm, grade) => {
    expect(of(one({ cable, speedMbps, lengthMm }), 'category-too-low').map((snag) => snag.grade)).toEqual(
      grade ? [grade] : [],
    );
  });
});

describe('power (IEEE 802.3)', () => {
  it('wants a port that supplies the class, not only the watts', () => {
    // 25.6 W is class 5, which needs 45 W from the port; the bench's ports supply 30 W.
    expect(of(patched(one({ poeW: 25.5, device: 'camera' }), '1'), 'poe-port-too-weak')).toEqual([]);
    expect(of(patched(one({ poeW: 25.6, device: 'camera' }), '1'), 'poe-port-too-weak')[0]?.what).toContain(
      'class 5, 45 W',
    );
    expect(of(patched(one({ poeW: 80, device: 'heater' }), '1'), 'poe-port-too-weak')[0]?.what).toContain(
      'more than any class',
    );
  });

  it('adds classes up against the budget: three of class 4 are 90 of 100 W, four are 120 W', () => {
    const runs = Object.fromEntries([1, 2, 3, 4].map((label) => [label, { poeW: 20, device: 'camera' }]));
    const three = of(patched(bench(runs), '1', '2', '3'), 'switch-budget');
    expect(three).toMatchObject([
      { grade: 'could-be-neater', what: 'Switch sets aside 90 W by power class of 100 W (90 %).' },
    ]);
    const four = of(patched(bench(runs), '1', '2', '3', '4'), 'switch-budget');
    expect(four).toMatchObject([{ grade: 'wont-work' }]);
    expect(four[0]?.mends()[0]?.label).toMatch(/^Unpatch/);
  });
});

describe('speed', () => {
  it('names a port that is too slow', () => {
    expect(of(patched(one({ speedMbps: 2500, cable: 'Cat 6A' }), '1'), 'port-too-slow')[0]?.what).toBe(
      '1 wants 2.5 Gb/s; Switch port 1 does 1 Gb/s.',
    );
    expect(of(patched(one({ speedMbps: 1000 }), '1'), 'port-too-slow')).toEqual([]);
  });
});

describe('space', () => {
  it('finds gear outside the rack and deeper than it', () => {
    const small = apply(bench(), { type: 'editRack', rackId: 'rack', changes: { units: 11, depthMm: 99 } });
    expect(of(small, 'outside-rack').map((snag) => snag.gearIds)).toEqual([['panel']]);
    expect(of(small, 'deeper-than-rack')).toHaveLength(2);
  });

  it('finds more mass than the rating', () => {
    const job = planJob(quillback()).job;
    expect(of(job, 'overloaded-rack')[0]?.what).toBe('Wall cabinet carries 69.9 kg of gear and is rated for 60 kg.');
    expect(of(apply(job, { type: 'liftGear', gearIds: ['ups'] }), 'overloaded-rack')).toEqual([]);
  });

  it('warns at 80 % of units and ports', () => {
    expect(of(bench({}, {}, { units: 12 }), 'few-spare-units')).toEqual([]);
    const tight = apply(
      bench({}, { heightU: 1 }),
      { type: 'placeGear', gearId: 'panel', rackId: 'rack', bottomU: 2 },
      { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 1 },
    );
    expect(of(apply(tight, { type: 'editRack', rackId: 'rack', changes: { units: 3 } }), 'few-spare-units')).toEqual(
      [],
    );
    expect(
      of(apply(tight, { type: 'editRack', rackId: 'rack', changes: { units: 2 } }), 'few-spare-units'),
    ).toMatchObject([{ grade: 'will-bite' }]);
    const runs = Object.fromEntries(Array.from({ length: 8 }, (_, at) => [at + 1, {}]));
    const labels = Object.keys(runs);
    expect(of(patched(bench(runs), ...labels.slice(0, 7)), 'few-spare-ports')).toEqual([]);
    expect(of(patched(bench(runs), ...labels), 'few-spare-ports')[0]?.what).toBe(
      '2 of 10 switch ports are free (80 % used).',
    );
  });
});

describe('what commands would not make, but a file may hold', () => {
  const base = patched(bench({ 1: {}, 2: {} }), '1', '2');

  it('finds labels missing and labels that stand twice', () => {
    expect(
      of(
        tampered(base, ({ runs }) => Object.assign(runs?.[0] ?? {}, { label: ' ' })),
        'label-missing',
      ),
    ).toHaveLength(1);
    const twice = of(
      tampered(base, ({ runs }) => Object.assign(runs?.[1] ?? {}, { label: '1' })),
      'label-twice',
    );
    expect(twice).toMatchObject([{ what: '2 runs are labelled 1.', runIds: ['run-1', 'run-2'] }]);
    expect(twice[0]?.mends()[0]?.label).toBe('Rename one to 1-2');
  });

  it('finds a run landed twice and a port landed twice', () => {
    const run = tampered(base, ({ landings }) =>
      landings?.push({ id: 'more', runId: 'run-1', panelId: 'panel', port: 9 }),
    );
    expect(of(run, 'landed-twice')[0]?.what).toContain('1 is landed twice');
    const port = tampered(base, ({ landings }) => Object.assign(landings?.[1] ?? {}, { port: 1 }));
    expect(of(port, 'landed-twice')[0]?.what).toContain('landed on one port');
  });

  it('finds a cord in a used port, and devices that share units', () => {
    const cord = tampered(base, ({ cords }) => Object.assign(cords?.[1] ?? {}, { switchPort: 1 }));
    expect(of(cord, 'cord-in-used-port')).toHaveLength(1);
    const units = tampered(base, ({ placements }) => Object.assign(placements?.[1] ?? {}, { bottomU: 12 }));
    expect(of(units, 'units-overlap')).toHaveLength(1);
  });

  it('finds a run on a port of another kind', () => {
    const fibre = tampered(base, ({ runs }) => Object.assign(runs?.[0] ?? {}, { carries: 'fibre' }));
    expect(of(fibre, 'wrong-port-kind')).toHaveLength(1);
  });
});

it('says of the planned demo site nothing that will not work', () => {
  expect(findSnags(planJob(quillback()).job).filter((snag) => snag.grade === 'wont-work')).toEqual([]);
});
