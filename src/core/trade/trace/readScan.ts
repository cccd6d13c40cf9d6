import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import type { Run } from '../../job/records/run';

/** The run that a label names, or that the code on it leads to; null where there is none. */
export function runOfScan(job: Job, text: string): Run | null {
  const { runByLabel } = indexJob(job);
  const plain = text.trim();
  const traced = /[?&#]trace=([^&#]*)/.exec(plain)?.[1];
  let label = plain;
  if (traced !== undefined) {
    try {
      label = decodeURIComponent(traced.replace(/\+/g, ' '));
    } catch {
      label = traced;
    }
  }
  return runByLabel.get(sameKey(label)) ?? null;
}
