import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Point } from '../../src/core/exchange/wire/wire';
import type { Command } from '../../src/core/job/commands/commands';
import { emptyJob, type Job } from '../../src/core/job/document/job';
import { gearLibrary } from '../../src/core/job/gear/library';
import { CableKind } from '../../src/core/job/records/cableKind';
import { careItems } from '../../src/core/job/records/careItem';
import { careDates } from '../../src/core/trade/build/care/careDates';
import { planJob } from '../../src/core/trade/wholeJob/planJob';
import {
  applyBatch,
  catchUp,
  getJobs,
  getRemoved,
  openJob,
  readKept,
  removeJob,
  reverse,
  takeInJob,
} from '../../src/server/jobs';
import { createJob } from '../../src/server/newJobs';
import { type Head, readHead, readJob } from '../../src/store/jobStore';
import { migrate, type Store } from '../../src/store/openStore';
import { bench, marrowby, patched, quillback, surveyed } from '../support/jobs';
import { freshStore } from './freshStore';

let store: Store;
let url: string;
let open: () => Promise<Store>;
beforeAll(async () => {
  ({ store, url, open } = await freshStore('store'));
});

const sql = (text: string, from = store) => from.em.fork().getConnection().execute<Record<string, unknown>[]>(text);
const keep = async (job: Job) => (await takeInJob(store, writeJobFile({ ...job, id: `job-${randomUUID()}` }))).id;
const me = { id: 'me', name: 'Ada' };
const pointAt = async (id: string, of = store): Promise<Point> => {
  const kept = await readKept(of, id);
  if (!kept) throw new Error('no job');
  return kept.point;
};
/** A batch of one who stands where the job stands. */
const batch = async (id: string, ...commands: Command[]) => {
  const base = await pointAt(id);
  return { batchId: randomUUID(), base, seen: base.revision, actor: me, commands };
};
const act = async (id: string, ...commands: Command[]) => applyBatch(store, id, await batch(id, ...commands));
const back = async (id: string, direction: 'undo' | 'redo', actor = me, of = store) => {
  const base = await pointAt(id, of);
  return reverse(of, id, { batchId: randomUUID(), base, seen: base.revision, actor, direction });
};
const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });
const jobOf = async (id: string) => {
  const opened = await openJob(store, me, id);
  if (!opened) throw new Error('no job');
  const { revision } = opened.point;
  // What is kept in memory is what stands in the rows.
  const em = store.em.fork();
  const head = await readHead(em, id);
  expect(head).toMatchObject({ revision });
  const read = await readJob(em, head as Head);
  expect(read).toEqual(opened.job);
  // The same text too, whichever process is asked.
  expect(JSON.stringify(read)).toBe(JSON.stringify(opened.job));
  return { ...opened, revision };
};

it('is read anew where another process changed it, and from memory where nobody did', async () => {
  const id = await keep(bench({ 1: {} }));
  const other = await open();
  const [first, second] = [await readKept(store, id), await readKept(store, id)];
  expect(second?.job).toBe(first?.job);
  // What is worked out of it is kept with it only while nobody can change it.
  expect(first && [first.job, first.job.runs, Object.values(first.job.runs)[0]].every(Object.isFrozen)).toBe(true);
  await applyBatch(other, id, await batch(id, rename('Changed elsewhere')));
  expect((await jobOf(id)).job.name).toBe('Changed elsewhere');
  await act(id, rename('And here again'));
  expect((await readKept(other, id))?.job.name).toBe('And here again');
  // What is refused leaves nothing in memory either.
  await expect(act(id, rename('Half'), { type: 'removeRuns', runIds: ['x'] })).rejects.toThrow();
  expect((await jobOf(id)).job.name).toBe('And here again');
});

