import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { OpenJob, Outcome, Point } from '../../src/core/exchange/wire/wire';
import { takeInJob } from '../../src/server/jobs';
import { migrate, openStore } from '../../src/store/openStore';
import { benchCabinet } from './benchJob';
import { type Cluster, startCluster } from './cluster';
import { openDatabases } from './database';
import { portFrom, type Running, startServer } from './server';

export type KillsResult = {
  /** Steps. */
  acknowledged: number;
  /** Ticks, tests and photographs. */
  onSite: number;
  lost: string[];
  halves: string[];
  serverKills: number;
  databaseKills: number;
  /** Seconds from each kill until it serves again. */
  againS: { server: number[]; database: number[] };
};

const WRITERS = 4;
/** With the writers ten at once. */
const WORKERS_A_KIND = 2;
/** For the database to be started again, and for steps to come in again. */
const LONGEST_MS = 300_000;
/** Acknowledged between two kills, at least. */
const STEPS_BETWEEN = 4;
const STEPS_A_PAIR = 10;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** The number of the last acknowledged step of each run. */
type Acknowledged = Map<string, number>;

/**
 * One who writes without end: a step is two commands on a pair of runs, which adds the pair or writes the number of the
 * step into both, sent again until it is acknowledged.
 */
async function writer(name: string, address: () => string, id: string, state: { ended: boolean }, taken: Acknowledged) {
  let base: Point | null = null;
  for (let number = 0; !state.ended; number++) {
    const pair = Math.floor(number / STEPS_A_PAIR);
    const runs = ['a', 'b'].map((end) => `${name}-${pair}-${end}`);
    const notes = String(number);
    const commands = runs.map((run) =>
      number % STEPS_A_PAIR === 0
        ? { type: 'addRuns', runs: [{ id: run, label: run, notes }] }
        : { type: 'editRuns', edits: [{ runId: run, changes: { notes } }] },
    );
    const batchId = randomUUID();
    for (;;) {
      if (state.ended) return;
      try {
        if (!base) {
          const answer = await fetch(`${address()}/api/jobs/${id}`, { signal: AbortSignal.timeout(5000) });
          if (!answer.ok) throw new Error(String(answer.status));
          base = ((await answer.json()) as OpenJob).point;
        }
        const answer = await fetch(`${address()}/api/jobs/${id}/batches`, {
          method: 'POST',
          body: JSON.stringify({ batchId, base, seen: base.revision, actor: { id: name, name: '' }, commands }),
          signal: AbortSignal.timeout(5000),
        });
        if (answer.status >= 500) throw new Error(String(answer.status));
        if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
        const outcome = (await answer.json()) as Outcome;
        base = outcome.status === 'done' ? outcome.point : outcome.opened.point;
        for (const run of runs) taken.set(run, number);
        break;
      } catch {
        await pause(40);
      }
    }
  }
}

/** A JPEG of one grey pixel; each photograph is kept by its own id. */
const PICTURE =
  '/9j/4AAQSkZJRgABAQAAAQABAAD/2wBDAAgGBgcGBQgHBwcJCQgKDBQNDAsLDBkSEw8UHRofHh0aHBwgJC4nICIsIxwcKDcpLDAxNDQ0Hyc5PTgyPC4zNDL/wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAACf/EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AVN//2Q==';

/** What those who work on the site send, each with an id of its own, and where it is looked for in the end. */
const ON_SITE = {
  ticks: (id: string) => rows([{ table: 'ticks', record: { id, step: id, state: 'done' } }]),
  results: (id: string, runId: string) => rows([{ table: 'results', record: { id, runId, passed: true } }]),
  photographs: (id: string) => ({ path: 'kept', body: { id, kind: 'photo', name: 'tray.jpg', base64: PICTURE } }),
} as const;
type OnSite = keyof typeof ON_SITE;
const rows = (list: object[]) => ({ path: 'batches', body: { commands: [{ type: 'keepRows', rows: list }] } });

/** One who ticks, tests or photographs without end. @param taken ids that were acknowledged */
async function worker(
  kind: OnSite,
  name: string,
  address: () => string,
  { id, runId }: { id: string; runId: string },
  state: { ended: boolean },
  taken: Set<string>,
) {
  for (let number = 0; !state.ended; number++) {
    const one = `${name}-${number}`;
    const { path, body } = ON_SITE[kind](one, runId);
    const batchId = randomUUID();
    while (!state.ended) {
      try {
        const sent = { batchId, base: { history: 'x', revision: 0, step: '' }, seen: 0, actor: { id: name, name: '' } };
        const answer = await fetch(`${address()}/api/jobs/${id}/${path}`, {
          method: 'POST',
          body: JSON.stringify(path === 'kept' ? body : { ...sent, ...body }),
          signal: AbortSignal.timeout(5000),
        });
        if (!answer.ok) throw new Error(String(answer.status));
        await answer.arrayBuffer();
        taken.add(one);
        break;
      } catch {
        await pause(40);
      }
    }
    // Nobody ticks without looking.
    await pause(30);
  }
}

/**
 * Kill the server and its database in the middle of writing, over and over, and see whether anything that was
 * acknowledged is gone, or half of a step is there.
 * The database that is killed is a cluster of its own.
 */
