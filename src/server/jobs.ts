import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { readJobFile } from '../core/formats/jobFile';
import { applyCommands, applyRecorded, describeCommands } from '../core/job/apply';
import { clashes } from '../core/job/clashes';
import { Command } from '../core/job/commands';
import type { Job } from '../core/job/job';
import type { JobListing } from '../core/job/jobListing';
import { NewJob, startJob } from '../core/job/newJob';
import { refuse } from '../core/job/refusal';
import {
  appendLog,
  dropUndone,
  findBatch,
  type LogEntry,
  logSince,
  type Missed,
  nextRedo,
  nextUndo,
  setStanding,
  undoLabels,
} from '../store/commandLog';
import { insertJob, jobExists, listJobs, readHead, setRemoved, updateHead, writeChanges } from '../store/jobStore';
import type { Store } from '../store/openStore';
import { announce } from './changes';
import { jobAt, keepJob } from './keptJobs';

const BatchId = z.string().regex(/^[A-Za-z0-9-]{8,64}$/);
const Revision = z.number().int().min(0);

/** Commands to apply as one step on top of a revision. The batch id makes sending it twice harmless. */
export const Batch = z.strictObject({
  batchId: BatchId,
  base: Revision,
  commands: z.array(Command).min(1).max(500),
});
export type Batch = z.infer<typeof Batch>;

/** Take back or bring back the last step. */
export const Reversal = z.strictObject({ batchId: BatchId, base: Revision, direction: z.enum(['undo', 'redo']) });
export type Reversal = z.infer<typeof Reversal>;

type Steps = { undo: string | null; redo: string | null };
/** `stale`: the base is behind; here is what it missed, and nothing was done. */
export type Outcome =
  | { status: 'done'; revision: number; label: string; missed: Missed[]; steps: Steps }
  | { status: 'stale'; revision: number; missed: Missed[]; steps: Steps };

export type OpenJob = { job: Job; revision: number; steps: Steps };

const gone = (): never => refuse('no-job', 'There is no such job. It may have been removed.');

export async function getJobs(store: Store): Promise<JobListing[]> {
  return listJobs(store.em.fork());
}

/** A job as it stands, in one consistent view. */
export async function openJob(store: Store, id: string): Promise<OpenJob | null> {
  return store.em.fork().transactional(
    async (em) => {
      const head = await readHead(em, id);
      return head && { ...(await jobAt(store, em, head)), steps: await undoLabels(em, id) };
    },
    { isolationLevel: 'repeatable read' as never, readOnly: true },
  );
}

/** Start a job. @returns its id */
export async function createJob(store: Store, wish: NewJob): Promise<string> {
  const id = randomUUID();
  await store.em.fork().transactional((em) => insertJob(em, startJob(id, NewJob.parse(wish))));
  return id;
}

/**
 * Keep a job read from its file. A job whose id is here already comes in as a job of its own.
 * @throws Refusal when the file is not a job, or holds what the store cannot keep
 */
export async function takeInJob(store: Store, text: string): Promise<{ id: string; renewed: boolean }> {
  const job = readJobFile(text);
  const faults = clashes(job);
  if (faults.length > 0) {
    refuse(
      'clashes',
      `The job holds things that cannot both be so, and nothing was kept. ${faults.slice(0, 12).join('; ')}.`,
    );
  }
  return store.em.fork().transactional(async (em) => {
    const renewed = await jobExists(em, job.id);
    const id = renewed ? randomUUID() : job.id;
    await insertJob(em, { ...job, id });
    return { id, renewed };
  });
}

export async function removeJob(store: Store, id: string, removed: boolean): Promise<void> {
  if (!(await setRemoved(store.em.fork(), id, removed))) gone();
}

type Change = {
  job: Job;
  entry: Omit<LogEntry, 'jobId' | 'revision' | 'batchId'>;
  note?: (em: EntityManager) => Promise<void>;
};

/** One transaction: lock the job, see whether the caller is up to date, change rows and log together. */
async function change(
  store: Store,
  jobId: string,
  { batchId, base }: { batchId: string; base: number },
  make: (em: EntityManager, job: Job) => Change | Promise<Change>,
): Promise<Outcome> {
  let changed: Job | null = null;
  const outcome = await store.em.fork().transactional(async (em): Promise<Outcome> => {
    const head = await readHead(em, jobId, true);
    if (!head) return gone();
    if (base !== head.revision) {
      // A batch that was taken before can only come again with the base it had then.
      const known = await findBatch(em, jobId, batchId);
      const missed = await logSince(em, jobId, base);
      const { revision } = head;
      const steps = await undoLabels(em, jobId);
      return known
        ? { status: 'done', revision, label: known.label, missed, steps }
        : { status: 'stale', revision, missed, steps };
    }
    const before = await jobAt(store, em, head);
    const { job, entry, note } = await make(em, before.job);
    const revision = head.revision + 1;
    await writeChanges(em, before.job, job);
    await updateHead(em, job, revision);
    await note?.(em);
    await appendLog(em, { jobId, revision, batchId, ...entry });
    const missed = [{ revision, batchId, label: entry.label, patches: entry.patches }];
    changed = job;
    return { status: 'done', revision, label: entry.label, missed, steps: await undoLabels(em, jobId) };
  });
  if (changed) keepJob(store, { job: changed, revision: outcome.revision });
  if (outcome.status === 'done') announce(jobId, outcome.revision);
  return outcome;
}

/**
 * Apply a batch with authority. Answers `stale` when the base is behind, and `done` once more when the batch was
 * taken before.
 * @throws Refusal when a command cannot be done; nothing is changed then
 */
export function applyBatch(store: Store, jobId: string, batch: Batch): Promise<Outcome> {
  return change(store, jobId, batch, (_, job) => {
    const label = describeCommands(job, batch.commands);
    const { job: next, patches, inverse } = applyCommands(job, batch.commands);
    const entry = { kind: 'do' as const, target: null, label, commands: batch.commands, patches, inverse };
    return { job: next, entry, note: (em) => dropUndone(em, jobId) };
  });
}

/** Undo or redo the last step of the job. The log is a stack, so that recorded patches always fit. */
export function reverse(store: Store, jobId: string, reversal: Reversal): Promise<Outcome> {
  const undo = reversal.direction === 'undo';
  return change(store, jobId, reversal, async (em, job) => {
    const step = await (undo ? nextUndo(em, jobId) : nextRedo(em, jobId));
    if (!step) return refuse(`nothing-to-${reversal.direction}`, `There is nothing to ${reversal.direction}.`);
    const [patches, inverse] = undo ? [step.inverse, step.patches] : [step.patches, step.inverse];
    const label = `${undo ? 'Undo' : 'Redo'}: ${step.label}`;
    return {
      job: applyRecorded(job, patches),
      entry: { kind: reversal.direction, target: step.revision, label, commands: [], patches, inverse },
      note: (later) => setStanding(later, jobId, step.revision, undo ? 'undone' : 'done'),
    };
  });
}

/** What happened to a job after a revision. */
export async function catchUp(store: Store, jobId: string, since: number): Promise<{ missed: Missed[]; steps: Steps }> {
  const em = store.em.fork();
  return { missed: await logSince(em, jobId, since), steps: await undoLabels(em, jobId) };
}