describe('a job in the store', () => {
  it('comes back equal, with every record', async () => {
    const job = planJob(quillback()).job;
    const id = await keep(job);
    expect((await jobOf(id)).job).toEqual({ ...job, id });
    const [listed] = (await getJobs(store)).jobs.filter((one) => one.id === id);
    expect(listed).toMatchObject({
      runs: 40,
      landed: 40,
      patched: 32,
      rack: { sketch: { units: 18 } },
    });
  });

  it('keeps the survey, pathways, boxes and tones, and takes them back', async () => {
    for (const job of [surveyed(), marrowby()]) {
      const id = await keep(job);
      expect((await jobOf(id)).job).toEqual({ ...job, id });
    }
    const id = await keep(marrowby());
    const tone = { id: 't', jackId: 'jack-01', runId: null, walk: 1, remote: 2, simulated: true };
    const kind = CableKind.parse({ id: 'k', name: 'Own', diameterMm: 5.5, ratings: ['indoor', 'riser'] });
    const rows = [
      { table: 'tones' as const, record: tone },
      { table: 'cableKinds' as const, record: kind },
    ];
    await act(id, { type: 'keepRows', rows });
    expect((await jobOf(id)).job).toMatchObject({ tones: { t: tone }, cableKinds: { k: kind } });
    await act(id, { type: 'dropRows', table: 'jacks', ids: ['jack-01'] });
    expect((await jobOf(id)).job.tones).toEqual({});
    await back(id, 'undo');
    expect((await jobOf(id)).job).toMatchObject({ tones: { t: tone }, jacks: { 'jack-01': { room: 'Hall' } } });
  });

  it('lets rows change their unique names among themselves in one step', async () => {
    const id = await keep(surveyed());
    const { job } = await jobOf(id);
    const [shop, van] = [job.boxes['box-shop'], job.boxes['box-van']];
    if (!shop || !van) throw new Error('no boxes');
    const name = (record: typeof shop, to: string) => ({ table: 'boxes' as const, record: { ...record, name: to } });
    const steps = [name(shop, 'x'), name(van, 'Shop box'), name(shop, 'Van box')];
    await act(id, { type: 'keepRows', rows: steps });
    expect((await jobOf(id)).job.boxes['box-shop']?.name).toBe('Van box');
  });

  it('starts from a wish with a rack and gear', async () => {
    const id = await createJob(store, {
      name: 'New',
      units: 'imperial',
      rackUnits: 9,
      rackDepthMm: 300,
      numbering: 'from-top',
      gear: [{ library: 0, count: 2 }],
    });
    const { job } = await jobOf(id);
    expect(Object.values(job.racks)).toMatchObject([{ units: 9, numbering: 'from-top' }]);
    expect(Object.values(job.gear).map((gear) => gear.name)).toEqual([
      gearLibrary()[0]?.name,
      `${gearLibrary()[0]?.name} (2)`,
    ]);
  });

  it('can be taken off the list and put back', async () => {
    const id = await keep(bench());
    await removeJob(store, id, true);
    expect(await openJob(store, me, id)).toBeNull();
    expect((await getRemoved(store)).some((job) => job.id === id)).toBe(true);
    expect((await getJobs(store)).jobs.some((job) => job.id === id)).toBe(false);
    await removeJob(store, id, false);
    expect((await jobOf(id)).revision).toBe(0);
    await expect(removeJob(store, 'nobody', true)).rejects.toThrow('no such job');
  });

  it('comes in as a job of its own when its id is here already', async () => {
    const id = await keep(bench({ 1: {} }));
    const text = writeJobFile((await jobOf(id)).job);
    const again = await takeInJob(store, text);
    expect(again.renewed).toBe(true);
    expect((await jobOf(again.id)).job.runs).toEqual((await jobOf(id)).job.runs);
  });

  it('is turned away whole when it holds clashes', async () => {
    const file = JSON.parse(writeJobFile(bench({ 1: {}, 2: {} })));
    file.runs[1].label = '1';
    const before = (await getJobs(store)).count;
    await expect(takeInJob(store, JSON.stringify(file))).rejects.toThrow('2 runs share the label 1');
    expect((await getJobs(store)).count).toBe(before);
  });
});

it('keeps ports and patches as JSON that the database can look into', async () => {
  const id = await keep(bench({ 1: {} }));
  await act(id, rename('Other'));
  expect(await sql(`select jsonb_typeof(ports) as kind from gear where job_id = '${id}' and id = 'panel'`)).toEqual([
    { kind: 'array' },
  ]);
  expect(
    await sql(`select changes->0->>'field' as field, jsonb_typeof(changes) as kind from step where job_id = '${id}'`),
  ).toEqual([{ field: 'name', kind: 'array' }]);
});

