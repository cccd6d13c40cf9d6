import { isSwitched } from './gear/ports';
import type { Job } from './job/job';
import { indexJob } from './job/jobIndex';
import { isLive, isNow } from './job/records/run';
import { findSnags } from './snags/findSnags';
import { STATIONS, type StationId } from './stations';
import { surveyProgress } from './survey/progress';

export type StationState = {
  id: StationId;
  /** Shown by shape: untouched, under way, settled, or with snags. */
  state: 'untouched' | 'under way' | 'settled' | 'snags';
  done: number;
  of: number;
  snags: number;
};

/** How far each station is: what is done of what is to do, and how many snags bite there. */
export function stationStates(job: Job): StationState[] {
  const index = indexJob(job);
  const runs = index.runsInOrder.filter(isNow);
  const live = runs.filter((run) => isLive(run) && isSwitched(run.carries));
  const patched = new Set<string>();
  for (const landing of index.landingAtPort.values()) {
    if (index.cordAtPanelPort.has(`${landing.panelId}:${landing.port}`)) patched.add(landing.runId);
  }
  const counts: Record<StationId, [done: number, of: number]> = {
    survey: surveyProgress(job),
    runs: [runs.length, runs.length],
    stack: [
      index.placementOfGear.size + index.carrierOfGear.size,
      Object.values(job.gear).filter((gear) => gear.kind !== 'blank').length,
    ],
    land: [index.landingOfRun.size, runs.length],
    patch: [live.filter((run) => patched.has(run.id)).length, live.length],
  };
  const snags = findSnags(job).filter((snag) => snag.grade !== 'could-be-neater');
  return STATIONS.map((id) => {
    const [done, of] = counts[id];
    const here = snags.filter((snag) => snag.stations.includes(id)).length;
    const state = done === 0 ? 'untouched' : here > 0 ? 'snags' : done >= of ? 'settled' : 'under way';
    return { id, state, done: Math.min(done, of), of, snags: here };
  });
}