export async function trialKills({ servers, databases }: { servers: number; databases: number }): Promise<KillsResult> {
  const cluster: Cluster | null = databases > 0 ? await startCluster('trial', { takeOver: true }) : null;
  const shared = cluster ? null : await openDatabases('test');
  const name = `good_shelf_kills_${process.pid}`;
  const admin = cluster ? await openDatabasesAt(cluster) : null;
  const url = await (admin ?? shared)?.ensure(name);
  if (!url) throw new Error('no database');
  const store = await openStore(url, {});
  await migrate(store);
  const start = benchCabinet(48);
  const runId = Object.keys(start.runs)[0] ?? '';
  const { id } = await takeInJob(store, writeJobFile({ ...start, id: `kills-${process.pid}` }));
  await store.close(true);

  const port = await portFrom(4690);
  let server: Running = await startServer(url, port);
  const state = { ended: false };
  const taken: Acknowledged = new Map();
  const onSite: Record<OnSite, Set<string>> = { ticks: new Set(), results: new Set(), photographs: new Set() };
  const workers = (Object.keys(onSite) as OnSite[]).flatMap((kind) =>
    Array.from({ length: WORKERS_A_KIND }, (_, at) =>
      worker(kind, `${kind}${at}`, () => server.address, { id, runId }, state, onSite[kind]),
    ),
  );
  const writers = Array.from({ length: WRITERS }, (_, at) => writer(`w${at}`, () => server.address, id, state, taken));
  const restart = async () => {
    const dead = new Promise((done) => server.process.once('exit', done));
    server.process.kill('SIGKILL');
    await dead;
    // Another may have taken the port meanwhile.
    server = await startServer(url, await portFrom(port));
  };
  let [serverKills, databaseKills] = [0, 0];
  const againS: KillsResult['againS'] = { server: [], database: [] };
  const served = async () => {
    for (;;) {
      const answer = await fetch(`${server.address}/api/jobs/${id}`, { signal: AbortSignal.timeout(5000) }).catch(
        () => null,
      );
      if (answer?.ok) return;
      await pause(20);
    }
  };
  try {
    const kills = [...Array<'server'>(servers).fill('server'), ...Array<'database'>(databases).fill('database')];
    // Those of the database between those of the server.
    const order = kills.map((what, at) => ({ what, at: (at * 7919) % kills.length })).sort((a, b) => a.at - b.at);
    for (const [at, { what }] of order.entries()) {
      // In the middle of writing, however slow the machine is.
      const [before, from] = [stepsOf(taken), Date.now()];
      while (stepsOf(taken) < before + STEPS_BETWEEN && Date.now() - from < LONGEST_MS) await pause(20);
      await pause((at * 137) % 400);
      const killedAt = performance.now();
      if (what === 'server') {
        await restart();
        await served();
        againS.server.push((performance.now() - killedAt) / 1000);
        serverKills += 1;
      } else if (cluster) {
        process.kill(Number(readFileSync(cluster.pidFile, 'utf8').split('\n')[0]), 'SIGKILL');
        const killed = Date.now();
        while (!cluster.revive()) {
          if (Date.now() - killed > LONGEST_MS) throw new Error('The database did not start again.');
          await pause(100);
        }
        await served();
        againS.database.push((performance.now() - killedAt) / 1000);
        databaseKills += 1;
      }
    }
    await pause(500);
    state.ended = true;
    await Promise.all([...writers, ...workers]);
    const answer = await fetch(`${server.address}/api/jobs/${id}`);
    const { job } = (await answer.json()) as OpenJob;
    const numberOf = (run: string) => (job.runs[run] ? Number(job.runs[run].notes) : -1);
    const files = (await (await fetch(`${server.address}/api/jobs/${id}/kept`)).json()) as { id: string }[];
    const photographs = Object.fromEntries(files.map((file) => [file.id, file]));
    const there = { ticks: job.ticks, results: job.results, photographs };
    const gone = (Object.keys(onSite) as OnSite[]).flatMap((kind) =>
      [...onSite[kind]].filter((one) => !there[kind][one]),
    );
    // What came after the last acknowledged one may be there, but nothing before it.
    const lostSteps = [...taken].filter(([run, number]) => numberOf(run) < number).map(([run]) => run);
    const lost = [...lostSteps, ...gone];
    const halves = Object.keys(job.runs).filter(
      (run) => /^w\d/.test(run) && numberOf(run) !== numberOf(run.replace(/.$/, run.endsWith('a') ? 'b' : 'a')),
    );
    const site = Object.values(onSite).reduce((sum, ids) => sum + ids.size, 0);
    return { acknowledged: stepsOf(taken), onSite: site, lost, halves, serverKills, databaseKills, againS };
  } finally {
    state.ended = true;
    await server.stop();
    await (admin ?? shared)?.drop(name).catch(() => undefined);
    cluster?.stop();
    shared?.stop();
  }
}

/** How many steps were acknowledged: each writer's last, counted from 0. */
const stepsOf = (taken: Acknowledged) =>
  Array.from({ length: WRITERS }, (_, at) =>
    Math.max(-1, ...[...taken].filter(([run]) => run.startsWith(`w${at}-`)).map(([, number]) => number)),
  ).reduce((sum, last) => sum + last + 1, 0);

/** Databases on a cluster that is at hand. */
async function openDatabasesAt(cluster: Cluster) {
  const given = process.env.DATABASE_URL;
  process.env.DATABASE_URL = cluster.url('postgres');
  try {
    return await openDatabases('trial');
  } finally {
    if (given === undefined) delete process.env.DATABASE_URL;
    else process.env.DATABASE_URL = given;
  }
}
