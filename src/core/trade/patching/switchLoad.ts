import type { PatchCord } from '../../job/document/cordKinds';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import type { Run } from '../../job/records/run';
import { linkFedW } from '../power/linkFed';
import { deviceWattsOf, poeUnknown } from '../power/poe';
import { budgetWatts } from './budgetWatts';

/** The run behind a cord, through the panel port it is plugged into. */
export function runBehind(job: Job, cord: PatchCord): Run | null {
  const index = indexJob(job);
  const landing = index.landingAtPort.get(portKey(cord.panelId, cord.panelPort));
  return (landing && job.runs[landing.runId]) ?? null;
}

export type SwitchLoad = {
  gear: Gear;
  usedW: number;
  budgetW: number;
  runs: { run: Run; cord: PatchCord }[];
  /** Runs whose device is powered over its cable and whose watts nobody entered: `usedW` counts the least class for them. */
  unknown: Run[];
};

/** Power that each switching device sets aside, by class (IEEE 802.3) or by draw as the job has it, for the runs patched to it and the switches that it feeds over its links. */
export function switchLoads(job: Job): Map<string, SwitchLoad> {
  const loads = new Map<string, SwitchLoad>();
  for (const cord of Object.values(patchCordsOf(job))) {
    const [gear, run] = [job.gear[cord.switchId], runBehind(job, cord)];
    if (!gear || !run) continue;
    const load = loads.get(gear.id) ?? { gear, usedW: 0, budgetW: gear.poeBudgetW, runs: [], unknown: [] };
    const watts = budgetWatts(job, run);
    load.usedW += Number.isFinite(watts) ? watts : deviceWattsOf(run);
    load.runs.push({ run, cord });
    if (poeUnknown(run)) load.unknown.push(run);
    loads.set(gear.id, load);
  }
  for (const gear of Object.values(job.gear)) {
    const watts = linkFedW(indexJob(job), gear);
    if (watts === 0) continue;
    const load = loads.get(gear.id) ?? { gear, usedW: 0, budgetW: gear.poeBudgetW, runs: [], unknown: [] };
    loads.set(gear.id, { ...load, usedW: load.usedW + watts });
  }
  return loads;
}
