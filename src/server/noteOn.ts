import type { Store } from '../store/openStore';
import { firmOfJob, note } from '../store/people';
import type { Asker } from './can';

/** Write down for the owners of a job's firm what somebody did with it; where there are no accounts there is nobody to tell. */
export async function noteOn(store: Store, by: Asker, jobId: string, what: string): Promise<void> {
  if (by.kind !== 'member') return;
  const em = store.em.fork();
  const job = await firmOfJob(em, jobId);
  const firmId = job?.firmId ?? by.firmId;
  await note(em, { firmId, jobId, accountId: by.accountId, who: by.name, what: `${what} (${job?.name ?? jobId})` });
}
