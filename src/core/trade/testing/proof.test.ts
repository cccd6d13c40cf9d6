import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import type { RuleSetId } from '../../base/standards/ruleSets';
import type { RunChanges } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { type Result, results } from '../../job/records/result';
import type { Tester } from '../../job/records/tester';
import { firstPassYield } from './figures';
import { detectsSplits, newResult } from './newResult';
import { proofOf, proofs, resultFault } from './proof';
import { limitNamed, limitShort } from './testLimit';

const withRun = (fields: RunChanges = {}): Job =>
  apply(bench({ 1: { room: 'Hall', device: 'desk', speedMbps: 1000, ...fields }, 2: { device: 'desk' } }), {
    type: 'landRuns',
    landings: [1, 2].map((at) => ({ runId: `run-${at}`, panelId: 'panel', port: at })),
  });
const job = withRun();
const answered = (of: Job, id: string, value: string): Job =>
  apply(of, { type: 'keepRows', rows: [{ table: 'answers', record: { id, value, note: '' } }] });
const tested = (of: Job, ...fields: Partial<Result>[]): Job =>
  apply(of, {
    type: 'keepRows',
    rows: fields.map((more, at) => ({
      table: 'results' as const,
      record: results.make({ id: `r${at}`, runId: 'run-1', passed: true, at: `2026-12-07T18:0${at}`, ...more }),
    })),
  });
const first = (of: Job) => {
  const [run] = indexJob(of).runsInOrder;
  if (!run) throw new Error('a run');
  return proofOf(of, run);
};
const verdict = (of: Job, ...fields: Partial<Result>[]) => first(tested(of, ...fields)).verdict;
const MAP = { tells: 'wire-map', map: '12345678', splitSeen: false } as const;

describe('the order of results', () => {
  it('lets a newer fail of any kind count, and a newer pass put it right', () => {
    expect(verdict(job, MAP, { passed: false })).toBe('failed');
    expect(verdict(job, { passed: false }, MAP)).toBe('passed');
    expect(verdict(job, MAP, { tells: 'wire-map', map: '1 2 3 - 5 6 7 8' })).toBe('failed');
    // A pass by its tester that links too slowly is a fail.
    expect(verdict(job, MAP, { tells: 'speed', speedMbps: 100 })).toBe('failed');
  });

  it('lets the worse result win at the same instant, whatever ids and numbers say', () => {
    const at = '2026-12-01T17:51';
    for (const [pass, fail] of [
      ['a', 'b'],
      ['b', 'a'],
    ])
      for (const seq of [0, 9])
        expect(verdict(job, { ...MAP, id: pass, at, seq }, { id: fail, at, passed: false, note: 'cam dark' })).toBe(
          'failed',
        );
    // Seconds tell the order; without them a fail could be the last thing of its minute.
    expect(verdict(job, { ...MAP, at: `${at}:40` }, { at: `${at}:10`, passed: false })).toBe('passed');
    expect(verdict(job, { ...MAP, at: `${at}:10` }, { at: `${at}:40`, passed: false })).toBe('failed');
    expect(verdict(job, { ...MAP, at: `${at}:40` }, { at, passed: false })).toBe('failed');
    expect(verdict(job, { ...MAP, at: '' }, { at: '', passed: false })).toBe('failed');
  });

  it('shows results in the order that counts', () => {
    const at = '2026-12-01T17:51';
    const { results: shown } = first(tested(job, { ...MAP, at }, { at, passed: false }));
    expect(shown.map(({ passed }) => passed)).toEqual([false, true]);
  });

  it('adds up what passed since the last fail: a weaker pass displaces nothing', () => {
    expect(verdict(job, MAP, { tells: 'continuity' })).toBe('passed');
    expect(verdict(job, { tells: 'wire-map', map: '12345678' }, { tells: 'continuity', splitSeen: false })).toBe(
      'passed',
    );
    expect(verdict(job, MAP, { passed: false }, { tells: 'continuity' })).toBe('incomplete');
  });

  it('never passes a run whose newest result is a fail, in any order of entry', () => {
    const one = fc.record({ minute: fc.integer({ min: 0, max: 3 }), passed: fc.boolean(), seconds: fc.boolean() });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 6 }), (list) => {
        const rows = list.map(({ minute, passed, seconds }, at) => ({
          ...MAP,
          id: `x${at}`,
          at: `2026-12-01T18:0${minute}${seconds ? `:0${at}` : ''}`,
          passed,
        }));
        const newest = Math.max(...list.map(({ minute }) => minute));
        const failsLast = list.some(({ minute, passed, seconds }) => minute === newest && !passed && !seconds);
        if (failsLast) expect(verdict(job, ...rows)).toBe('failed');
        if (list.every(({ passed }) => passed)) expect(verdict(job, ...rows)).toBe('passed');
      }),
      { numRuns: 60 },
    );
  });
});

