import type { Job } from '../document/job';
import { indexJob } from '../document/jobIndex';
import { cordsIn } from '../records/cord';

/** Remove the landings of these runs, and the cords plugged into their panel ports. */
export function freeLandings(job: Job, runIds: Iterable<string>, base: Job): void {
  const { landingOfRun } = indexJob(base);
  for (const runId of runIds) {
    const row = landingOfRun.get(runId);
    if (!row) continue;
    delete job.landings[row.id];
    for (const cord of cordsIn(base.cords, { gearId: row.panelId, port: row.port, side: 'front' }))
      delete job.cords[cord.id];
  }
}
