import type { CareDue } from '../core/job/document/jobListing';
import { sealJob } from '../core/job/document/sealJob';
import { careDates } from '../core/trade/build/care/careDates';
import { careUnknown, type Head, readHead, readJob, type Scope, writeCare } from '../store/jobStore';
import { ONE_MOMENT } from '../store/oneMoment';
import type { Store } from '../store/openStore';
import { keptAt } from './keptJobs';

/** Any day: what is due does not depend on it. */
const ANY_DAY = '0000-01-01';

/**
 * What is to be looked after in a job and when, soonest first, worked out of all of it and written down beside it: the list asks
 * for it of thousands.
 */
export async function careOf(store: Store, head: Head): Promise<CareDue[]> {
  const em = store.em.fork();
  const read = await em.transactional(async (inner) => {
    const now = await readHead(inner, head.id);
    return now && { head: now, job: keptAt(store, now)?.job ?? sealJob(await readJob(inner, now)) };
  }, ONE_MOMENT);
  if (!read) return [];
  const care = careDates(read.job, ANY_DAY).flatMap(({ what, due }) => (due === null ? [] : [{ what, due }]));
  await writeCare(em, read.head, care);
  return care;
}

/** The same of all jobs in a scope of which it is not known since they changed. */
export async function workOutCare(store: Store, scope: Scope): Promise<void> {
  for (const head of await careUnknown(store.em.fork(), scope)) await careOf(store, head);
}