describe('batches', () => {
  it('write only what changed', async () => {
    const id = await keep(planJob(quillback()).job);
    const versions = async () =>
      new Map(
        (await sql(`select id, xmin::text as version from run where job_id = '${id}'`)).map((row) => [
          row.id,
          row.version,
        ]),
      );
    const before = await versions();
    const [runId = ''] = before.keys() as Iterable<string>;
    const outcome = await act(id, { type: 'editRuns', edits: [{ runId, changes: { notes: 'mind the pipe' } }] });
    expect(outcome).toMatchObject({ status: 'done', point: { revision: 1 } });
    const after = await versions();
    expect([...after].filter(([key, version]) => before.get(key) !== version).map(([key]) => key)).toEqual([runId]);
  });

  it('are refused whole, and leave no trace', async () => {
    const id = await keep(bench({ 1: {} }));
    const wrong = await batch(id, rename('Other'), { type: 'removeRuns', runIds: ['nobody'] });
    await expect(applyBatch(store, id, wrong)).rejects.toThrow('no longer in the job');
    expect(await jobOf(id)).toMatchObject({ revision: 0, job: { name: 'Bench' }, reversals: { undo: null } });
  });

  it('from an old base are taken on top of what came since, and told of it', async () => {
    const id = await keep(bench());
    const late = await batch(id, { type: 'editJob', changes: { units: 'imperial' } });
    await act(id, rename('First'));
    expect(await applyBatch(store, id, late)).toMatchObject({
      status: 'done',
      point: { revision: 2, step: late.batchId },
      missed: [
        { revision: 1, label: 'Rename the job to First' },
        { revision: 2, batchId: late.batchId, seen: 0 },
      ],
    });
    expect((await jobOf(id)).job).toMatchObject({ name: 'First', units: 'imperial' });
  });

  it('sent twice are taken once, from the base they had or from where the job stands now', async () => {
    const id = await keep(bench());
    const once = await batch(id, { type: 'addRuns', runs: [{ id: 'run-a', label: 'A' }] });
    await applyBatch(store, id, once);
    const again = { status: 'done', point: { revision: 1 }, missed: [{ batchId: once.batchId }] };
    expect(await applyBatch(store, id, once)).toMatchObject(again);
    const here = { ...once, base: await pointAt(id) };
    expect(await applyBatch(store, id, here)).toMatchObject({ ...again, missed: [] });
    expect(Object.keys((await jobOf(id)).job.runs)).toEqual(['run-a']);
  });

  it('that come at the same moment follow each other, and none is lost', async () => {
    const id = await keep(bench());
    const add = async (label: string) =>
      applyBatch(store, id, await batch(id, { type: 'addRuns', runs: [{ id: `run-${label}`, label }] }));
    const labels = Array.from({ length: 12 }, (_, at) => `L${at}`);
    await Promise.all(labels.map(add));
    const { job, revision } = await jobOf(id);
    expect(
      Object.values(job.runs)
        .map((run) => run.label)
        .sort(),
    ).toEqual([...labels].sort());
    expect(revision).toBe(12);
  });

  it('may let two runs change ports', async () => {
    const id = await keep(patched(bench({ 1: {}, 2: {} }), '1', '2'));
    const landings = [
      { runId: 'run-1', panelId: 'panel', port: 2 },
      { runId: 'run-2', panelId: 'panel', port: 1 },
    ];
    expect(await act(id, { type: 'landRuns', landings })).toMatchObject({ status: 'done' });
    expect(await sql(`select run_id, port from landing where job_id = '${id}' order by run_id`)).toEqual([
      { run_id: 'run-1', port: 2 },
      { run_id: 'run-2', port: 1 },
    ]);
  });

  it('are all there or not at all when the server is killed in the middle', async () => {
    const id = await keep(bench());
    const rows = Array.from({ length: 300 }, (_, at) => ({ id: `run-${at}`, label: `L${at}` }));
    const wanted = JSON.stringify(await batch(id, { type: 'importRuns', rows }));
    // Another session holds the log, so that the batch stops after its runs were written and before it is logged.
    const other = (await open()).em.fork();
    await other.begin();
    await other.execute('lock table step in access exclusive mode');
    const child = spawn(process.execPath, [
      '--import',
      'tsx',
      join(import.meta.dirname, 'batchChild.ts'),
      url,
      id,
      wanted,
    ]);
    const waiting = `select count(*)::int as count from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`;
    const deadline = Date.now() + 30_000;
    while (Date.now() < deadline && (await sql(waiting))[0]?.count === 0)
      await new Promise((wait) => setTimeout(wait, 20));
    expect((await sql(waiting))[0]?.count).toBe(1);
    child.kill('SIGKILL');
    await new Promise((done) => child.once('exit', done));
    await other.rollback();

    expect(await sql(`select count(*)::int as count from run where job_id = '${id}'`)).toEqual([{ count: 0 }]);
    expect(await jobOf(id)).toMatchObject({ revision: 0, reversals: { undo: null } });
    expect(await applyBatch(store, id, JSON.parse(wanted))).toMatchObject({ status: 'done', point: { revision: 1 } });
    expect(Object.keys((await jobOf(id)).job.runs)).toHaveLength(300);
  });
});

