import type { EntityManager } from '@mikro-orm/postgresql';
import { refuse } from '../core/base/text/refusal';
import type { HistoryAnswer, NewVersion } from '../core/exchange/wire/wire';
import { applyChanges, invert } from '../core/job/document/change';
import type { Job } from '../core/job/document/job';
import { readJobRecords } from '../core/job/document/readJobRecords';
import { inRowOrder } from '../core/job/document/rowOrder';
import { sealJob } from '../core/job/document/sealJob';
import type { Actor } from '../core/job/document/step';
import { readHead } from '../store/jobStore';
import { ONE_MOMENT } from '../store/oneMoment';
import type { Store } from '../store/openStore';
import { actorsOf, listSteps, type StepFilter, stepsBetween } from '../store/steps';
import {
  deleteVersion,
  insertSnapshot,
  insertVersion,
  listVersions,
  nearestSnapshot,
  readSnapshot,
  type Version,
} from '../store/versions';
import { jobAt } from './keptJobs';
import { noJob } from './noJob';

/** A job is kept whole after so many steps, so that any revision is at most half as many away from one. */
const STEPS_A_SNAPSHOT = 200;

export async function keepSnapshot(em: EntityManager, job: Job, revision: number): Promise<void> {
  if (revision % STEPS_A_SNAPSHOT === 0) await insertSnapshot(em, job.id, revision, JSON.stringify(job));
}

/**
 * A job as it was at a revision: from the nearest of its snapshots and what it is now, by the steps between.
 * @throws Refusal when the job has no such revision
 */
export async function jobAtRevision(store: Store, jobId: string, revision: number): Promise<Job> {
  return store.em.fork().transactional(async (em) => {
    const head = await readHead(em, jobId);
    if (!head) return noJob();
    if (revision > head.revision) refuse('no-revision', `The job has no revision ${revision} yet.`);
    const near = await nearestSnapshot(em, jobId, revision);
    const fromSnapshot = near !== null && Math.abs(near - revision) < head.revision - revision;
    const snapshot = fromSnapshot ? await readSnapshot(em, jobId, near) : null;
    const start = snapshot
      ? sealJob(readJobRecords(JSON.parse(snapshot.body), snapshot.schema))
      : (await jobAt(store, em, head)).job;
    const from = snapshot?.revision ?? head.revision;
    const steps = await stepsBetween(em, jobId, Math.min(from, revision), Math.max(from, revision));
    const forward = from <= revision;
    const changes = forward
      ? steps.flatMap((step) => step.changes)
      : steps.reverse().flatMap((step) => invert(step.changes));
    try {
      return inRowOrder(applyChanges(start, changes), changes);
    } catch (fault) {
      if (!(fault instanceof RangeError)) throw fault;
      return refuse('no-revision', `What led to revision ${revision} was not recorded in a way that can be read.`);
    }
  }, ONE_MOMENT);
}

/** Give a revision a name. Doing it twice with one id is harmless. */
export async function nameVersion(store: Store, jobId: string, version: NewVersion): Promise<void> {
  await store.em.fork().transactional(async (em) => {
    const head = await readHead(em, jobId, true);
    if (!head) return noJob();
    if (version.revision > head.revision) refuse('no-revision', `The job has no revision ${version.revision} yet.`);
    const known = await listVersions(em, jobId);
    if (known.some((one) => one.id === version.id)) return;
    if (known.length >= 500) refuse('job-full', 'A job has at most 500 named versions.');
    await insertVersion(em, jobId, version);
  });
}

export async function versionsOf(store: Store, jobId: string): Promise<{ versions: Version[]; revision: number }> {
  const em = store.em.fork();
  const head = await readHead(em, jobId);
  return head ? { versions: await listVersions(em, jobId), revision: head.revision } : noJob();
}

export async function forgetVersion(store: Store, jobId: string, id: string): Promise<void> {
  if (!(await deleteVersion(store.em.fork(), jobId, id))) refuse('no-version', 'There is no such version.');
}

const STEPS_A_PAGE = 60;

/** What was done to a job, latest first, and by whom it can be filtered. */
export async function historyOf(store: Store, jobId: string, filter: StepFilter): Promise<HistoryAnswer> {
  const em = store.em.fork();
  if (!(await readHead(em, jobId))) return noJob();
  const steps = await listSteps(em, jobId, filter, STEPS_A_PAGE + 1);
  const actors: Actor[] = await actorsOf(em, jobId);
  return { steps: steps.slice(0, STEPS_A_PAGE), more: steps.length > STEPS_A_PAGE, actors };
}
