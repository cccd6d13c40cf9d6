import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/formats/jobFile';
import { gearLibrary } from '../../src/core/gear/library';
import type { Command } from '../../src/core/job/commands';
import type { Job } from '../../src/core/job/job';
import { CableKind } from '../../src/core/job/records/cableKind';
import { planJob } from '../../src/core/plan';
import { applyBatch, catchUp, createJob, getJobs, openJob, removeJob, reverse, takeInJob } from '../../src/server/jobs';
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
const batch = (base: number, ...commands: Command[]) => ({ batchId: randomUUID(), base, commands });
const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });
const jobOf = async (id: string) => {
  const opened = await openJob(store, id);
  if (!opened) throw new Error('no job');
  // What is kept in memory is what stands in the rows.
  const em = store.em.fork();
  const head = await readHead(em, id);
  expect(head).toMatchObject({ revision: opened.revision });
  expect(await readJob(em, head as Head)).toEqual(opened.job);
  return opened;
};

it('is read anew where another process changed it, and from memory where nobody did', async () => {
  const id = await keep(bench({ 1: {} }));
  const other = await open();
  const [first, second] = [await openJob(store, id), await openJob(store, id)];
  expect(second?.job).toBe(first?.job);
  // What is worked out of it is kept with it only while nobody can change it.
  expect(first && [first.job, first.job.runs, Object.values(first.job.runs)[0]].every(Object.isFrozen)).toBe(true);
  await applyBatch(other, id, batch(0, rename('Changed elsewhere')));
  expect((await jobOf(id)).job.name).toBe('Changed elsewhere');
  await applyBatch(store, id, batch(1, rename('And here again')));
  expect((await openJob(other, id))?.job.name).toBe('And here again');
  // What is refused leaves nothing in memory either.
  await expect(
    applyBatch(store, id, batch(2, rename('Half'), { type: 'removeRuns', runIds: ['x'] })),
  ).rejects.toThrow();
  expect((await jobOf(id)).job.name).toBe('And here again');
});

describe('a job in the store', () => {
  it('comes back equal, with every record', async () => {
    const job = planJob(quillback()).job;
    const id = await keep(job);
    expect((await jobOf(id)).job).toEqual({ ...job, id });
    const [listed] = (await getJobs(store)).filter((one) => one.id === id);
    expect(listed).toMatchObject({
      runs: 40,
      landed: 40,
      patched: 32,
      cabinet: { placements: job.placements, gear: job.gear },
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
    await applyBatch(store, id, batch(0, { type: 'keepRows', rows }));
    expect((await jobOf(id)).job).toMatchObject({ tones: { t: tone }, cableKinds: { k: kind } });
    await applyBatch(store, id, batch(1, { type: 'dropRows', table: 'jacks', ids: ['jack-01'] }));
    expect((await jobOf(id)).job.tones).toEqual({});
    await reverse(store, id, { batchId: randomUUID(), base: 2, direction: 'undo' });
    expect((await jobOf(id)).job).toMatchObject({ tones: { t: tone }, jacks: { 'jack-01': { room: 'Hall' } } });
  });

  it('lets rows change their unique names among themselves in one step', async () => {
    const id = await keep(surveyed());
    const { job } = await jobOf(id);
    const [shop, van] = [job.boxes['box-shop'], job.boxes['box-van']];
    if (!shop || !van) throw new Error('no boxes');
    const name = (record: typeof shop, to: string) => ({ table: 'boxes' as const, record: { ...record, name: to } });
    const steps = [name(shop, 'x'), name(van, 'Shop box'), name(shop, 'Van box')];
    await applyBatch(store, id, batch(0, { type: 'keepRows', rows: steps }));
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
      gearLibrary[0]?.name,
      `${gearLibrary[0]?.name} (2)`,
    ]);
  });

  it('can be taken off the list and put back', async () => {
    const id = await keep(bench());
    await removeJob(store, id, true);
    expect(await openJob(store, id)).toBeNull();
    expect((await getJobs(store)).some((job) => job.id === id)).toBe(false);
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
    const before = (await getJobs(store)).length;
    await expect(takeInJob(store, JSON.stringify(file))).rejects.toThrow('the label 1 stands 2 times');
    expect((await getJobs(store)).length).toBe(before);
  });
});