describe('undo and redo', () => {
  const sam = { id: 'sam', name: 'Sam' };
  const by = async (actor: typeof me, id: string, ...commands: Command[]) =>
    applyBatch(store, id, { ...(await batch(id, ...commands)), actor });
  const edit = (changes: object): Command => ({ type: 'editRuns', edits: [{ runId: 'run-1', changes }] });

  it('go back and forth through everything, and outlive the process', async () => {
    const start = quillback();
    const id = await keep(start);
    const { commands, job: planned } = planJob(start);
    const places = (command: Command) => command.type === 'placeGear' || command.type === 'shelveGear';
    await act(id, ...commands.filter(places));
    await act(id, ...commands.filter((command) => !places(command)));
    expect((await jobOf(id)).job).toEqual({ ...planned, id });

    const later = await open();
    expect(await back(id, 'undo', me, later)).toMatchObject({ status: 'done', label: 'Undo: Land 40 runs and 4 more' });
    expect(await back(id, 'undo', me, later)).toMatchObject({
      reversals: { undo: null, redo: expect.stringMatching(/^Move /) },
    });
    expect((await jobOf(id)).job).toEqual({ ...start, id });
    await expect(back(id, 'undo')).rejects.toThrow('nothing of yours to undo');
    await back(id, 'redo');
    await back(id, 'redo');
    expect((await jobOf(id)).job).toEqual({ ...planned, id });
  });

  it('forget what was undone once the same person does something new', async () => {
    const id = await keep(bench());
    await act(id, rename('First'));
    await back(id, 'undo');
    await by(sam, id, { type: 'editJob', changes: { units: 'imperial' } });
    expect((await jobOf(id)).reversals).toEqual({ undo: null, redo: 'Rename the job to First' });
    await act(id, rename('Second'));
    await expect(back(id, 'redo')).rejects.toThrow('nothing of yours to redo');
    expect((await jobOf(id)).reversals).toEqual({ undo: 'Rename the job to Second', redo: null });
  });

  it('reach other windows as changes like any other', async () => {
    const id = await keep(bench());
    await act(id, rename('First'));
    const base = await pointAt(id);
    await back(id, 'undo');
    expect(await catchUp(store, me, id, base)).toMatchObject({
      status: 'done',
      missed: [{ revision: 2, kind: 'undo', label: 'Undo: Rename the job to First', actor: me }],
    });
  });

  it('are mine: what others did since stays, as long as it is something else', async () => {
    const id = await keep(bench({ 1: { room: 'Hall', device: 'desk' } }));
    await act(id, edit({ room: 'Den' }));
    await by(sam, id, edit({ device: 'camera' }));
    expect(await back(id, 'undo')).toMatchObject({ status: 'done', label: 'Undo: Change run 1' });
    expect((await jobOf(id)).job.runs['run-1']).toMatchObject({ room: 'Hall', device: 'camera' });
    expect(await back(id, 'undo', sam)).toMatchObject({ status: 'done' });
    expect(await back(id, 'redo')).toMatchObject({ status: 'done' });
    expect((await jobOf(id)).job.runs['run-1']).toMatchObject({ room: 'Den', device: 'desk' });
  });

  it('say what stands in the way, and whose it is, and change nothing then', async () => {
    const id = await keep(bench({ 1: { room: 'Hall' } }));
    await act(id, edit({ room: 'Den' }));
    await by(sam, id, edit({ room: 'Attic' }));
    await expect(back(id, 'undo')).rejects.toThrow(
      '“Change run 1” cannot be undone: Sam did “Change run 1” to the same since.',
    );
    expect(await jobOf(id)).toMatchObject({ revision: 2, job: { runs: { 'run-1': { room: 'Attic' } } } });
    await back(id, 'undo', sam);
    await back(id, 'undo');
    expect((await jobOf(id)).job.runs['run-1']?.room).toBe('Hall');
  });

  it('do not take away what others have built on since', async () => {
    const id = await keep(bench());
    await act(id, { type: 'addRuns', runs: [{ id: 'run-new', label: 'New' }] });
    await by(sam, id, { type: 'landRuns', landings: [{ runId: 'run-new', panelId: 'panel', port: 3 }] });
    await expect(back(id, 'undo')).rejects.toThrow('That run is no longer in the job.');
    expect(Object.keys((await jobOf(id)).job.landings)).toHaveLength(1);
  });
});

