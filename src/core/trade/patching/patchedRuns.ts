import type { PatchCord } from '../../job/document/cordKinds';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { type Port, portAt } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { runBehind } from './switchLoad';

export type Patched = { run: Run; cord: PatchCord; device: Gear; port: Port };

/** Every run that is patched to a port that exists. */
export function patchedRuns(job: Job): Patched[] {
  return Object.values(patchCordsOf(job)).flatMap((cord) => {
    const [run, device] = [runBehind(job, cord), job.gear[cord.switchId]];
    const port = device && portAt(device, cord.switchPort);
    return run && port ? { run, cord, device, port } : [];
  });
}