describe('what a job requires', () => {
  it('is a wire map with split pairs tested, unless it says otherwise', () => {
    expect(first(job).verdict).toBe('not tested');
    expect(verdict(job, { tells: 'continuity' })).toBe('incomplete');
    expect(verdict(job, { tells: 'wire-map', map: '12345678' })).toBe('incomplete');
    expect(verdict(job, MAP)).toBe('passed');
    expect(verdict(answered(job, 'proven-by', 'speed'), { ...MAP, tells: 'speed' })).toBe('incomplete');
    expect(verdict(answered(job, 'proven-by', 'speed'), { ...MAP, tells: 'speed', speedMbps: 1000 })).toBe('passed');
    // Without a map a tester that cannot see split pairs has not passed a data run, whatever is required.
    for (const by of ['continuity', 'speed'])
      expect(verdict(answered(job, 'proven-by', by), { tells: 'speed', speedMbps: 1000 })).toBe('incomplete');
    const unknown = answered(withRun({ speedMbps: null }), 'proven-by', 'speed');
    expect(verdict(unknown, { ...MAP, tells: 'speed', speedMbps: 1000 })).toBe('not judged');
  });

  it('does not take a wire map that cannot be read as straight', () => {
    expect(verdict(job, { ...MAP, map: '1-3 2-6 3-1 6-2' })).toBe('incomplete');
  });

  it('leaves other wires to a pass', () => {
    expect(verdict(withRun({ carries: 'coax' }), {})).toBe('passed');
    expect(verdict(withRun({ carries: 'telephone' }), { tells: 'wire-map', map: '12345678' })).toBe('passed');
  });
});

describe('certification', () => {
  const certify = (fields: RunChanges, rules: RuleSetId = 'other') =>
    answered({ ...withRun({ cable: 'Cat 6A U/UTP', speedMbps: 10_000, ...fields }), rules }, 'proven-by', 'certified');
  const cert = (limit: string, more: Partial<Result> = {}) =>
    ({ tells: 'certified', marginDb: 2.1, limit, ...more }) as const;

  it('counts for the class, the kind of link and the standard that the run needs', () => {
    // ANSI/TIA-568.2-D: a channel pass does not prove a link; a lower category proves nothing of a higher one.
    expect(verdict(certify({}), cert('Cat 6A permanent link'))).toBe('passed');
    expect(verdict(certify({}), cert('Cat 5e channel'))).toBe('incomplete');
    expect(verdict(certify({}), cert('Cat 6A channel'))).toBe('incomplete');
    expect(verdict(certify({}), cert('Cat 6 permanent link'))).toBe('incomplete');
    expect(verdict(certify({}), cert(''))).toBe('incomplete');
    expect(verdict(certify({}), cert('Cat 6A permanent link', { marginDb: null }))).toBe('incomplete');
    expect(verdict(certify({ cable: 'Cat 6 U/UTP' }), cert('Cat 6A permanent link'))).toBe('passed');
    expect(verdict(certify({}, 'united-kingdom'), cert('TIA Cat 6A permanent link'))).toBe('incomplete');
    expect(verdict(certify({}, 'united-kingdom'), cert('ISO11801 PL2 Class Ea'))).toBe('passed');
    expect(verdict(certify({}, 'north-america'), cert('TIA Cat 6A Perm. Link'))).toBe('passed');
    expect(verdict(certify({ cable: '', speedMbps: null }), cert('Cat 6A permanent link'))).toBe('not judged');
    // A margin worked out from the file to 250 MHz is not one of the whole band of Cat 6A.
    const part = { marginOf: 'NEXT, 1 to 250 MHz' };
    expect(verdict(certify({}), cert('Cat 6A permanent link', part))).toBe('incomplete');
    expect(verdict(certify({}), cert('Cat 6A permanent link', { marginDb: -0.4 }))).toBe('failed');
  });

  it('of a run that ends in a plug is one of a modular-plug link', () => {
    const behind = apply(certify({}), {
      type: 'editRows',
      edits: [
        {
          table: 'gear',
          id: 'panel',
          changes: { ports: [{ ...job.gear.panel?.ports[0], connector: 'keystone', count: 24, fitting: 'coupler' }] },
        },
      ],
    } as never);
    expect(verdict(behind, cert('Cat 6A permanent link'))).toBe('incomplete');
    expect(verdict(behind, cert('Cat 6A MPTL'))).toBe('passed');
  });

  it('reads what testers call their limits', () => {
    expect(limitNamed('TIA - Cat 6 Channel')).toEqual({ category: '6', kind: 'channel', standard: 'TIA' });
    expect(limitNamed('ISO/IEC 11801 Class D permanent link')).toEqual({
      category: '5e',
      kind: 'permanent link',
      standard: 'ISO/IEC',
    });
    expect(limitNamed('quick test')).toEqual({ category: null, kind: null, standard: null });
    expect(limitShort(limitNamed('Cat 6 link'), limitNamed('quick test'))).toContain('does not name');
  });
});

