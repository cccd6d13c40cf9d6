import type { JobIndex } from '@/core/job/jobIndex';
import { minutesToMove } from '@/core/panels/planLanding';
import type { Run } from '@/core/records/run';

/** What it costs to move a run that is landed already, in words behind others; nothing for one that waits. */
export function landedAnew(index: JobIndex, run: Run): string {
  const landing = index.landingOfRun.get(run.id);
  return landing ? ` Landing it anew takes about ${minutesToMove(index.job, landing)} min.` : '';
}
