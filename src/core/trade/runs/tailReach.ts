import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { isPanel } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { loopMm, tailPaths } from './tailPath';

export type TailShortfall = { panelName: string; needMm: number; missingMm: number };

/** What a run has inside the cabinet: its tail, and what it was made longer by. Null while it was not measured. */
export function tailOf(job: Job, run: Run): number | null {
  const { landingOfRun } = indexJob(job);
  return run.tailMm === null ? null : run.tailMm + (landingOfRun.get(run.id)?.jointMm ?? 0);
}

/**
 * Whether the free tail of a run reaches a panel with its service loop: its own port where it is landed, else the
 * nearest port of any panel.
 * @returns null while the tail, the rack or every panel's place is not known
 */
export function tailShortfall(job: Job, run: Run): TailShortfall | null {
  const index = indexJob(job);
  const tailMm = tailOf(job, run);
  if (tailMm === null) return null;
  const landing = index.landingOfRun.get(run.id);
  let nearest: TailShortfall | null = null;
  for (const panel of Object.values(job.gear)) {
    if (!isPanel(panel) || (landing && landing.panelId !== panel.id)) continue;
    for (const [port, wayMm] of tailPaths(index, panel, run.entry ?? 'top') ?? []) {
      if (landing && landing.port !== port) continue;
      const needMm = wayMm + loopMm(job);
      if (nearest && needMm >= nearest.needMm) continue;
      nearest = { panelName: panel.name, needMm, missingMm: needMm - tailMm };
    }
  }
  return nearest;
}