it('keeps ports and patches as JSON that the database can look into', async () => {
  const id = await keep(bench({ 1: {} }));
  await applyBatch(store, id, batch(0, rename('Other')));
  expect(await sql(`select jsonb_typeof(ports) as kind from gear where job_id = '${id}' and id = 'panel'`)).toEqual([
    { kind: 'array' },
  ]);
  expect(
    await sql(
      `select commands->0->>'type' as type, jsonb_typeof(patches) as kind from command_log where job_id = '${id}'`,
    ),
  ).toEqual([{ type: 'editJob', kind: 'array' }]);
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
    const outcome = await applyBatch(
      store,
      id,
      batch(0, { type: 'editRuns', edits: [{ runId, changes: { notes: 'mind the pipe' } }] }),
    );
    expect(outcome).toMatchObject({ status: 'done', revision: 1 });
    const after = await versions();
    expect([...after].filter(([key, version]) => before.get(key) !== version).map(([key]) => key)).toEqual([runId]);
  });

  it('are refused whole, and leave no trace', async () => {
    const id = await keep(bench({ 1: {} }));
    const wrong = batch(0, rename('Other'), { type: 'removeRuns', runIds: ['nobody'] });
    await expect(applyBatch(store, id, wrong)).rejects.toThrow('no longer in the job');
    expect(await jobOf(id)).toMatchObject({ revision: 0, job: { name: 'Bench' }, steps: { undo: null } });
  });

  it('on an old base are answered with what they missed, and fit once they know it', async () => {
    const id = await keep(bench());
    await applyBatch(store, id, batch(0, rename('First')));
    const late = batch(0, rename('Second'));
    const stale = await applyBatch(store, id, late);
    expect(stale).toMatchObject({
      status: 'stale',
      revision: 1,
      missed: [{ revision: 1, label: 'Rename the job to First' }],
    });
    expect((await jobOf(id)).job.name).toBe('First');
    expect(await applyBatch(store, id, { ...late, base: 1 })).toMatchObject({ status: 'done', revision: 2 });
  });

  it('sent twice are taken once', async () => {
    const id = await keep(bench());
    const once = batch(0, { type: 'addRuns', runs: [{ id: 'run-a', label: 'A' }] });
    await applyBatch(store, id, once);
    expect(await applyBatch(store, id, once)).toMatchObject({
      status: 'done',
      revision: 1,
      missed: [{ batchId: once.batchId }],
    });
    expect(Object.keys((await jobOf(id)).job.runs)).toEqual(['run-a']);
  });

  it('that come at the same moment follow each other, and none is lost', async () => {
    const id = await keep(bench());
    const add = async (label: string) => {
      const one = batch(0, { type: 'addRuns', runs: [{ id: `run-${label}`, label }] });
      for (;;) {
        const outcome = await applyBatch(store, id, one);
        if (outcome.status === 'done') return;
        one.base = outcome.revision;
      }
    };
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
    expect(await applyBatch(store, id, batch(0, { type: 'landRuns', landings }))).toMatchObject({ status: 'done' });
    expect(await sql(`select run_id, port from landing where job_id = '${id}' order by run_id`)).toEqual([
      { run_id: 'run-1', port: 2 },
      { run_id: 'run-2', port: 1 },
    ]);
  });

  it('are all there or not at all when the server is killed in the middle', async () => {
    const id = await keep(bench());
    const rows = Array.from({ length: 300 }, (_, at) => ({ id: `run-${at}`, label: `L${at}` }));
    const wanted = JSON.stringify(batch(0, { type: 'importRuns', rows }));
    // Another session holds the log, so that the batch stops after its runs were written and before it is logged.
    const other = (await open()).em.fork();
    await other.begin();
    await other.execute('lock table command_log in access exclusive mode');
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
    expect(await jobOf(id)).toMatchObject({ revision: 0, steps: { undo: null } });
    expect(await applyBatch(store, id, JSON.parse(wanted))).toMatchObject({ status: 'done', revision: 1 });
    expect(Object.keys((await jobOf(id)).job.runs)).toHaveLength(300);
  });
});

