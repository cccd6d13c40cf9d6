import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { addDays } from '../core/base/text/days';
import { refuse } from '../core/base/text/refusal';
import { writeJobFile } from '../core/exchange/formats/jobFile';
import type { ListAnswer } from '../core/exchange/wire/jobList';
import type { Batch, OpenJob, Outcome, Point, Reversal } from '../core/exchange/wire/wire';
import { samePoint } from '../core/exchange/wire/wire';
import { applyCommands, describeCommands } from '../core/job/commands/apply';
import { applyChanges, type Change, invert, unfit } from '../core/job/document/change';
import type { Job } from '../core/job/document/job';
import { headOf } from '../core/job/document/jobHead';
import { BIN_DAYS, type JobListing, type JobPage, JobsAsked, type RemovedJob } from '../core/job/document/jobListing';
import { inRowOrder } from '../core/job/document/rowOrder';
import { type Actor, actorWords, type Step, stepWords } from '../core/job/document/step';
import { verify } from '../core/job/document/verify';
import {
  countJobs,
  emptyBin,
  type Head,
  insertJob,
  jobExists,
  jobIds,
  listJobs,
  listRemoved,
  readHead,
  readStanding,
  type Scope,
  setRemoved,
  writeChanges,
} from '../store/jobStore';
import { ONE_MOMENT } from '../store/oneMoment';
import type { Store } from '../store/openStore';
import { firmOfJob } from '../store/people';
import {
  batchAt,
  type Earlier,
  findBatch,
  lastTouching,
  nextReversal,
  reversalsOf,
  stepsBetween,
  writeStep,
} from '../store/steps';
import { type Asker, can } from './can';
import { careOf, workOutCare } from './careOfJobs';
import { CHANNEL } from './changes';
import { jobCards } from './jobCards';
import { jobAt, type Kept, keepChanged, keptAt, pointOf } from './keptJobs';
import { noJob } from './noJob';
import { keepSnapshot } from './pastJobs';
import { type ReadJobs, readJobText } from './readJobs';
import { inTurn } from './turns';
import { inThread } from './workPool';

/** One who missed more steps than this is given the whole job anew. */
const MOST_MISSED = 500;

/** Whose jobs are listed: of the firm that is being worked for, and those that one is a guest in; null: all of this machine. */
export const scopeOf = (asker: Asker): Scope =>
  asker.kind === 'member' ? { firmId: asker.firmId, accountId: asker.accountId } : null;
/** The firm that a new job belongs to; null on a machine without accounts. */
export const firmFor = (asker: Asker): string | null => (asker.kind === 'member' ? asker.firmId : null);

/** A page of the jobs, by words that they have. */
export async function getJobs(store: Store, asked: Partial<JobsAsked> = {}, scope: Scope = null): Promise<JobPage> {
  const whole = JobsAsked.parse(asked);
  const em = store.em.fork();
  const today = new Date().toISOString().slice(0, 10);
  if (whole.overdue !== '') await workOutCare(store, scope);
  const page = await listJobs(em, whole, scope, today);
  const cards = await jobCards(store, em, page.jobs);
  const tomorrow = addDays(today, 1);
  const jobs: JobListing[] = [];
  for (const [at, listed] of page.jobs.entries()) {
    const card = cards[at];
    if (!card) continue;
    const { id, name, updatedAt, state, hit } = listed;
    const due = (listed.care ?? (await careOf(store, listed))).filter((one) => one.due <= tomorrow);
    jobs.push({ id, name, updatedAt, state, hit, due, ...card });
  }
  return { ...page, jobs };
}

/** Days matter, not moments. */
const EMPTIED_EVERY_MS = 600_000;
let emptiedAt = 0;

/** The jobs in the bin. */
export async function getRemoved(store: Store, scope: Scope = null): Promise<RemovedJob[]> {
  const em = store.em.fork();
  if (Date.now() > emptiedAt + EMPTIED_EVERY_MS) {
    emptiedAt = Date.now();
    await emptyBin(em, BIN_DAYS);
  }
  return listRemoved(em, scope);
}

/** What somebody sees who opens the list. */
export async function listFor(store: Store, asker: Asker, asked: JobsAsked): Promise<ListAnswer> {
  const scope = scopeOf(asker);
  const [list, removed] = await Promise.all([getJobs(store, asked, scope), getRemoved(store, scope)]);
  const me = asker.kind === 'member' ? { name: asker.name, owner: can(asker, 'firm') } : null;
  return { list, removed, me, mayStart: can(asker, 'start') };
}

