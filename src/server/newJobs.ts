import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import { withFirmsOwn } from '../core/exchange/copies/firmsOwn';
import { copyOfJob } from '../core/exchange/copies/partOfJob';
import { NewJob, startJob } from '../core/job/commands/newJob';
import type { Store } from '../store/openStore';
import { keepNew, readKept } from './jobs';
import { noJob } from './noJob';
import { templateJob } from './templates';

/** Start a job, with what the firm works by where it has a template. @returns its id */
export async function createJob(
  store: Store,
  wish: z.input<typeof NewJob>,
  firmId: string | null = null,
): Promise<string> {
  const id = randomUUID();
  const bare = startJob(id, NewJob.parse(wish));
  const template = await templateJob(store, firmId);
  const job = template ? withFirmsOwn(bare, template) : bare;
  await store.em.fork().transactional((em) => keepNew(em, job, firmId));
  return id;
}

/** A new job from one that is there. @returns its id @throws Refusal `no-job` */
export async function copyJob(
  store: Store,
  jobId: string,
  { name, whole }: { name: string; whole: boolean },
  firmId: string | null = null,
): Promise<string> {
  const { job } = (await readKept(store, jobId)) ?? noJob();
  const id = randomUUID();
  const copy = copyOfJob(job, { id, name, whole });
  await store.em.fork().transactional((em) => keepNew(em, copy, firmId));
  return id;
}