describe('what is measured', () => {
  // ANSI/TIA-568.2, ISO/IEC 11801: permanent link 498 ns, 44 ns, 21 ohm; channel 555 ns, 50 ns, 25 ohm. [S]
  it.each([
    [{ delayNs: 498 }, { delayNs: 499 }, {}],
    [{ skewNs: 44 }, { skewNs: 45 }, {}],
    [{ loopOhm: 21 }, { loopOhm: 21.1 }, {}],
    [{ pair12M: 99 }, { pair12M: 99.1 }, {}],
    [{ delayNs: 555 }, { delayNs: 556 }, { limit: 'Cat 6 channel' }],
    [{ skewNs: 50 }, { skewNs: 51 }, { limit: 'Cat 6 channel' }],
    [{ loopOhm: 25 }, { loopOhm: 25.1 }, { limit: 'Cat 6 channel' }],
    [{ pair78M: 110 }, { pair78M: 111 }, { limit: 'Cat 6 channel' }],
  ])('%j passes and %j fails', (good, bad, more) => {
    expect(verdict(job, { ...MAP, ...more, ...good })).toBe('passed');
    expect(verdict(job, { ...MAP, ...more, ...bad })).toBe('failed');
  });

  it('of power is held to the class and the watts of the device', () => {
    // IEEE 802.3-2022: 42.5 V at a class 4 device, 25.5 W.
    const powered = withRun({ device: 'access point', poeClass: 4 });
    expect(verdict(powered, { ...MAP, volts: 20, watts: 2 })).toBe('failed');
    expect(verdict(powered, { ...MAP, volts: 42.4 })).toBe('failed');
    expect(verdict(powered, { ...MAP, volts: 42.5, watts: 25.5 })).toBe('passed');
    expect(verdict(powered, { ...MAP, watts: 25 })).toBe('failed');
    expect(verdict(withRun({ device: 'access point', poeW: 12 }), { ...MAP, watts: 13 })).toBe('passed');
    expect(verdict(job, { ...MAP, volts: 20 })).toBe('passed');
  });

  it('of a screen must go through where the cable has one', () => {
    for (const cable of ['Cat 6A F/UTP', 'CAT6A S/FTP', 'Cat 6 screened']) {
      const screened = withRun({ cable });
      expect(verdict(screened, MAP)).toBe('incomplete');
      expect(verdict(screened, { ...MAP, screen: 'none' })).toBe('failed');
      expect(verdict(screened, { ...MAP, screen: 'open' })).toBe('failed');
      expect(verdict(screened, { ...MAP, screen: 'through' })).toBe('passed');
    }
    expect(verdict(withRun({ cable: 'Cat 6 unscreened' }), MAP)).toBe('passed');
  });
});

