import type { EntityManager } from '@mikro-orm/postgresql';
import { LRUCache } from 'lru-cache';
import type { Job } from '../core/job/job';
import { sealJob } from '../core/job/sealJob';
import { rowsOf, TABLE_NAMES } from '../core/job/tables';
import { type Point, samePoint } from '../core/wire/wire';
import { type Head, readJob } from '../store/jobStore';
import type { Store } from '../store/openStore';

export type Kept = { job: Job; point: Point };

const MOST_BYTES = 192 * 1024 * 1024;
/** A record with its fields, as measured of runs and gear; what is worked out of it is of the same order. */
const BYTES_A_RECORD = 1200;

/** About what a job takes in memory. */
function bytesOf({ job }: Kept): number {
  let records = 1;
  for (const table of TABLE_NAMES) records += Object.keys(rowsOf(job, table)).length;
  return records * BYTES_A_RECORD;
}

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
export const keepJob = (store: Store, kept: Kept): void => void jobsOf(store).set(kept.job.id, kept);

/** A job from memory, where it was kept as it stands at a head. */
export function keptAt(store: Store, head: Head): Kept | null {
  const known = jobsOf(store).get(head.id);
  return known && samePoint(known.point, pointOf(head)) ? known : null;
}

/**
 * The job that belongs to a head: from memory where it was kept at this very point of this very history, else from its
 * rows. Every change makes a new point under the job's lock, by whichever process, and a job that is put in anew has
 * another history, so that what is kept is never taken for what it is not.
 */
export async function jobAt(store: Store, em: EntityManager, head: Head): Promise<Kept> {
  const kept = keptAt(store, head) ?? { job: sealJob(await readJob(em, head)), point: pointOf(head) };
  keepJob(store, kept);
  return kept;
}