async function openAt(store: Store, em: EntityManager, head: Head, actor: Actor): Promise<OpenJob> {
  return { ...(await jobAt(store, em, head)), reversals: await reversalsOf(em, head.id, actor) };
}

/** A job as it stands, in one consistent view; null where there is none. */
export async function openJob(store: Store, actor: Actor, id: string): Promise<OpenJob | null> {
  const em = store.em.fork();
  const standing = await readStanding(em, id, actor);
  const kept = standing && keptAt(store, standing.head);
  if (!standing || kept) return kept && { ...kept, reversals: standing.reversals };
  return em.transactional(async (inner) => {
    const head = await readHead(inner, id);
    return head && openAt(store, inner, head, actor);
  }, ONE_MOMENT);
}

/** A job as it stands and where that is, for what only reads it; null where there is none. */
export async function readKept(store: Store, id: string): Promise<Kept | null> {
  return store.em.fork().transactional(async (em) => {
    const head = await readHead(em, id);
    return head && jobAt(store, em, head);
  }, ONE_MOMENT);
}

/** What a job is called; null where there is none. */
export async function jobName(store: Store, id: string): Promise<string | null> {
  return (await readHead(store.em.fork(), id))?.name ?? null;
}

/** The revision that a job stands at; null where there is no such job. */
export async function jobRevision(store: Store, id: string): Promise<number | null> {
  return (await readHead(store.em.fork(), id))?.revision ?? null;
}

/** Jobs of one firm, those in the bin among them. */
const MOST_JOBS = 10_000;
/** @throws Refusal where a firm has as many jobs as it may */
async function roomFor(em: EntityManager, firmId: string | null, more = 1): Promise<void> {
  if (firmId !== null && (await countJobs(em, firmId)) + more > MOST_JOBS)
    refuse('too-many-jobs', `A firm has at most ${MOST_JOBS} jobs.`);
}

/** Keep a new job of a firm. @throws Refusal */
export async function keepNew(em: EntityManager, job: Job, firmId: string | null): Promise<void> {
  await roomFor(em, firmId);
  await insertJob(em, job, { history: randomUUID(), firmId });
}

const MOST_CLASHES = 12;
/** A step of so many records is worked out in a thread of its own. */
const LARGE_ROWS = 1500;

/** How many records a step brings, at most. */
const sizeOf = (commands: Batch['commands']): number =>
  commands.reduce((sum, command) => {
    const lists = Object.values(command).filter(Array.isArray);
    return sum + Math.max(1, ...lists.map((list) => list.length));
  }, 0);

/** Nothing is kept of what holds things that cannot be. @throws Refusal */
function mustFit(faults: readonly string[]): void {
  if (faults.length === 0) return;
  const which = faults.slice(0, MOST_CLASHES).join('; ');
  refuse('clashes', `The job holds things that cannot both be so, and nothing was kept. ${which}.`);
}

/** What came in: the job that is opened first, and what it is well to know. */
type TakenIn = { id: string; renewed: boolean; notes: string[] };

/**
 * Keep a job from what a pack, a job file or a port map holds, or all jobs of an archive. It is read in a thread of its own.
 * @throws Refusal when it is none of them, or holds what the store cannot keep
 */
export async function takeInFile(
  store: Store,
  bytes: Uint8Array,
  name: string,
  firmId: string | null = null,
): Promise<TakenIn & { jobs?: number }> {
  const read = await inThread('readFile', { bytes, fresh: { id: randomUUID(), name } });
  if (read.archive) return takeInArchive(store, read, firmId);
  const [job] = read.jobs;
  if (!job) return refuse('no-job', 'The file holds no job.');
  mustFit(read.faults);
  return keepTaken(store, job, read.notes, firmId);
}

/** Keep all jobs of an archive, or none. Those whose ids are here already come in as jobs of their own. */
async function takeInArchive(
  store: Store,
  { jobs, faults }: Pick<ReadJobs, 'jobs' | 'faults'>,
  firmId: string | null,
): Promise<TakenIn & { jobs: number }> {
  if (faults.length > 0)
    refuse('archive', `Nothing was kept of the archive. ${faults.slice(0, MOST_CLASHES).join('; ')}.`);
  const [first] = jobs;
  if (!first) return refuse('archive', 'The archive holds no job.');
  let renewed = 0;
  await store.em.fork().transactional(async (em) => {
    await roomFor(em, firmId, jobs.length);
    for (const job of jobs) {
      const there = await jobExists(em, job.id);
      if (there) renewed += 1;
      await insertJob(em, { ...job, id: there ? randomUUID() : job.id }, { history: randomUUID(), firmId });
    }
  });
  const notes = renewed > 0 ? [`${renewed} of them were here already: they came in as jobs of their own.`] : [];
  return { id: first.id, renewed: false, notes, jobs: jobs.length };
}