describe('fibre', () => {
  const light = withRun({ carries: 'fibre', cable: 'OM3 duplex LC', speedMbps: 10_000 });
  // ANSI/TIA-568.3: 100 m × 3.5 dB/km + 2 × 0.75 dB = 1.85 dB; IEEE 802.3: 10GBASE-SR allows 2.6 dB over OM3. [S]
  const whole = { lossDb: 1.2, lengthM: 100, matedPairs: 2, splices: 0, wavelengthNm: 850, end: 'panel' } as const;

  it('passes by a loss within the cable standard and the budget of its modules', () => {
    expect(verdict(light, whole)).toBe('passed');
    expect(verdict(light, { ...whole, lossDb: 1.85 })).toBe('passed');
    expect(verdict(light, { ...whole, lossDb: 1.86 })).toBe('failed');
    expect(verdict(light, { ...whole, lossDb: 2.7, matedPairs: 6 })).toBe('failed');
    expect(verdict(light, { lossDb: 30 })).toBe('failed');
    expect(verdict(light, { ...whole, passed: false })).toBe('failed');
  });

  it('needs all that its loss is judged by', () => {
    for (const field of ['lossDb', 'lengthM', 'matedPairs', 'splices', 'wavelengthNm'] as const)
      expect(verdict(light, { ...whole, [field]: null })).toBe('incomplete');
    expect(verdict(light, { ...whole, end: '' })).toBe('incomplete');
    expect(verdict(light, {})).toBe('incomplete');
    expect(verdict(withRun({ carries: 'fibre', cable: '', speedMbps: 10_000 }), whole)).toBe('incomplete');
    expect(verdict(withRun({ carries: 'fibre', cable: 'OM3', speedMbps: null }), whole)).toBe('incomplete');
  });

  it('below zero, or below what its length loses, is a wrong reference', () => {
    expect(first(tested(light, { ...whole, lossDb: -3 }))).toMatchObject({
      verdict: 'incomplete',
      words: expect.stringContaining('check the reference'),
    });
    expect(verdict(light, { ...whole, lossDb: 0.1 })).toBe('incomplete');
  });
});

describe('testers', () => {
  const tester: Tester = {
    id: 't',
    name: 'Blue one',
    tells: 'wire-map',
    seesSplits: null,
    lengths: false,
    serial: '',
    calibratedOn: null,
  };

  it('say whether they detect split pairs', () => {
    expect([null, tester, { ...tester, seesSplits: true }].map(detectsSplits)).toEqual([null, null, true]);
    expect(detectsSplits({ tells: 'certified', seesSplits: null })).toBe(true);
    const entered = (of: Tester, passed: boolean) => newResult(job, of, { id: 'n', runId: 'run-1', passed });
    expect(entered(tester, true).splitSeen).toBeNull();
    expect(entered({ ...tester, seesSplits: true }, true).splitSeen).toBe(false);
    expect(entered({ ...tester, seesSplits: true }, false).splitSeen).toBeNull();
    expect(newResult(tested(job, { seq: 4 }), null, { id: 'n', runId: 'run-1', passed: true }).seq).toBe(5);
  });

  it('mark their results where they are out of calibration or nobody knows', () => {
    const marks = (calibratedOn: string | null) =>
      first(
        tested(apply(job, { type: 'keepRows', rows: [{ table: 'testers', record: { ...tester, calibratedOn } }] }), {
          ...MAP,
          testerId: 't',
        }),
      ).marks;
    expect(marks('2026-01-31')).toEqual([]);
    expect(marks(null)[0]).toContain('calibration date not recorded');
    expect(marks('2025-12-06')[0]).toContain('calibration ended on 2026-12-06');
  });
});

describe('acceptance', () => {
  const accepted = (of: Job, at: string) =>
    apply(of, {
      type: 'keepRows',
      rows: [{ table: 'acceptances', record: { id: 'a', runId: 'run-1', by: 'Sam', why: 'Spare only', at } }],
    });

  it('is by name, with why, beside the verdict', () => {
    expect(first(accepted(tested(job, { passed: false, note: 'Pair 3-6 open' }), ''))).toMatchObject({
      state: 'accepted',
      verdict: 'failed',
      acceptance: { by: 'Sam' },
      words: expect.stringContaining('Pair 3-6 open'),
    });
    expect(first(accepted(tested(job, MAP), ''))).toMatchObject({ state: 'passed', acceptance: null });
    expect(proofs(job)).toHaveLength(2);
  });

  it('does not cover a fail that came after it', () => {
    const failed = tested(job, { passed: false, at: '2026-12-07T18:00' });
    expect(first(accepted(failed, '2026-12-07T19:00')).state).toBe('accepted');
    // Seconds decide within one minute; an acceptance without them may be the older of the two.
    const late = tested(job, { passed: false, at: '2026-12-07T18:00:40' });
    expect(first(accepted(late, '2026-12-07T18:00:50')).state).toBe('accepted');
    expect(first(accepted(late, '2026-12-07T18:00')).state).toBe('failed');
    expect(first(accepted(failed, '2026-12-07T17:00'))).toMatchObject({ state: 'failed', acceptance: null });
  });
});

