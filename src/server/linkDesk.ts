import { randomUUID } from 'node:crypto';
import { format } from 'date-fns';
import { refuse } from '../core/base/text/refusal';
import type { Command } from '../core/job/commands/commands';
import type { Job } from '../core/job/document/job';
import { results } from '../core/job/records/result';
import { TICK_STATES } from '../core/job/records/tick';
import { tickCommands } from '../core/trade/build/asBuilt';
import { cutoverOf } from '../core/trade/build/buildPlan';
import { deriveSteps } from '../core/trade/build/deriveSteps';
import { nextSeq } from '../core/trade/testing/proof';
import type { Store } from '../store/openStore';
import { type Asker, mayChange } from './can';
import { applyBatch, readKept } from './jobs';
import type { Kept } from './keptJobs';
import { noJob } from './noJob';
import { jobAtRevision } from './pastJobs';
import { inThread } from './workPool';

/** Who holds a link, until when. */
export type Holder = Extract<Asker, { kind: 'link' }> & { until: Date; madeBy: string };

const keptOf = async (store: Store, { jobId }: Holder): Promise<Kept> => (await readKept(store, jobId)) ?? noJob();

async function todayOf(store: Store, job: Job): Promise<Job | null> {
  const { todayRevision } = cutoverOf(job);
  return todayRevision === null ? null : jobAtRevision(store, job.id, todayRevision);
}

/** The page of a link, as the job stands. */
export async function showLink(store: Store, holder: Holder, find: string, said: string): Promise<string> {
  const { job, point } = await keptOf(store, holder);
  const about = { version: `Revision ${point.revision}`, at: new Date().toISOString(), address: '' };
  const { purpose, rackId, whom, until } = holder;
  const today = purpose === 'build' ? await todayOf(store, job) : null;
  const day = until.toISOString().slice(0, 10);
  return inThread('linkPage', {
    job,
    today,
    root: process.cwd(),
    about,
    purpose,
    rackId,
    whom,
    until: day,
    find,
    said,
  });
}

/**
 * Do what the form of a link says. @returns what was done, in words
 * @throws Refusal for what the link is not for
 */
export async function workByLink(store: Store, holder: Holder, form: URLSearchParams): Promise<string> {
  const { job, point } = await keptOf(store, holder);
  const note = (form.get('note') ?? '')
    .replaceAll(/\p{Cc}/gu, ' ')
    .trim()
    .slice(0, 300);
  const [words, commands] =
    holder.purpose === 'build'
      ? tickOf(job, await todayOf(store, job), form, holder.whom, note)
      : holder.purpose === 'tests'
        ? resultOf(job, form, holder.whom, note)
        : refuse('not-yours', 'This link is for reading.');
  const actor = { id: holder.linkId, name: holder.whom };
  const batch = { batchId: randomUUID(), base: point, seen: point.revision, actor, commands };
  await applyBatch(store, job.id, batch, (changes) => mayChange(holder, { id: job.id, role: null }, changes));
  return words;
}

function tickOf(job: Job, today: Job | null, form: URLSearchParams, by: string, note: string): [string, Command[]] {
  const key = form.get('key') ?? '';
  const state =
    TICK_STATES.find((one) => one === form.get('state')) ?? refuse('bad-request', 'state: expected done or stuck.');
  const step =
    deriveSteps(today, job).find(({ id }) => id === key || `park-${id}` === key) ??
    refuse('no-step', 'There is no such step any more: the plan was changed meanwhile.');
  return [`${step.words}: ${state}.`, tickCommands(job, step, key, { state, by: by.slice(0, 60), at: '', note })];
}

/** Time of this machine to the second: the page of a shared link has no script to tell its own. */
const timeNow = (): string => format(new Date(), "yyyy-MM-dd'T'HH:mm:ss");

function resultOf(job: Job, form: URLSearchParams, by: string, note: string): [string, Command[]] {
  const run = job.runs[form.get('run') ?? ''] ?? refuse('no-run', 'There is no such run any more.');
  const passed = form.get('passed');
  if (passed !== '1' && passed !== '0') refuse('bad-request', 'passed: expected 1 or 0.');
  const record = results.make({
    id: `result-${randomUUID()}`,
    runId: run.id,
    passed: passed === '1',
    at: timeNow(),
    seq: nextSeq(job),
    by: by.slice(0, 60),
    note,
  });
  return [
    `${run.label}: ${record.passed ? 'passed' : 'failed'}.`,
    [{ type: 'keepRows', rows: [{ table: 'results', record }] }],
  ];
}