/** All jobs that one sees, as one file. */
export async function archiveOf(store: Store, scope: Scope): Promise<Uint8Array> {
  const jobs: { id: string; name: string; text: string }[] = [];
  for (const id of await jobIds(store.em.fork(), scope)) {
    const kept = await readKept(store, id);
    if (kept) jobs.push({ id, name: kept.job.name, text: writeJobFile(kept.job) });
  }
  return inThread('writeArchive', { jobs, at: new Date().toISOString() });
}

/**
 * Keep a job that the program brings itself, read from its file.
 * @throws Refusal when the file is not a job, or holds what the store cannot keep
 */
export async function takeInJob(store: Store, text: string, firmId: string | null = null): Promise<TakenIn> {
  const { jobs, notes, faults } = readJobText(text);
  const [job] = jobs;
  if (!job) return refuse('no-job', 'The file holds no job.');
  mustFit(faults);
  return keepTaken(store, job, notes, firmId);
}

/** A job whose id is here already comes in as a job of its own. Files of one id come in one after another: the second finds the first. */
const keepTaken = (store: Store, job: Job, notes: string[], firmId: string | null): Promise<TakenIn> =>
  inTurn(`file ${job.id}`, () =>
    store.em.fork().transactional(async (em) => {
      const there = await jobExists(em, job.id);
      const id = there ? randomUUID() : job.id;
      await keepNew(em, { ...job, id }, firmId);
      return { id, renewed: there && (firmId === null || (await firmOfJob(em, job.id))?.firmId === firmId), notes };
    }),
  );

export async function removeJob(store: Store, id: string, removed: boolean): Promise<void> {
  if (!(await setRemoved(store.em.fork(), id, removed))) noJob();
}

/** What one who stands at a point missed; null when that point is not one of this history, or too far behind. */
async function missedSince(em: EntityManager, head: Head, base: Point): Promise<Step[] | null> {
  const now = pointOf(head);
  if (samePoint(base, now)) return [];
  if (base.history !== now.history || base.revision >= now.revision) return null;
  if (now.revision - base.revision > MOST_MISSED) return null;
  if (base.revision > 0 && (await batchAt(em, head.id, base.revision)) !== base.step) return null;
  return stepsBetween(em, head.id, base.revision, now.revision);
}

async function tellMissed(
  store: Store,
  em: EntityManager,
  head: Head,
  { base, actor }: { base: Point; actor: Actor },
  own: { label: string; step?: Step } | null,
): Promise<Outcome> {
  const missed = await missedSince(em, head, base);
  if (!missed) return { status: 'anew', taken: own !== null, opened: await openAt(store, em, head, actor) };
  const reversals = await reversalsOf(em, head.id, actor);
  return { status: 'done', point: pointOf(head), label: own?.label ?? null, missed, reversals };
}

/** Whether whoever asks may make these changes. */
type May = (changes: readonly Change[]) => boolean;
/** Of what the program does itself. */
const anything: May = () => true;

type Made = {
  job: Job;
  step: Pick<Step, 'kind' | 'label' | 'changes'> & { target: number | null };
  earlier: Earlier;
};