describe('undo and redo', () => {
  const step = (base: number, direction: 'undo' | 'redo') => ({ batchId: randomUUID(), base, direction });

  it('go back and forth through everything, and outlive the process', async () => {
    const start = quillback();
    const id = await keep(start);
    const { commands, job: planned } = planJob(start);
    const places = (command: Command) => command.type === 'placeGear' || command.type === 'shelveGear';
    await applyBatch(store, id, batch(0, ...commands.filter(places)));
    await applyBatch(store, id, batch(1, ...commands.filter((command) => !places(command))));
    expect((await jobOf(id)).job).toEqual({ ...planned, id });

    const later = await open();
    expect(await reverse(later, id, step(2, 'undo'))).toMatchObject({
      status: 'done',
      label: 'Undo: Land 40 runs and 1 more',
    });
    expect(await reverse(later, id, step(3, 'undo'))).toMatchObject({
      steps: { undo: null, redo: expect.stringMatching(/^Move /) },
    });
    expect((await jobOf(id)).job).toEqual({ ...start, id });
    await expect(reverse(store, id, step(4, 'undo'))).rejects.toThrow('nothing to undo');
    await reverse(store, id, step(4, 'redo'));
    await reverse(store, id, step(5, 'redo'));
    expect((await jobOf(id)).job).toEqual({ ...planned, id });
  });

  it('forget what was undone once something new is done', async () => {
    const id = await keep(bench());
    await applyBatch(store, id, batch(0, rename('First')));
    await reverse(store, id, step(1, 'undo'));
    await applyBatch(store, id, batch(2, rename('Second')));
    await expect(reverse(store, id, step(3, 'redo'))).rejects.toThrow('nothing to redo');
    expect((await jobOf(id)).steps).toEqual({ undo: 'Rename the job to Second', redo: null });
  });

  it('reach other windows as changes like any other', async () => {
    const id = await keep(bench());
    await applyBatch(store, id, batch(0, rename('First')));
    await reverse(store, id, step(1, 'undo'));
    expect((await catchUp(store, id, 1)).missed).toMatchObject([
      { revision: 2, label: 'Undo: Rename the job to First' },
    ]);
    expect(await reverse(store, id, step(1, 'redo'))).toMatchObject({ status: 'stale', missed: [{ revision: 2 }] });
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
      `update run set label_key = '1' where job_id = $job and id = 'run-2'`,
      'run_one_label',
    ],
    ['an empty label', `update run set label_key = '' where job_id = $job and id = 'run-2'`, 'run_label_key_check'],
    ['two runs on one port', 'update landing set port = 1 where job_id = $job', 'landing_one_run'],
    ['a run on two ports', `update landing set run_id = 'run-1' where job_id = $job`, 'landing_one_port'],
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
    ['two cords in a switch port', 'update cord set switch_port = 1 where job_id = $job', 'cord_one_at_switch_port'],
    ['two cords in a panel port', 'update cord set panel_port = 1 where job_id = $job', 'cord_one_at_panel_port'],
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

it('migrates down to nothing and up again', async () => {
  const { store: other } = await freshStore('migrations');
  await other.getMigrator().down({ to: 0 });
  expect(
    await sql(`select 1 from information_schema.tables where table_schema = 'public' and table_name = 'run'`, other),
  ).toEqual([]);
  await migrate(other);
  expect(await getJobs(other)).toEqual([]);
});
