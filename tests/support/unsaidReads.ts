import type { Job } from '../../src/core/job/document/job';
import { indexJob, type JobIndex } from '../../src/core/job/document/jobIndex';
import type { Reads } from '../../src/core/job/document/reads';
import { trackedJob } from './trackedJob';

/** What is read of a job, and is not said to be. */
export function unsaidReads(said: Reads, look: (index: JobIndex) => unknown, job: Job): string[] {
  const { job: tracked, reads } = trackedJob(job);
  look(indexJob(tracked));
  return [...reads].filter((read) => {
    if (read === 'units') return said.units !== true;
    if (read === 'rules') return said.rules !== true && said.answers !== true;
    const [table, field] = read.split('.') as [keyof Reads, string];
    const fields = said[table] as true | readonly string[] | undefined;
    return fields !== true && !fields?.includes(field);
  });
}
