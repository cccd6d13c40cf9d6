import type { JobIndex } from '@/core/job/jobIndex';
import { minutesToMove } from '@/core/panels/planLanding';
import type { Run } from '@/core/records/run';
import { formatMinutes } from '@/core/units/minutes';

/** What it costs to move a run that is landed already, in words behind others; nothing for one that waits. */
export function relandingWords(index: JobIndex, run: Run): string {
  const landing = index.landingOfRun.get(run.id);
  return landing ? ` Re-landing takes about ${formatMinutes(minutesToMove(index.job, landing))}.` : '';
}