describe('a client that stands somewhere else', () => {
  const anew = { status: 'anew', opened: { job: { name: 'Bench' }, point: { revision: 1 } } };
  it.each([
    ['of another history', (point: Point) => ({ ...point, history: 'another', revision: 0, step: '' })],
    ['ahead of the server', (point: Point) => ({ ...point, revision: 20, step: 'x'.repeat(8) })],
    ['at a revision that another step made', (point: Point) => ({ ...point, step: 'another-step' })],
  ])('%s is given the whole job', async (_, from) => {
    const id = await keep(bench());
    await act(id, { type: 'editJob', changes: { units: 'imperial' } });
    const base = from(await pointAt(id));
    expect(await catchUp(store, me, id, base)).toMatchObject(anew);
    const late = { ...(await batch(id, { type: 'editJob', changes: { units: 'metric' } })), base };
    expect(await applyBatch(store, id, late)).toMatchObject({
      status: 'anew',
      taken: true,
      opened: { point: { revision: 2 } },
    });
  });

  it('too far behind as well', async () => {
    const id = await keep(bench());
    const base = await pointAt(id);
    for (let at = 0; at < 501; at++) await act(id, rename(`Name ${at}`));
    expect(await catchUp(store, me, id, base)).toMatchObject({ status: 'anew', opened: { point: { revision: 501 } } });
  });

  it('is brought up to date by the steps that another process made, and stands as its rows do', async () => {
    const other = await open();
    const id = await keep(patched(bench({ 1: {}, 2: { room: 'Hall' } }), '1', '2'));
    const edit = (runId: string, changes: object): Command => ({ type: 'editRuns', edits: [{ runId, changes }] });
    const steps: Command[][] = [
      [edit('run-1', { room: 'Den', notes: 'a' })],
      [rename('Another name'), { type: 'removeRuns', runIds: ['run-2'] }],
      [{ type: 'addRuns', runs: [{ id: 'run-3', label: '3' }] }],
      [edit('run-3', { device: 'camera' })],
    ];
    for (const [at, commands] of steps.entries()) {
      // In turn, so that each is behind when it is asked.
      const [of, from] = at % 2 === 0 ? [store, other] : [other, store];
      const base = await pointAt(id, of);
      await applyBatch(of, id, { batchId: randomUUID(), base, seen: base.revision, actor: me, commands });
      const fresh = await readKept(await open(), id);
      expect(await readKept(from, id)).toEqual(fresh);
      expect(fresh?.point.revision).toBe(at + 1);
    }
  });

  it('is read anew where a step of the same number is another one since, as after a backup was restored', async () => {
    const other = await open();
    const id = await keep(bench({ 1: {}, 2: {} }));
    await act(id, { type: 'editRuns', edits: [{ runId: 'run-1', changes: { notes: 'that time' } }] });
    expect((await readKept(other, id))?.job.runs['run-1']?.notes).toBe('that time');
    await sql(`update run set notes = 'this time' where job_id = '${id}' and id = 'run-1'`);
    await sql(`update step set batch_id = 'another-one' where job_id = '${id}' and revision = 1`);
    await sql(`update job set tip = 'another-one' where id = '${id}'`);
    const third = await open();
    const base = await pointAt(id, third);
    const commands = [{ type: 'editRuns' as const, edits: [{ runId: 'run-2', changes: { notes: 'later' } }] }];
    await applyBatch(third, id, { batchId: randomUUID(), base, seen: 1, actor: me, commands });
    expect((await readKept(other, id))?.job.runs).toMatchObject({
      'run-1': { notes: 'this time' },
      'run-2': { notes: 'later' },
    });
  });

  it('is not taken for one of a job that was put in anew under the same id', async () => {
    const { id } = await takeInJob(store, writeJobFile({ ...bench(), id: `job-${randomUUID()}` }));
    const [text, before] = [writeJobFile((await jobOf(id)).job), await pointAt(id)];
    await sql(`delete from job where id = '${id}'`);
    await takeInJob(store, text.replace('"Bench"', '"Put in anew"'));
    expect((await pointAt(id)).history).not.toBe(before.history);
    expect((await readKept(store, id))?.job.name).toBe('Put in anew');
  });
});