describe('results', () => {
  it('are only ever added, and go with their run', () => {
    const with1 = tested(job, {});
    const change = {
      type: 'editRows' as const,
      edits: [{ table: 'results' as const, id: 'r0', changes: { passed: false } }],
    };
    expect(() => apply(with1, change)).toThrow('only ever added');
    expect(() => apply(with1, { type: 'dropRows', table: 'results', ids: ['r0'] })).toThrow('only ever added');
    const again = results.make({ id: 'r0', runId: 'run-1', passed: false });
    expect(() => apply(with1, { type: 'keepRows', rows: [{ table: 'results', record: again }] })).toThrow(
      'only ever added',
    );
    expect(Object.keys(apply(with1, { type: 'removeRuns', runIds: ['run-1'] }).results)).toEqual([]);
  });

  it('count what passed at first', () => {
    expect(firstPassYield(job)).toMatchObject({ tested: 0, low: 0, high: 1 });
    // Both ends at 95 %, so 2.5 % above: 1 − 0.025^(1/1). Exact binomial.
    expect(firstPassYield(tested(job, { passed: true })).high).toBeCloseTo(0.975, 12);
    expect(firstPassYield(tested(job, { passed: false }, { passed: true }))).toMatchObject({
      tested: 1,
      passedFirst: 0,
      retests: 1,
    });
    const run = job.runs['run-1'];
    if (!run) throw new Error('a run');
    expect(resultFault(job, run, results.make({ id: 'x', runId: 'run-1', passed: true, splitSeen: true }))).toBe(
      'Split pairs.',
    );
  });
});

describe('a gap in a result or in its run', () => {
  // What a tester passed beside figures that miss their limit contradicts itself: that is the rule of the limits, above.
  const of = <T>(...values: T[]) => fc.constantFrom(...values);
  const field = fc.record({
    tells: of('continuity', 'wire-map', 'speed', 'certified'),
    passed: fc.boolean(),
    at: of('2026-12-07T18:00', '2026-12-07T18:00:30', '2026-12-07T18:01'),
    map: of('', '12345678'),
    screen: of('not-tested', 'through'),
    splitSeen: of(null, false),
    speedMbps: of(null, 1000, 10_000),
    limit: of('', 'Cat 6 permanent link', 'Cat 6A permanent link', 'Class EA channel'),
    marginDb: of(null, 2, 0),
    lossDb: of(null, 0.9, 1.6, -0.2),
    lengthM: of(null, 40, 60),
    wavelengthNm: of(null, 850, 1310),
    matedPairs: of(null, 2, 4),
    splices: of(null, 0, 2),
    volts: of(null, 52),
    watts: of(null, 20),
  });
  const runs = fc.record({
    cable: of('', 'Cat 6 U/UTP', 'Cat 6A F/UTP', 'OM3', 'OS2 fibre'),
    carries: of('ethernet', 'fibre'),
    speedMbps: of(null, 1000, 10_000),
    poeW: of(null, 0, 15),
    lengthMm: of(null, 45_000),
  });
  const EMPTY = { limit: '', map: '', screen: 'not-tested' } as const;
  const gaps = of(
    'map',
    'screen',
    'splitSeen',
    'limit',
    'marginDb',
    'lossDb',
    'lengthM',
    'wavelengthNm',
    'matedPairs',
    'splices',
    'volts',
    'watts',
  );

  it('never makes a pass of what was none', () => {
    let compared = 0;
    fc.assert(
      fc.property(
        runs,
        fc.array(field, { minLength: 1, maxLength: 4 }),
        of('continuity', 'wire-map', 'speed', 'certified'),
        fc.nat(),
        gaps,
        (run, some, by, pick, gap) => {
          const at = pick % some.length;
          const start = answered(withRun(run as RunChanges), 'proven-by', by);
          const before = verdict(start, ...(some as Partial<Result>[]));
          const less = some.map((one, index) =>
            index === at ? { ...one, [gap]: EMPTY[gap as keyof typeof EMPTY] ?? null } : one,
          );
          const after = verdict(start, ...(less as Partial<Result>[]));
          compared += before === 'passed' ? 1 : 0;
          expect(after === 'passed' && before !== 'passed', `${gap} of ${at}: ${before}, ${after}`).toBe(false);
        },
      ),
      { numRuns: 3000 },
    );
    // Without runs that passed there would be nothing to lose.
    expect(compared).toBeGreaterThan(10);
  });
});
