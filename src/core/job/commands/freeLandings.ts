import type { Job } from '../document/job';
import { indexJob } from '../document/jobIndex';
import { portKey } from '../records/portKey';

/** Remove the landings of these runs, and the cords plugged into their panel ports. */
export function freeLandings(job: Job, runIds: Iterable<string>, base: Job): void {
  const { landingOfRun, cordAtPanelPort } = indexJob(base);
  for (const runId of runIds) {
    const row = landingOfRun.get(runId);
    if (!row) continue;
    delete job.landings[row.id];
    const cord = cordAtPanelPort.get(portKey(row.panelId, row.port));
    if (cord) delete job.cords[cord.id];
  }
}