describe('the database guards itself', () => {
  const guarded = async (text: string, constraint: string) => {
    const id = await keep(patched(bench({ 1: {}, 2: {} }), '1', '2'));
    await expect(sql(text.replaceAll('$job', `'${id}'`))).rejects.toThrow(constraint);
  };

  it.each([
    [
      'two labels that differ in case only',
      `update run set key_1 = '1' where job_id = $job and id = 'run-2'`,
      'run_key_1',
    ],
    ['an empty label', `update run set key_1 = '' where job_id = $job and id = 'run-2'`, 'run_label_key_check'],
    ['two runs on one port', `update landing set key_2 = 'panel:1' where job_id = $job`, 'landing_key_2'],
    ['a run on two ports', `update landing set key_1 = 'run-1' where job_id = $job`, 'landing_key_1'],
    [
      'two devices in one unit',
      'update placement set bottom_u = 5, top_u = 5 where job_id = $job',
      'placement_one_gear_a_unit',
    ],
    [
      'units that overlap',
      `update placement set bottom_u = 10, top_u = 12 where job_id = $job and gear_id = 'switch'`,
      'placement_one_gear_a_unit',
    ],
    ['two cords in a switch port', `update cord set key_2 = 'switch:1' where job_id = $job`, 'cord_key_2'],
    ['two cords in a panel port', `update cord set key_1 = 'panel:1' where job_id = $job`, 'cord_key_1'],
    [
      'a landing of no run',
      `update landing set run_id = 'nobody' where job_id = $job and port = 1`,
      'landing_job_id_run_id_fkey',
    ],
    [
      'a run that others point at',
      `delete from run where job_id = $job and id = 'run-1'`,
      'landing_job_id_run_id_fkey',
    ],
    ['a length below zero', 'update run set length_mm = -1 where job_id = $job', 'run_length_mm_check'],
  ])('against %s', (_, text, constraint) => guarded(text, constraint));
});

