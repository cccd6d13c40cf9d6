import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { type Port, portAt } from '../../job/records/ports';
import type { Run } from '../../job/records/run';

/** Every data run on copper that is landed on a port which its panel has. */
export function copperLandings(job: Job): { run: Run; panel: Gear; port: Port }[] {
  return Object.values(job.landings).flatMap((row) => {
    const [run, panel] = [job.runs[row.runId], job.gear[row.panelId]];
    const port = panel && portAt(panel, row.port);
    return run && panel && port && run.carries === 'ethernet' ? { run, panel, port } : [];
  });
}
