import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, patched, quillback, surveyed } from '../../../../tests/support/jobs';
import type { RuleSetId } from '../../base/standards/ruleSets';
import { readJobFile, writeJobFile } from '../../exchange/formats/jobFile';
import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import type { RunChanges } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { CableKind } from '../../job/records/cableKind';
import { Gear } from '../../job/records/gear';
import { Mount } from '../../job/records/mount';
import { Pathway } from '../../job/records/pathway';
import { answerCommand } from '../../trade/survey/answers/answers';
import { planJob } from '../../trade/wholeJob/planJob';
import { findByRule, findSnags, findUnjudged, SNAG_RULES } from './findSnags';

const of = (job: Job, rule: string) => findSnags(job).filter((snag) => snag.rule === rule);
/** What a rule finds or cannot judge. */
const anyOf = (job: Job, id: string) => {
  const rule = SNAG_RULES.find((one) => one.id === id);
  return rule ? findByRule(rule, job) : [];
};
const under = (job: Job, rules: RuleSetId): Job => apply(job, { type: 'editJob', changes: { rules } });
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
      expect(source.title).toMatch(
        /IEEE|IEC|TIA|EIA|ISO|EN \d|NFPA|UL |WHO|ITIC|acoustics|Peukert|arithmetic|trade formula|jam ratio|statics|common practice/,
      );
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
      for (const { commands } of snag.mends(full)) {
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
    const cords = (job: Job, metres: string) => apply(job, answerCommand(job, 'outlet-cord', metres));
    expect(of(cords(one({ lengthMm: 90_000 }), '10'), 'channel-too-long')).toEqual([]);
    expect(of(cords(one({ lengthMm: 90_000 }), '10.1'), 'channel-too-long')).toHaveLength(1);
    const withCord = patched(cords(one({ lengthMm: 90_000 }), '10'), '1');
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

describe('what hangs, stands and carries', () => {
  const wall = { standing: 'wall' as const, ratedLoadKg: 40, emptyKg: 12, frontClearanceMm: 50 };
  const hung = (fields: object, gear: Partial<Gear> = { massKg: 10 }) =>
    apply(bench({}, gear, wall), {
      type: 'keepRows',
      rows: [{ table: 'mounts', record: Mount.parse({ id: 'm', rackId: 'rack', shearN: 1500, ...fields }) }],
    });

  it('is not judged while nothing was entered, and bites where the fixings do not hold', () => {
    const silent = anyOf(bench({}, { massKg: 10 }, wall), 'fixings-not-sound');
    expect(silent).toMatchObject([{ grade: 'not-judged', what: expect.stringContaining('not judged') }]);
    expect(of(hung({}), 'fixings-not-sound')).toEqual([]);
    expect(of(hung({ safetyFactor: 20, threadInMm: 26 }), 'fixings-not-sound')).toMatchObject([{ grade: 'wont-work' }]);
    expect(of(hung({ wall: 'plasterboard' }), 'fixings-not-sound')[0]?.what).toMatch(/Plasterboard alone/);
    expect(anyOf(hung({ shearN: null }), 'fixings-not-sound')[0]?.what).toMatch(/sideways/);
  });

  it('says what is not known of a load: rating, masses, the cabinet itself', () => {
    expect(of(hung({}), 'load-unknown')).toEqual([]);
    expect(anyOf(hung({}, { massKg: null }), 'load-unknown')[0]?.what).toMatch(/the mass of 1 device/);
    const bare = bench({}, {}, { standing: 'wall', ratedLoadKg: null, emptyKg: null });
    expect(anyOf(bare, 'load-unknown')).toMatchObject([
      { grade: 'not-judged', what: expect.stringMatching(/rated load.*its empty mass/) },
    ]);
    // A figure that nobody entered is no snag, and the rack is listed once, whatever cannot be judged of it.
    expect(of(bare, 'load-unknown')).toEqual([]);
    const listed = findUnjudged(bare).filter(({ rackIds }) => rackIds.includes('rack'));
    expect(listed).toHaveLength(1);
    expect(listed[0]?.what).toMatch(/load, wall mounting|wall mounting, load|load.*wall mounting/);
  });

  it('tips with its heaviest device drawn out, and on a gentle slope', () => {
    const floor = { standing: 'floor' as const, baseMm: 80, depthMm: 400 };
    const drawn = bench({}, { massKg: 40, depthMm: 390, rails: 'needed' }, floor);
    expect(of(drawn, 'may-tip')).toMatchObject([{ grade: 'wont-work' }]);
    const steady = apply(bench({}, { massKg: 20 }, floor), {
      type: 'placeGear',
      gearId: 'switch',
      rackId: 'rack',
      bottomU: 1,
    });
    expect(of(steady, 'may-tip')).toEqual([]);
    const shallow = bench({}, { massKg: 20, depthMm: 90 }, { ...floor, depthMm: 100 });
    expect(of(shallow, 'may-tip')).toMatchObject([
      { grade: 'will-bite', what: expect.stringMatching(/tips forwards/) },
    ]);
  });
});

describe('what a practitioner would say at once', () => {
  it('outlet cords longer than their gauge takes: 17 m of 26 AWG, 22 m of 24 (TIA-568.1)', () => {
    const job = bench({ 1: { lengthMm: 20_000 } });
    const said = (gauge: string, metres: string) =>
      of(
        apply(job, answerCommand(job, 'cord-awg', gauge), answerCommand(job, 'outlet-cord', metres)),
        'channel-too-long',
      ).map(({ what }) => what);
    expect(said('26', '18')).toContain('Cords of 18 m at the outlets: of 26 AWG they may be 17 m.');
    expect(said('26', '17')).toEqual([]);
    expect(said('24', '18')).toEqual([]);
  });

  it('data over coax, over copper-clad aluminium, and fast data over two pairs', () => {
    const what = (fields: RunChanges) => of(bench({ 1: fields }), 'cable-cannot-carry')[0]?.what ?? '';
    expect(what({ cable: 'RG6' })).toMatch(/data over RG6, which is coax/);
    expect(what({ cable: 'Cat 5e CCA' })).toMatch(/copper-clad/);
    expect(what({ cable: 'Cat 5 2-pair', speedMbps: 1000 })).toMatch(/two pairs/);
    expect(what({ cable: 'Cat 5 2-pair', speedMbps: 100 })).toBe('');
    expect(what({ cable: 'Cat 6 U/UTP', speedMbps: 1000 })).toBe('');
    expect(what({ cable: 'RG6', carries: 'coax' })).toBe('');
  });

  it('inherited cables that failed or were never tested, one finding for each', () => {
    const found = (state: 'failed' | 'tested' | 'pulled', device = '') => ({ origin: 'found' as const, state, device });
    const job = bench({ 1: found('pulled'), 2: found('pulled'), 3: found('failed', 'camera'), 4: found('tested') });
    expect(anyOf(job, 'inherited-unsure').map(({ grade, what }) => [grade, what])).toEqual([
      ['wont-work', '3 failed its test and has a device on it.'],
      ['not-judged', '2 runs (1 is the first): inherited cable not judged. Not known: a test of it.'],
    ]);
  });

  it('weight in the upper half, in a cabinet on the floor sooner than on a wall', () => {
    const heavy = (standing: 'wall' | 'floor') => of(bench({}, { massKg: 12 }, { standing }), 'heavy-high');
    expect(heavy('floor')).toMatchObject([
      { grade: 'will-bite', what: 'Switch, 12 kg, stands in U11: in the upper half of Rack.' },
    ]);
    expect(heavy('wall')).toMatchObject([{ grade: 'could-be-neater' }]);
    expect(of(bench({}, { massKg: 9 }), 'heavy-high')).toEqual([]);
  });

  it('copper that leaves the building without a word of protectors', () => {
    const job = bench({ 1: { cable: 'Cat 6 U/UTP outdoor' } });
    const outdoor = CableKind.parse({ id: 'k', name: 'Cat 6 U/UTP outdoor', diameterMm: 7, ratings: ['outdoor'] });
    const kept = apply(job, { type: 'keepRows', rows: [{ table: 'cableKinds', record: outdoor }] });
    expect(of(kept, 'copper-outdoors')[0]?.what).toMatch(/1 copper run goes outdoors \(1 is the first\)/);
    expect(of(apply(kept, answerCommand(kept, 'outdoor-protectors', 'yes')), 'copper-outdoors')).toEqual([]);
    expect(of(job, 'copper-outdoors')).toEqual([]);
  });

  it('all critical runs on one of two switches', () => {
    const runs = {
      1: { device: 'till', critical: true },
      2: { device: 'alarm', critical: true },
      3: { device: 'desk' },
    };
    const two = apply(bench(runs), {
      type: 'addGear',
      gear: [
        Gear.parse({
          id: 'second',
          name: 'Second',
          kind: 'switch',
          heightU: 1,
          depthMm: 100,
          ports: bench().gear.switch?.ports,
        }),
      ],
    });
    const on = (third: string) =>
      apply(patched(two, '1', '2', '3'), {
        type: 'patchPorts',
        cords: [
          { panelId: 'panel', panelPort: 3, switchId: third, switchPort: third === 'second' ? 1 : 3, fixed: true },
        ],
      });
    expect(of(on('second'), 'critical-on-one')[0]?.what).toBe(
      'All 2 critical runs are on Switch, of 2 switches in use.',
    );
    expect(of(on('switch'), 'critical-on-one')).toEqual([]);
  });

  it('more than 24 cables with power in one pathway (TSB-184-A, from memory)', () => {
    const through = (count: number) => {
      const runs = Object.fromEntries(Array.from({ length: count }, (_, at) => [at + 1, { poeW: 10 }]));
      return of(
        apply(bench(runs), {
          type: 'keepRows',
          rows: [
            {
              table: 'pathways',
              record: Pathway.parse({
                id: 'tray',
                name: 'Tray',
                kind: 'tray',
                widthMm: 300,
                heightMm: 60,
                lengthMm: 9000,
              }),
            },
            ...Object.keys(runs).map((label) => ({
              table: 'passages' as const,
              record: { id: `p${label}`, runId: `run-${label}`, pathwayId: 'tray' },
            })),
          ],
        }),
        'powered-together',
      );
    };
    expect(through(24)).toEqual([]);
    expect(through(25)[0]?.what).toMatch(/25 cables with power lie together in Tray/);
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
    const byClass = apply(bench(runs), answerCommand(bench(runs), 'patch-power', 'class'));
    const three = of(patched(byClass, '1', '2', '3'), 'switch-budget');
    // By the draw that was entered: 20 W and the loss of class 4.
    const drawn = of(patched(bench(runs), '1', '2', '3', '4'), 'switch-budget');
    expect(drawn[0]).toMatchObject({ grade: 'will-bite', what: expect.stringContaining('94.1 W of its 100 W') });
    expect(three).toMatchObject([
      { grade: 'could-be-neater', what: 'Switch sets aside by class 90 W of its 100 W PoE budget (90 %).' },
    ]);
    const four = of(patched(byClass, '1', '2', '3', '4'), 'switch-budget');
    expect(four).toMatchObject([{ grade: 'wont-work' }]);
    expect(four[0]?.mends(patched(byClass, '1', '2', '3', '4'))[0]?.label).toMatch(/^Unpatch/);
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
    const same = tampered(base, ({ runs }) => Object.assign(runs?.[1] ?? {}, { label: '1' }));
    const twice = of(same, 'label-twice');
    expect(twice).toMatchObject([{ what: '2 runs are labelled 1.', runIds: ['run-1', 'run-2'] }]);
    expect(twice[0]?.mends(same)[0]?.label).toBe('Rename one to 1-2');
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
    const cord = tampered(base, ({ cords }) => Object.assign(cords?.[1] ?? {}, { toPort: 1 }));
    expect(of(cord, 'cord-in-used-port')).toHaveLength(1);
    const units = tampered(base, ({ placements }) => Object.assign(placements?.[1] ?? {}, { bottomU: 12 }));
    expect(of(units, 'units-overlap')).toHaveLength(1);
  });

  it('finds a run on a port of another kind', () => {
    const fibre = tampered(base, ({ runs }) => Object.assign(runs?.[0] ?? {}, { carries: 'fibre' }));
    expect(of(fibre, 'wrong-port-kind')).toHaveLength(1);
  });
});

it('says of the planned demo site what will not work, and nothing else', () => {
  const grave = findSnags(planJob(quillback()).job).filter((snag) => snag.grade === 'wont-work');
  expect(grave.map((snag) => snag.rule)).toEqual([
    'overloaded-rack',
    // One run needs 10 Gb/s on copper, and no wall outlet is known that the UPS could be plugged into.
    'live-unpatched',
    'inlets-unplugged',
  ]);
});

describe('the survey and the ways of cables', () => {
  const site = surveyed();
  const keep = (job: Job, ...rows: Extract<Command, { type: 'keepRows' }>['rows']) =>
    apply(job, { type: 'keepRows', rows });
  const path = (fields: object) =>
    Pathway.parse({ id: 'p', name: 'Way', kind: 'conduit', widthMm: 26.6, lengthMm: 5000, ...fields });
  const cables = Array.from({ length: 12 }, (_, at) => String(at + 1));
  const runs = (count: number, fields: RunChanges = {}) =>
    bench(Object.fromEntries(cables.slice(0, count).map((label) => [label, { cable: 'Cat 6 U/UTP', ...fields }])));
  const laid = (count: number, fields: object, run: RunChanges = {}) => {
    const job = runs(count, run);
    const passages = cables.slice(0, count).map((label) => ({
      table: 'passages' as const,
      record: { id: `p${label}`, pathwayId: 'p', runId: `run-${label}` },
    }));
    return keep(job, { table: 'pathways', record: path(fields) }, ...passages);
  };
  const mended = (job: Job, rule: string) => {
    const [snag] = of(job, rule);
    const [mend] = snag?.mends(job) ?? [];
    return mend ? apply(job, ...mend.commands) : job;
  };

  it('warm cable reaches less far: 86.4 m at 30 °C (ISO/IEC 11801-1)', () => {
    const warm = (lengthMm: number) =>
      keep(one({ lengthMm }), { table: 'answers', record: { id: 'route-c', value: '30', note: '' } });
    expect(of(warm(86_400), 'link-too-long')).toEqual([]);
    expect(of(warm(86_500), 'link-too-long')[0]?.what).toMatch(/the limit is 86.4 m at 30 °C/);
  });

  it('thin cords cost reach: at 90 m, 26 AWG allows 8 m and 28 AWG 6.1 m (ANSI/TIA-568)', () => {
    const cords = (awg: string, mm: string) =>
      keep(
        one({ lengthMm: 90_000 }),
        { table: 'answers', record: { id: 'cord-awg', value: awg, note: '' } },
        { table: 'answers', record: { id: 'outlet-cord', value: mm, note: '' } },
      );
    expect(of(cords('26', '8000'), 'channel-too-long')).toEqual([]);
    expect(of(cords('26', '8100'), 'channel-too-long')[0]?.what).toMatch(/26 AWG may be 8 m/);
    expect(of(cords('28', '6200'), 'channel-too-long')[0]?.source.mark).toBe('from memory');
  });

  it('power does not arrive over thin and warm copper', () => {
    const far = keep(
      one({ lengthMm: 90_000, poeW: 25.5, cable: 'Thin' }),
      {
        table: 'cableKinds',
        record: CableKind.parse({ id: 'thin', name: 'Thin', diameterMm: 4, gaugeAwg: 28 }),
      },
      { table: 'answers', record: { id: 'route-c', value: '60', note: '' } },
    );
    expect(of(far, 'poe-feed-weak')[0]?.grade).toBe('wont-work');
    expect(of(one({ lengthMm: 85_000, poeW: 25.5 }), 'poe-feed-weak')).toEqual([]);
  });

  it('a conduit is filled to 40 % by seven cables of 6.0 mm and not by nine; the mend takes the next size (NFPA 70)', () => {
    expect(of(laid(7, {}), 'pathway-overfull')).toEqual([]);
    const nine = laid(9, {});
    expect(of(nine, 'pathway-overfull')[0]).toMatchObject({ grade: 'will-bite' });
    expect(of(mended(nine, 'pathway-overfull'), 'pathway-overfull')).toEqual([]);
    expect(of(laid(12, { widthMm: 20.9 }), 'pathway-overfull')[0]?.grade).toBe('wont-work');
    expect(of(laid(6, { kind: 'tray', widthMm: 30, heightMm: 20 }), 'pathway-overfull')[0]?.grade).toBe(
      'could-be-neater',
    );
  });

  it('three bends want a pull point, a tight bend is named (ANSI/TIA-569)', () => {
    const bent = laid(1, { bends: 3, bendRadiusMm: 100 });
    expect(of(bent, 'pathway-bends')).toHaveLength(2);
    expect(of(mended(bent, 'pathway-bends'), 'pathway-bends')).toHaveLength(1);
    expect(of(laid(1, { bends: 2, bendRadiusMm: 160 }), 'pathway-bends')).toEqual([]);
  });

  it('mains nearer than 50 mm, or than A = S × P, is named', () => {
    const near = laid(1, { mainsMm: 49 });
    expect(of(under(near, 'north-america'), 'pathway-near-mains')[0]?.source.title).toBe(
      'NFPA 70 800.133(A), since 2020 805.133(A); of cable with power, 725.136',
    );
    expect(of(under(near, 'united-kingdom'), 'pathway-near-mains')[0]?.source.title).toMatch(/BS 6701/);
    expect(of(laid(1, { mainsMm: 50 }), 'pathway-near-mains')).toEqual([]);
    expect(of(laid(1, { mainsMm: 59, mainsCircuits: 8 }), 'pathway-near-mains')[0]?.what).toMatch(/60 mm/);
    expect(of(laid(1, { mainsMm: 5, containment: 'solid-metal' }), 'pathway-near-mains')).toEqual([]);
  });

  it('hooks stand at most 1.5 m apart (ANSI/TIA-569)', () => {
    const wide = laid(1, { kind: 'hooks', spacingMm: 1600 });
    expect(of(wide, 'hooks-far-apart')).toHaveLength(1);
    expect(of(mended(wide, 'hooks-far-apart'), 'hooks-far-apart')).toEqual([]);
  });

  it('a way kept for others, three cables that jam, and a jacket that may not lie there', () => {
    expect(of(laid(1, { reservedFor: 'the landlord' }), 'pathway-reserved')).toHaveLength(1);
    expect(of(laid(3, { widthMm: 18 }), 'conduit-may-jam')).toHaveLength(1);
    const open = { kind: 'tray' as const, widthMm: 100, heightMm: 50 };
    const buried = laid(2, { ...open, surroundings: 'buried' });
    expect(of(buried, 'cable-not-rated')[0]?.what).toBe('Way is buried: 1, 2 are not of direct-burial cable.');
    const dry = mended(buried, 'cable-not-rated');
    expect(of(dry, 'cable-not-rated')).toEqual([]);
    expect(Object.values(dry.runs).map((run) => run.cable)).toEqual(['Cat 6 direct burial', 'Cat 6 direct burial']);
    expect(of(laid(2, { surroundings: 'riser' }, { cable: 'Cat 6 U/UTP plenum' }), 'cable-not-rated')).toEqual([]);
    // In a conduit in the ground outdoor cable will do; riser and plenum are listings of North America.
    const outdoor = CableKind.parse({ id: 'k', name: 'Cat 6 outdoor', diameterMm: 7, ratings: ['outdoor'] });
    const inConduit = laid(1, { surroundings: 'buried' }, { cable: 'Cat 6 outdoor' });
    const kept = apply(inConduit, { type: 'keepRows', rows: [{ table: 'cableKinds', record: outdoor }] });
    expect(of(kept, 'cable-not-rated')).toEqual([]);
    const riser = laid(2, { surroundings: 'riser' });
    expect(of(riser, 'cable-not-rated')).toEqual([]);
    expect(of(under(riser, 'north-america'), 'cable-not-rated')[0]?.what).toMatch(/not of riser cable/);
  });

  it('in Europe a jacket is judged by its reaction to fire, once it is known what is asked (EN 50575)', () => {
    const asked = (job: Job, value: string) => apply(under(job, 'europe'), answerCommand(job, 'fire-class', value));
    const of1 = (cable: string, value: string) =>
      of(asked(laid(1, { surroundings: 'riser' }, { cable }), value), 'cable-not-rated');
    expect(of1('Cat 6 U/UTP', 'unknown')).toEqual([]);
    expect(of1('Cat 6 U/UTP', 'Cca')[0]).toMatchObject({ grade: 'will-bite' });
    expect(of1('Cat 6 U/UTP', 'Cca')[0]?.what).toMatch(/class is not known; Cca is asked/);
    expect(of1('Cat 6 U/UTP Dca', 'Cca')[0]).toMatchObject({ grade: 'wont-work' });
    expect(of1('Cat 6 U/UTP Cca', 'Cca')).toEqual([]);
    expect(of1('Cat 6 U/UTP B2ca', 'Cca')).toEqual([]);
    const low = asked(laid(1, {}, { cable: 'Cat 6 U/UTP Dca' }), 'B2ca');
    expect(Object.values(mended(low, 'cable-not-rated').runs)[0]?.cable).toBe('Cat 6 U/UTP B2ca');
    // Elsewhere nobody is asked for it.
    const american = apply(under(low, 'north-america'));
    expect(of(american, 'cable-not-rated')).toEqual([]);
  });

  it('outdoor cable goes on indoors for 15 m at most in North America (NFPA 70 800.48), elsewhere as local rules say', () => {
    const inside = (lengthMm: number) => laid(1, { lengthMm }, { cable: 'Cat 6 outdoor' });
    const found = (job: Job) => of(job, 'outdoor-cable-indoors')[0];
    expect(found(under(inside(15_000), 'north-america'))).toBeUndefined();
    expect(found(under(inside(15_001), 'north-america'))).toMatchObject({ grade: 'wont-work' });
    expect(found(under(inside(3000), 'europe'))).toMatchObject({ grade: 'could-be-neater' });
    expect(found(under(inside(3000), 'europe'))?.what).toMatch(/local rule: ask/);
    expect(of(under(inside(15_000), 'north-america'), 'cable-not-rated')).toEqual([]);
    expect(found(laid(1, { lengthMm: 50_000 }, { cable: 'Cat 6 U/UTP' }))).toBeUndefined();
    // Of a run that is longer than its way outdoors the rest is indoors, though no pathway there was drawn.
    const out = (lengthMm: number | null) =>
      under(
        laid(1, { lengthMm: 20_000, surroundings: 'outdoor' }, { cable: 'Cat 6 outdoor', lengthMm }),
        'north-america',
      );
    expect(found(out(35_000))).toBeUndefined();
    expect(found(out(36_000))).toMatchObject({ grade: 'wont-work' });
    expect(
      findUnjudged(out(null))
        .map(({ what }) => what)
        .join(' '),
    ).toContain('outdoor cable indoors');
  });

  it('more than 24 powered cables in a bundle (TSB-184-A, from memory)', () => {
    const bundle = (count: number) =>
      bench(
        Object.fromEntries(
          Array.from({ length: count }, (_, at) => [`B${at}`, { bundle: 'north', poeW: at ? 0 : 10 }]),
        ),
      );
    expect(of(bundle(24), 'bundle-too-big')).toEqual([]);
    expect(of(bundle(25), 'bundle-too-big')).toHaveLength(1);
  });

  it('short tails, an overdrawn box, a cut that no longer suffices, an unknown kind, a room that is not drawn', () => {
    const house = marrowby();
    expect(of(house, 'tail-too-short').map((snag) => snag.runIds)).toEqual([['run-x09', 'run-x15']]);
    const one = bench({ 1: { cable: 'Cat 6 U/UTP', lengthMm: 30_000 }, 2: { cable: 'string' } });
    const box = {
      id: 'b',
      name: 'B',
      cable: 'Cat 6 U/UTP',
      leftMm: 25_000,
      bought: false,
      markMm: null,
      marksFall: true,
    };
    const cut = keep(
      one,
      { table: 'boxes', record: box },
      { table: 'cuts', record: { id: 'c', runId: 'run-1', boxId: 'b', pull: 1, lengthMm: 28_000 } },
    );
    expect(of(cut, 'box-overdrawn')[0]?.what).toMatch(/3 m too little/);
    expect(of(cut, 'cut-too-short')[0]?.what).toBe('1 needs 30 m, and 28 m are planned to be cut.');
    expect(anyOf(cut, 'cable-unknown')).toHaveLength(1);
    const [run] = Object.values(site.runs).filter((row) => row.room === 'Car park');
    const open = apply(site, { type: 'editRuns', edits: [{ runId: run?.id ?? '', changes: { lengthMm: null } }] });
    expect(of(open, 'room-not-on-plan')[0]?.what).toMatch(/Outside, Car park is not on the plan/);
  });

  it('capacity that is short now bites, and what fills up later could be neater', () => {
    // One finding: the worst of them, and the others by name.
    const [short, ...more] = of(site, 'capacity-short');
    expect(more).toEqual([]);
    expect(short).toMatchObject({ rowIds: ['switch-5000'], grade: 'will-bite' });
    expect(short?.what).toMatch(/is needed now, and there are none\. Also: /);
  });
});