/** One transaction: lock the job, change its rows and its history together, and tell what the caller missed. */
async function change(
  store: Store,
  jobId: string,
  sent: Pick<Batch, 'batchId' | 'base' | 'seen' | 'actor'>,
  make: (job: Job, em: EntityManager) => Made | Promise<Made>,
  may: May,
): Promise<Outcome> {
  const { batchId, base, seen, actor } = sent;
  let keep = () => {};
  const outcome = await inTurn(`job ${jobId}`, () =>
    store.em.fork().transactional(async (em): Promise<Outcome> => {
      const head = await readHead(em, jobId, true);
      if (!head) return noJob();
      const known = await findBatch(em, jobId, batchId);
      if (known) return tellMissed(store, em, head, sent, known);
      const before = await jobAt(store, em, head);
      const { job: made, step, earlier } = await make(before.job, em);
      const job = inRowOrder(made, step.changes);
      if (!may(step.changes)) refuse('not-yours', 'Your role permits ticks, tests, notes and photographs, not this.');
      const revision = head.revision + 1;
      await writeChanges(em, job, step.changes);
      const taken = { ...step, revision, batchId, actor, seen: Math.min(seen, head.revision) };
      await writeStep(em, headOf(job), taken, earlier, CHANNEL);
      await keepSnapshot(em, job, revision);
      const now = { ...head, ...headOf(job), revision, tip: batchId };
      keep = () => keepChanged(store, before.job, step.changes, { job, point: pointOf(now) });
      // What the caller stands on is nearly always what the job stood at: then the step itself is all it missed.
      if (samePoint(base, pointOf(head))) {
        const { target: _, ...own } = taken;
        const missed = [{ ...own, at: new Date().toISOString() }];
        // After something new, that is what is undone next, and nothing is redone.
        const reversals = step.kind === 'do' ? { undo: step.label, redo: null } : await reversalsOf(em, jobId, actor);
        return { status: 'done', point: pointOf(now), label: step.label, missed, reversals };
      }
      return tellMissed(store, em, now, sent, step);
    }),
  );
  keep();
  return outcome;
}

/**
 * Apply a batch with authority, on top of whatever the job has become. A batch that was taken before is not taken again.
 * @throws Refusal when a command cannot be done; nothing is changed then
 */
export function applyBatch(store: Store, jobId: string, batch: Batch, may: May = anything): Promise<Outcome> {
  const { commands } = batch;
  const large = sizeOf(commands) > LARGE_ROWS;
  return change(
    store,
    jobId,
    batch,
    async (job) => {
      const earlier = { drop: 'undone' } as const;
      if (large) {
        const { label, changes } = await inThread('batch', { job, commands });
        return { job: applyChanges(job, changes), step: { kind: 'do', target: null, label, changes }, earlier };
      }
      const label = describeCommands(job, commands);
      const { job: next, changes } = applyCommands(job, commands);
      return { job: next, step: { kind: 'do', target: null, label, changes }, earlier };
    },
    may,
  );
}

/** Why a step cannot be taken back or brought back: what somebody did to it since, and who. */
async function inTheWay(
  em: EntityManager,
  jobId: string,
  step: Step,
  { actor, direction }: Reversal,
  between: readonly Change[],
): Promise<never> {
  const other = await lastTouching(em, jobId, step.revision, between);
  const whose = other?.actor.id === actor.id ? 'You' : other ? actorWords(other.actor) : 'Somebody';
  const what = other ? `did “${other.label}” to the same since` : 'changed the same since';
  return refuse(
    'in-the-way',
    `“${step.label}” cannot be ${direction === 'undo' ? 'undone' : 'redone'}: ${whose} ${what}.`,
  );
}

/**
 * Take back this person's last step that stands, or bring back the one that they took back last, whatever others did
 * since, as long as what it touched is as it left it.
 * @throws Refusal that says what stands in the way, and whose it is
 */
export function reverse(store: Store, jobId: string, reversal: Reversal, may: May = anything): Promise<Outcome> {
  const { direction, actor } = reversal;
  const undo = direction === 'undo';
  return change(
    store,
    jobId,
    reversal,
    async (job, em) => {
      const step = await nextReversal(em, jobId, actor, direction);
      if (!step) return refuse(`nothing-to-${direction}`, `There is nothing of yours to ${direction}.`);
      const changes = undo ? invert(step.changes) : step.changes;
      const between = unfit(job, changes);
      if (between.length > 0) return inTheWay(em, jobId, step, reversal, between);
      const next = applyChanges(job, changes);
      verify(job, next, changes);
      const earlier = { revision: step.revision, state: undo ? 'undone' : 'done' } as const;
      const label = stepWords(undo ? 'undo' : 'redo', step.label);
      return { job: next, step: { kind: direction, target: step.revision, label, changes }, earlier };
    },
    may,
  );
}

/** What happened to a job after a point. */
export async function catchUp(store: Store, actor: Actor, jobId: string, base: Point): Promise<Outcome> {
  const em = store.em.fork();
  const { head: now, reversals } = (await readStanding(em, jobId, actor)) ?? noJob();
  // Mostly nothing happened.
  if (samePoint(base, pointOf(now))) return { status: 'done', point: pointOf(now), label: null, missed: [], reversals };
  return em.transactional(async (inner) => {
    const head = await readHead(inner, jobId);
    return head ? tellMissed(store, inner, head, { base, actor }, null) : noJob();
  }, ONE_MOMENT);
}
