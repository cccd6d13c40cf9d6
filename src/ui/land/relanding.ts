import { formatMinutes } from '@/core/base/units/minutes';
import type { JobIndex } from '@/core/job/document/jobIndex';
import type { Run } from '@/core/job/records/run';
import { minutesToMove } from '@/core/trade/panels/planLanding';

/** What it costs to move a run that is landed already, in words behind others; nothing for one that waits. */
export function relandingWords(index: JobIndex, run: Run): string {
  const landing = index.landingOfRun.get(run.id);
  return landing ? ` Re-landing takes about ${formatMinutes(minutesToMove(index.job, landing))}.` : '';
}
