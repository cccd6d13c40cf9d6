import type { EntityManager } from '@mikro-orm/postgresql';
import type { Job } from '../core/job/job';
import { sealJob } from '../core/job/sealJob';
import { type Head, readJob } from '../store/jobStore';
import type { Store } from '../store/openStore';

export type Kept = { job: Job; revision: number };

/** So many jobs are kept, those used last. */
const MOST = 16;
// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfJobs?: WeakMap<Store, Map<string, Kept>> };
home.goodShelfJobs ??= new WeakMap();
const stores = home.goodShelfJobs;

/** Keep a job in memory as it stands at a revision, once that revision is committed. */
export function keepJob(store: Store, { job, revision }: Kept): void {
  const kept = stores.get(store) ?? new Map<string, Kept>();
  stores.set(store, kept);
  kept.delete(job.id);
  kept.set(job.id, { job, revision });
  const [oldest] = kept.keys();
  if (kept.size > MOST && oldest !== undefined) kept.delete(oldest);
}

/**
 * The job that belongs to a head: from memory where it was kept at this very revision, else from its rows. Every change
 * makes a new revision under the job's lock, by whichever process, so that what is kept is never behind unnoticed.
 */
export async function jobAt(store: Store, em: EntityManager, head: Head): Promise<Kept> {
  const known = stores.get(store)?.get(head.id);
  const kept =
    known?.revision === head.revision ? known : { job: sealJob(await readJob(em, head)), revision: head.revision };
  keepJob(store, kept);
  return kept;
}
