import type { EntityManager } from '@mikro-orm/postgresql';
import { LRUCache } from 'lru-cache';
import { type Point, samePoint } from '../core/exchange/wire/wire';
import { applyChanges, type Change, isComing, isGoing } from '../core/job/document/change';
import type { Job } from '../core/job/document/job';
import { inRowOrder } from '../core/job/document/rowOrder';
import { sealJob } from '../core/job/document/sealJob';
import { rowsOf, TABLE_NAMES } from '../core/job/document/tables';
import { type Head, readJob } from '../store/jobStore';
import type { Store } from '../store/openStore';
import { stepsBetween } from '../store/steps';

export type Kept = { job: Job; point: Point };

const MOST_BYTES = 192 * 1024 * 1024;
/** A record with its fields, as measured of runs and gear; what is worked out of it is of the same order. */
const BYTES_A_RECORD = 1200;

const records = new WeakMap<Job, number>();

/** How many records a job has, counted once. */
function recordsOf(job: Job): number {
  const known = records.get(job);
  if (known !== undefined) return known;
  const count = TABLE_NAMES.reduce((sum, table) => sum + Object.keys(rowsOf(job, table)).length, 1);
  records.set(job, count);
  return count;
}

/** About what a job takes in memory. */
const bytesOf = ({ job }: Kept): number => recordsOf(job) * BYTES_A_RECORD;

type Jobs = LRUCache<string, Kept>;
// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfJobs?: WeakMap<Store, Jobs> };
home.goodShelfJobs ??= new WeakMap();
const stores = home.goodShelfJobs;

function jobsOf(store: Store): Jobs {
  const known = stores.get(store);
  if (known) return known;
  const jobs: Jobs = new LRUCache<string, Kept>({ maxSize: MOST_BYTES, sizeCalculation: bytesOf });
  stores.set(store, jobs);
  return jobs;
}

export const pointOf = ({ history, revision, tip }: Head): Point => ({ history, revision, step: tip });

/** Keep a job in memory as it stands at a point of its history, once that is committed. */
const keepJob = (store: Store, kept: Kept): void => void jobsOf(store).set(kept.job.id, kept);

/** The same of a job that these changes made of another one. */
export function keepChanged(store: Store, before: Job, changes: readonly Change[], kept: Kept): void {
  const came = changes.filter(isComing).length;
  const went = changes.filter(isGoing).length;
  records.set(kept.job, recordsOf(before) + came - went);
  keepJob(store, kept);
}

/** A job from memory, where it was kept as it stands at a head. */
export function keptAt(store: Store, head: Head): Kept | null {
  const known = jobsOf(store).get(head.id);
  return known && samePoint(known.point, pointOf(head)) ? known : null;
}

/** Further behind than this, all rows are read. */
const MOST_STEPS = 50;

/** What is kept of an earlier point of this history, with the steps since then: another process made them. */
async function caughtUp(store: Store, em: EntityManager, head: Head): Promise<Kept | null> {
  const known = jobsOf(store).get(head.id);
  if (!known || known.point.history !== head.history) return null;
  const { revision, step } = known.point;
  const behind = head.revision - revision;
  if (behind <= 0 || behind > MOST_STEPS) return null;
  // With the step that made what is kept: a backup that was restored since may have had another one there.
  const read = await stepsBetween(em, head.id, revision - 1, head.revision);
  const steps = read.filter((one) => one.revision > revision);
  const [from] = read;
  const same = revision === 0 || (from?.revision === revision && from.batchId === step);
  if (!same || steps.length !== behind) return null;
  const job = steps.reduce((before, { changes }) => inRowOrder(applyChanges(before, changes), changes), known.job);
  return { job, point: pointOf(head) };
}

/**
 * The job that belongs to a head: from memory where it was kept at this very point of this very history, or a few steps before it,
 * else from its rows. Every change makes a new point under the job's lock, by whichever process, and a job that is put in anew has
 * another history, so that what is kept is never taken for what it is not.
 */
export async function jobAt(store: Store, em: EntityManager, head: Head): Promise<Kept> {
  const known = keptAt(store, head);
  if (known) return known;
  const kept = (await caughtUp(store, em, head)) ?? { job: sealJob(await readJob(em, head)), point: pointOf(head) };
  keepJob(store, kept);
  return kept;
}
