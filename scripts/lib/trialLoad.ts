import { randomUUID } from 'node:crypto';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { ListAnswer } from '../../src/core/exchange/wire/jobList';
import type { OpenJob, Outcome, Point } from '../../src/core/exchange/wire/wire';
import { takeInJob } from '../../src/server/jobs';
import { migrate, openStore } from '../../src/store/openStore';
import { plannedJob } from './benchJob';
import { openDatabases } from './database';
import { portFrom, startServer } from './server';

type Kind = 'edit' | 'open' | 'changes' | 'list' | 'search';
export type LoadResult = {
  people: number;
  jobs: number;
  processes: number;
  /** Answers, and those a second. */
  answers: number;
  perSecond: number;
  /** Answers that were not what they should be. */
  wrong: number;
  of: Partial<Record<Kind, { count: number; p50: number; p95: number; p99: number }>>;
};

/** Of ten things that somebody does, so many are each of these. */
const MIX: readonly Kind[] = [
  'edit',
  'edit',
  'edit',
  'changes',
  'changes',
  'changes',
  'changes',
  'open',
  'list',
  'search',
];
const RUNS_A_JOB = 40;
/** What a server does for the first time takes longer, and is no work of a day: so long things come slowly, then as they are counted. */
const [SLOW_MS, SLOWER, SETTLING_MS] = [12_000, 3, 3000];

const at = (sorted: readonly number[], share: number): number =>
  Math.round(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0);

/**
 * People who work on a few jobs at once, as many requests a second as told: each does the next thing when its time has come,
 * whatever the others wait for, so that a slow server is seen as waiting and not as fewer requests.
 */
export async function trialLoad({
  people,
  jobs,
  seconds,
  perSecond,
  processes = 1,
}: {
  people: number;
  jobs: number;
  seconds: number;
  perSecond: number;
  processes?: number;
}): Promise<LoadResult> {
  const databases = await openDatabases('test');
  const name = `good_shelf_load_${process.pid}`;
  await databases.drop(name);
  const url = await databases.ensure(name);
  const store = await openStore(url, {});
  await migrate(store);
  const ids: string[] = [];
  const job = plannedJob(RUNS_A_JOB);
  const runIds = Object.keys(job.runs);
  for (let number = 0; number < jobs; number++)
    ids.push((await takeInJob(store, writeJobFile({ ...job, id: `load-${number}`, name: `Job ${number}` }))).id);
  await store.close(true);
  const server = await startServer(url, await portFrom(4650), processes);
  const times: Record<Kind, number[]> = { edit: [], open: [], changes: [], list: [], search: [] };
  let wrong = 0;
  const points = new Map<string, Point>();
  const json = async <T>(path: string, init?: RequestInit): Promise<T> => {
    const answer = await fetch(`${server.address}${path}`, init);
    if (!answer.ok) throw new Error(String(answer.status));
    return (await answer.json()) as T;
  };
  /** What was written last into a run's note, to be found in the end. */
  const written = new Map<string, string>();
  const things: Record<Kind, (who: number, id: string, number: number) => Promise<boolean>> = {
    edit: async (who, id, number) => {
      // Each has runs of their own in a job, so that what is found in the end is known.
      const runId = runIds[who % runIds.length] ?? '';
      const notes = `${who} ${number}`;
      const base = points.get(id) ?? { history: 'x', revision: 0, step: '' };
      const body = {
        batchId: randomUUID(),
        base,
        seen: base.revision,
        actor: { id: `person-${who}`, name: '' },
        commands: [{ type: 'editRuns', edits: [{ runId, changes: { notes } }] }],
      };
      const outcome = await json<Outcome>(`/api/jobs/${id}/batches`, { method: 'POST', body: JSON.stringify(body) });
      const point = outcome.status === 'done' ? outcome.point : outcome.opened.point;
      if (point.revision > (points.get(id)?.revision ?? -1)) points.set(id, point);
      written.set(`${id} ${runId}`, notes);
      return true;
    },
    open: async (_, id) => {
      const { job: read } = await json<OpenJob>(`/api/jobs/${id}`);
      return read.id === id && Object.keys(read.runs).length === RUNS_A_JOB;
    },
    changes: async (_, id) => {
      const { history = 'x', revision = 0, step = '' } = points.get(id) ?? {};
      const words = new URLSearchParams({ history, revision: String(revision), step });
      const outcome = await json<Outcome>(`/api/jobs/${id}/changes?${words}`);
      return outcome.status === 'anew' || outcome.point.revision >= revision;
    },
    // As a browser does that opens the list: the page, and what stands in it.
    list: async () => {
      const [page, { list }] = await Promise.all([
        fetch(`${server.address}/`).then((answer) => answer.text()),
        json<ListAnswer>('/api/jobs'),
      ]);
      return page.includes('</html>') && list.count === jobs;
    },
    search: async (_, id) => {
      const { list } = await json<ListAnswer>(`/api/jobs?${new URLSearchParams({ words: `Job ${id.split('-')[1]}` })}`);
      return list.jobs.some((one) => one.id === id);
    },
  };
  try {
    const began = performance.now();
    const counted = began + SLOW_MS + SETTLING_MS;
    const end = counted + seconds * 1000;
    const every = (people / perSecond) * 1000;
    const slow = Math.floor(SLOW_MS / (every * SLOWER));
    const person = async (who: number) => {
      const id = ids[who % ids.length] ?? '';
      for (let number = 0; ; number++) {
        const due = began + (who / people) * every + (Math.min(number, slow) * (SLOWER - 1) + number) * every;
        if (due > end) return;
        const early = due - performance.now();
        if (early > 0) await new Promise((wait) => setTimeout(wait, early));
        const kind = MIX[(number * 7 + who) % MIX.length] ?? 'open';
        try {
          if (!(await things[kind](who, id, number))) wrong += 1;
        } catch {
          wrong += 1;
        }
        if (due < counted) continue;
        // From when it was due: who has to wait for the one before waits too.
        times[kind].push(performance.now() - Math.max(due, began));
      }
    };
    await Promise.all(Array.from({ length: people }, (_, who) => person(who)));
    const took = (performance.now() - counted) / 1000;
    for (const id of ids) {
      const { job: read } = await json<OpenJob>(`/api/jobs/${id}`);
      for (const [key, notes] of written) {
        const [of, runId = ''] = key.split(' ');
        if (of === id && read.runs[runId]?.notes !== notes) wrong += 1;
      }
    }
    const answers = Object.values(times).reduce((sum, list) => sum + list.length, 0);
    const of = Object.fromEntries(
      Object.entries(times).map(([kind, list]) => {
        const sorted = [...list].sort((a, b) => a - b);
        return [kind, { count: list.length, p50: at(sorted, 0.5), p95: at(sorted, 0.95), p99: at(sorted, 0.99) }];
      }),
    );
    return { people, jobs, processes, answers, perSecond: Math.round(answers / took), wrong, of };
  } finally {
    await server.stop();
    await databases.drop(name);
    databases.stop();
  }
}

/** The figures in lines. */
export const loadWords = ({ people, jobs, processes, answers, perSecond, wrong, of }: LoadResult): string =>
  [
    `load: ${people} people on ${jobs} jobs, ${processes} of our processes, ${answers} answers, ${perSecond} a second, ${wrong} wrong`,
    ...Object.entries(of).map(
      ([kind, { count, p50, p95, p99 }]) => `  ${kind}: ${count}, median ${p50} ms, 95th ${p95}, 99th ${p99}`,
    ),
  ].join('\n');
