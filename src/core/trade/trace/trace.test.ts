import { describe, expect, it } from 'vitest';
import { apply, quillback } from '../../../../tests/support/jobs';
import { stationOf, stationStates } from '../../findings/stations/stations';
import { besideCordsOf, patchCordsOf } from '../../job/document/cordKinds';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import { STATIONS } from '../../job/records/stationIds';
import { answerCommand } from '../survey/answers/answers';
import { planJob } from '../wholeJob/planJob';
import { find } from './find';
import { traceParts, traceRun } from './traceRun';

const job = planJob(quillback()).job;
const run = (label: string) => indexJob(job).runByLabel.get(sameKey(label)) ?? (undefined as never);

describe('trace', () => {
  it('spells out the whole path in words with units', () => {
    const words = traceParts(job, traceRun(job, run('07'))).map((part) => part.words);
    expect(words).toEqual([
      'Ground, Waiting room, ceiling',
      '07 · Cat 6A F/UTP · 25 m',
      'access point A',
      'Panel A · 7',
      expect.stringMatching(/^[\d.]+ m violet$/),
      expect.stringMatching(/^Switch A · [1-8]$/),
      'Access points',
      'PoE class 4 · 30 W',
    ]);
    expect(traceParts({ ...job, units: 'imperial' }, traceRun(job, run('07')))[1]?.words).toBe(
      '07 · Cat 6A F/UTP · 82 ft',
    );
  });

  it('says what is missing and where to change it', () => {
    const bare = apply(job, { type: 'takeOffRuns', runIds: [run('06').id] });
    const parts = traceParts(bare, traceRun(bare, run('06'))).filter((part) => part.missing);
    expect(parts.map(({ words, station }) => `${words} ${station}`)).toEqual([
      'spare runs',
      'not landed land',
      'no cord patch',
      'not patched patch',
      'no network runs',
      'no power needed patch',
    ]);
  });
});

describe('find', () => {
  it.each([
    ['07', 'run', '07'],
    ['pharmacy', 'run', '23'],
    ['waiting room', 'run', '05'],
    ['panel b 3', 'panel port', 'Panel B 3'],
    ['blood', 'run', '12'],
    ['panel b 24', 'panel port', 'Panel B 24'],
    ['router 5', 'switch port', 'Router 5'],
    ['UPS', 'device in the rack', 'UPS 1500 VA'],
    ['kennels ground', 'run', '20'],
    ['U13', 'unit', 'U13'],
    ['access points', 'network', 'Access points'],
    ['recorder', 'device in the rack', 'Recorder'],
    ['swa 3', 'switch port', 'Switch A 3'],
  ])('finds %s', (query, kind, words) => {
    expect(find(job, query)[0]).toMatchObject({ kind, words });
  });

  it('finds rooms with all their runs, and nothing for nothing', () => {
    expect(find(job, 'pharmacy').find((entry) => entry.kind === 'room')?.runIds).toHaveLength(2);
    expect(find(job, '   ')).toEqual([]);
    expect(find(job, 'zebra')).toEqual([]);
  });
});

describe('stations', () => {
  it('know what is untouched, under way and settled', () => {
    // Protectors, bonding and screened cords are snags until they are said to be there; one run wants a module.
    const settled = { 'outdoor-protectors': 'yes', bonded: 'yes', 'cord-screened': 'yes' } as const;
    const state = (of: typeof job) => {
      const answers = Object.entries(settled).map(([id, text]) => answerCommand(of, id as keyof typeof settled, text));
      const slow = { type: 'editRuns' as const, edits: [{ runId: 'run-16', changes: { critical: false } }] };
      const answered = apply(of, ...answers);
      return stationStates(answered.runs['run-16'] ? apply(answered, slow) : answered).map((one) => one.state);
    };
    expect(state(quillback())).toEqual(['warnings', 'settled', ...Array(7).fill('untouched')]);
    expect(state(apply(job, { type: 'liftGear', gearIds: ['ups'] }))).toEqual([
      'warnings',
      'settled',
      'warnings',
      'settled',
      // One device is without a link.
      'snags',
      // No wall outlet is known that strips and battery units could be plugged into.
      'snags',
      'untouched',
      'untouched',
      'untouched',
    ]);
    expect(state(job)[2]).toBe('snags');
    // Nothing is done where something is missing: a run without a length, a station that a job does not need.
    const unmeasured = apply(quillback(), {
      type: 'editRuns',
      edits: [{ runId: 'run-1', changes: { lengthMm: null } }],
    });
    expect(stationStates(unmeasured)[1]).toMatchObject({
      state: expect.not.stringMatching('settled'),
      progress: '39/40',
    });
    const skipped = apply(quillback(), {
      type: 'keepRows',
      rows: [{ table: 'skips', record: { id: 'power', why: 'a flat' } }],
    });
    expect(state(skipped)[5]).toBe('not needed');
  });

  it('have figures', () => {
    for (const station of STATIONS) expect(stationOf(station).figures(indexJob(job)).length).toBeGreaterThan(2);
    expect(stationOf('land').figures(indexJob(job))).toContainEqual({
      id: 'spare-ports',
      name: 'Spare ports',
      value: '8',
    });
    // The draw that was entered, and the class where none was.
    const figures = stationOf('patch').figures(indexJob(job));
    expect(figures.find(({ id }) => id === 'poe switch-a')?.value).toMatch(/^\d+(\.\d)? of 400 W$/);
    // Ports that a link is in are not free.
    const used = figures.find(({ id }) => id === 'ports-in-use switch-a')?.value ?? '';
    const links = Object.values(besideCordsOf(job)).filter(
      ({ fromId, toId }) => fromId === 'switch-a' || toId === 'switch-a',
    );
    const cords = Object.values(patchCordsOf(job)).filter(({ switchId }) => switchId === 'switch-a');
    expect(used).toBe(`${cords.length + links.length} of 26`);
  });
});
