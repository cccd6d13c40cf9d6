import { describe, expect, it } from 'vitest';
import { apply, bench, patched, surveyed } from '../../../../tests/support/jobs';
import { citeSource } from '../../base/standards/source';
import type { RunChanges } from '../../job/commands/runs';
import { indexJob } from '../../job/document/jobIndex';
import type { QuestionId } from '../../job/records/questions';
import type { Run } from '../../job/records/run';
import { limitLoopOhm, loopOhm } from '../power/copperWire';
import { answerCommand } from '../survey/answers/answers';
import { channelLengthMm, channelOf } from './channelLength';
import { runFacts } from './runFacts';

const one = (fields: RunChanges, answers: Partial<Record<QuestionId, string>> = {}) => {
  const job = bench({ 1: { cable: 'Cat 6 U/UTP', ...fields } });
  return apply(job, ...Object.entries(answers).map(([id, text]) => answerCommand(job, id as QuestionId, text ?? '')));
};
const facts = (job: ReturnType<typeof one>) => {
  const [run] = Object.values(job.runs);
  return new Map(runFacts(job, run as Run).map((fact) => [fact.name, fact]));
};

describe('the channel of a run', () => {
  it('is its fixed cable, its cord in the cabinet, and the cords at the outlet', () => {
    const job = one({ lengthMm: 30_000 });
    expect(channelOf(job, Object.values(job.runs)[0] as Run)).toEqual({ fixedMm: 30_000, cordsMm: 5000 });
    const live = indexJob(patched(job, '1'));
    expect(channelLengthMm(live.job, live.runsInOrder[0] as Run)).toBe(30_000 + 5000 + 500);
    const none = indexJob(one({ lengthMm: 30_000 }, { 'outlet-cord': '0' }));
    expect(channelLengthMm(none.job, none.runsInOrder[0] as Run)).toBe(30_000);
    const unknown = indexJob(one({}));
    expect(channelLengthMm(unknown.job, unknown.runsInOrder[0] as Run)).toBeNull();
  });
});

describe('figures of a run', () => {
  it('name the source beside each limit', () => {
    const shown = facts(one({ lengthMm: 80_000, poeW: 12.95, device: 'camera' }));
    const source = (name: string) => {
      const fact = shown.get(name)?.source;
      return fact ? citeSource(fact) : '';
    };
    expect(source('Limit of fixed cable')).toContain('TIA-568.1');
    expect(source('Cords of 24 AWG, at most')).toContain('D = 0.2');
    expect(source('Power at the far end')).toMatch(/IEEE 802.3-2022.*TIA-568.2-D.*ASTM B258; IEC 60028/);
  });

  it.each([
    [{}, '20', '90 m at 20 °C'],
    [{}, '30', '86.4 m at 30 °C'],
    [{ cable: 'Cat 6A F/UTP' }, '30', '88.2 m at 30 °C'],
    [{ cable: 'Cat 8 S/FTP', speedMbps: 25_000 }, '20', '24 m at 20 °C'],
    [{ cable: 'Cat 8 S/FTP', speedMbps: 10_000 }, '20', '90 m at 20 °C'],
    [{}, '-10', '90 m at -10 °C'],
  ])('limit of %j at %s °C (ISO/IEC 11801-1; ANSI/TIA-568.2-D)', (fields, celsius, words) => {
    expect(facts(one({ lengthMm: 20_000, ...fields }, { 'route-c': celsius })).get('Limit of fixed cable')?.value).toBe(
      words,
    );
  });

  it.each([
    ['24', '10 m; 5 m planned'],
    ['26', '8 m; 5 m planned'],
    ['28', '6.1 m; 5 m planned'],
  ])('cords of %s AWG that go with 90 m (ANSI/TIA-568.1; 28 AWG from memory)', (gauge, words) => {
    const shown = facts(one({ lengthMm: 90_000 }, { 'cord-awg': gauge }));
    expect(shown.get(`Cords of ${gauge} AWG, at most`)?.value).toBe(words);
  });

  it('more power, more copper and more heat lose more of it', () => {
    const lost = (fields: RunChanges, celsius = '20') => {
      const value = facts(one({ lengthMm: 60_000, device: 'x', ...fields }, { 'route-c': celsius })).get(
        'Power at the far end',
      )?.value;
      return Number(/([\d.]+) W lost/.exec(value ?? '')?.[1]);
    };
    expect(lost({ poeW: 25 })).toBeGreaterThan(lost({ poeW: 20 }));
    expect(lost({ poeW: 25, lengthMm: 80_000 })).toBeGreaterThan(lost({ poeW: 25 }));
    expect(lost({ poeW: 25 }, '50')).toBeGreaterThan(lost({ poeW: 25 }));
  });

  it('promise the volts that the cable’s limit leaves, 9.38 ohm per 100 m a conductor, and tell those of copper (TIA-568.2-D)', () => {
    expect(limitLoopOhm(90_000, 23)).toBeCloseTo(16.88, 2);
    expect(limitLoopOhm(90_000, 24)).toBeGreaterThan(loopOhm(90_000, 24) - 1e-9);
    const value = facts(one({ lengthMm: 90_000, device: 'x', poeW: 25 })).get('Power at the far end')?.value ?? '';
    const [, guaranteed, typical] = /([\d.]+) V by the cable’s limit, ([\d.]+) V typical/.exec(value) ?? [];
    expect(Number(guaranteed)).toBeLessThan(Number(typical));
  });

  it('say nothing of power where none is taken, and nothing of limits off copper', () => {
    expect(facts(one({ lengthMm: 60_000 })).has('Power at the far end')).toBe(false);
    expect([...facts(one({ lengthMm: 60_000, carries: 'fibre', poeW: 10 })).keys()]).toEqual(['Length']);
    expect(facts(one({ lengthMm: 60_000, poeW: 200 })).get('Power at the far end')?.value).toBe('does not arrive');
  });

  it('show the way over the plan beside what was measured', () => {
    const site = surveyed();
    const run = Object.values(site.runs).find((row) => row.label === '01') as Run;
    const names = runFacts(site, run).map((fact) => `${fact.name}: ${fact.value}`);
    expect(names.slice(0, 2)).toEqual([
      'Length: 22.5 m, measured',
      'By the plan: 17.3 m = 11.3 m across + 2.7 m up and down + 3.3 m slack',
    ]);
    const open = apply(site, {
      type: 'editRuns',
      edits: [{ runId: run.id, changes: { lengthMm: null, outlet: 'elsewhere' } }],
    });
    expect(runFacts(open, open.runs[run.id] as Run)[0]?.value).toMatch(/, to the far corner of the room$/);
  });

  it('say the warmth of a bundle in whole degrees: more is not known', () => {
    const job = one({ lengthMm: 30_000 });
    const [limit] = runFacts(job, Object.values(job.runs)[0] as Run, 31.329).filter(
      ({ name }) => name === 'Limit of fixed cable',
    );
    expect(limit?.value).toMatch(/ at 31 °C$/);
  });

  it('are in feet where the job is', () => {
    const job = apply(one({ lengthMm: 30_480 }), { type: 'editJob', changes: { units: 'imperial' } });
    expect(facts(job).get('Length')?.value).toBe('100 ft, measured');
    expect(facts(job).get('Limit of fixed cable')?.value).toBe('295.3 ft at 20 °C');
  });
});
