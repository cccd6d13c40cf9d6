import { emptyJob, type Job } from './job';
import { JobHead } from './jobHead';
import { readChanges } from './step';
import { type AnyRecord, rowsOf } from './tables';

/**
 * A job that was kept whole by earlier schemas, as today's have it.
 * @param kept parsed JSON of a job
 * @param version of the schemas it was written by
 */
export function readJobRecords(kept: Record<string, unknown>, version: number): Job {
  const head = Object.entries(kept).filter(([field]) => field in JobHead.shape);
  const job = emptyJob(JobHead.parse(Object.fromEntries(head)));
  for (const [table, rows] of Object.entries(kept)) {
    if (typeof rows !== 'object' || rows === null) continue;
    const recorded = Object.values(rows as Record<string, AnyRecord>).map((is) => ({ table, id: is.id, is }));
    // The same reading as for steps: each record as one that came.
    for (const change of readChanges(recorded as never, { version })) {
      if (change.table !== null && 'is' in change && !('field' in change))
        rowsOf(job, change.table)[change.id] = change.is;
    }
  }
  return job;
}