describe('the list of jobs', () => {
  it('shows a job from memory as it does from its rows', async () => {
    for (const job of [quillback(), surveyed(), marrowby(), planJob(surveyed()).job]) {
      const name = `Shown ${randomUUID()}`;
      const id = await keep({ ...job, name });
      await openJob(store, me, id);
      const listed = async (of: Store) => (await getJobs(of, { words: name })).jobs;
      const here = await listed(store);
      expect(here).toHaveLength(1);
      expect(here).toEqual(await listed(await open()));
      // As it stands after a change of runs, and after one of the cabinet.
      const [run] = Object.keys(job.runs);
      const [gear] = Object.values(job.gear);
      await act(id, { type: 'removeRuns', runIds: run ? [run] : [] });
      expect(await listed(store)).toEqual(await listed(await open()));
      if (gear) await act(id, { type: 'editGear', gearId: gear.id, changes: { name: 'Otherwise' } });
      const [rack] = Object.keys(job.racks);
      if (rack) await act(id, { type: 'editRack', rackId: rack, changes: { name: 'Another rack' } });
      const now = await listed(store);
      expect(now[0]?.rack?.sketch.name).toBe('Another rack');
      expect(now).toEqual(await listed(await open()));
    }
  });

  let other: Store;
  beforeAll(async () => {
    ({ store: other } = await freshStore('listed'));
    for (let n = 1; n <= 50; n += 1)
      await takeInJob(other, writeJobFile(emptyJob({ id: `list-${n}`, name: `Site ${n}` })));
    await takeInJob(other, writeJobFile({ ...quillback(), id: 'list-q', name: 'Ärztehaus 100 % – Übergabe' }));
  });

  it('knows what is overdue by the whole of each job, as it stands', async () => {
    const overdue = async () => (await getJobs(store, { overdue: '1' })).jobs.map(({ id }) => id);
    const id = await keep({ ...quillback(), name: `Looked after ${randomUUID()}` });
    expect(await overdue()).not.toContain(id);
    const item = careItems.make({ id: 'filters', what: 'Filters', dueOn: '2020-05-01' });
    await act(id, { type: 'keepRows', rows: [{ table: 'careItems', record: item }] });
    expect(await overdue()).toContain(id);
    const [listed] = (await getJobs(store, { overdue: '1', words: (await jobOf(id)).job.name })).jobs;
    // The list says of it what the job says itself.
    const dates = careDates((await jobOf(id)).job, '2026-12-01');
    expect(listed?.due).toEqual(dates.flatMap(({ what, due, overdue: late }) => (due && late ? [{ what, due }] : [])));
    await act(id, {
      type: 'editRows',
      edits: [{ table: 'careItems', id: 'filters', changes: { dueOn: '2999-05-01' } }],
    });
    expect(await overdue()).not.toContain(id);
    await back(id, 'undo');
    expect(await overdue()).toContain(id);
  });

  it('comes in pages, last changed first, each job on one of them', async () => {
    const pages = [1, 2, 3].map((page) => getJobs(other, { page }));
    const all = (await Promise.all(pages)).flatMap(({ jobs }) => jobs);
    expect(new Set(all.map(({ id }) => id)).size).toBe(51);
    expect(all.map(({ updatedAt }) => updatedAt)).toEqual(
      all
        .map(({ updatedAt }) => updatedAt)
        .sort()
        .reverse(),
    );
    expect(await getJobs(other, { page: 99 })).toMatchObject({ count: 51, page: 3, pages: 3 });
    expect((await getJobs(other, { page: 0 })).page).toBe(1);
  });

  it('is searched by name, label, room, device and gear, in letters of any size', async () => {
    const found = async (words: string) => (await getJobs(other, { words })).jobs.map(({ name }) => name);
    const whole = ['Ärztehaus 100 % – Übergabe'];
    expect(await found('ärzteHAUS')).toEqual(whole);
    expect(await found('Site 50')).toEqual(['Site 50']);
    // No sign means more than itself.
    expect(await found('%')).toEqual(whole);
    expect(await found('_')).toEqual([]);
    expect(await found('?')).toEqual([]);
    expect(await found('nowhere to be found')).toEqual([]);
    expect((await getJobs(other, { words: 'a\0b' })).count).toBe(51);
    const job = quillback();
    const run = Object.values(job.runs).find(({ room, device }) => room !== '' && device !== '');
    const gear = Object.values(job.gear)[0];
    for (const words of [run?.room, run?.device, gear?.name])
      expect(await found((words ?? '').toUpperCase())).toEqual(whole);
    const [hit] = (await getJobs(other, { words: run?.room ?? '' })).jobs;
    expect(hit?.hit).toMatchObject({ at: expect.arrayContaining([run?.room]) });
    const [named] = (await getJobs(other, { words: 'übergabe' })).jobs;
    expect(named?.hit).toBeNull();
  });
});

it('migrates down to nothing and up again', async () => {
  const { store: other } = await freshStore('migrations');
  await other.getMigrator().down({ to: 0 });
  expect(
    await sql(`select 1 from information_schema.tables where table_schema = 'public' and table_name = 'run'`, other),
  ).toEqual([]);
  await migrate(other);
  expect((await getJobs(other)).count).toBe(0);
});
