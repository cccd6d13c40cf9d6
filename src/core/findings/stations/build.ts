import { isNow } from '../../job/records/run';
import { STATION_NAMES } from '../../job/records/stationIds';
import { partOf, type Station } from './station';

export const build: Station = {
  id: 'build',
  name: STATION_NAMES.build,
  about: 'from today’s cabinet to the new one, in which order, with what',
  reads: {
    ticks: true,
    placements: ['id'],
    landings: ['id'],
    cords: ['id'],
    plugs: ['id'],
    runs: ['id', 'label', 'scope'],
  },
  // Steps are worked out of today's cabinet, which is not in the job: each thing of the plan is one at least, and a run
  // is pulled, terminated and tested.
  progress: ({ job, runsInOrder }) => {
    const done = Object.values(job.ticks).filter(({ state }) => state === 'done').length;
    const things = (['placements', 'landings', 'cords', 'plugs'] as const).reduce(
      (sum, table) => sum + Object.keys(job[table]).length,
      0,
    );
    return [done, Math.max(Object.keys(job.ticks).length, things + runsInOrder.filter(isNow).length)];
  },
  countsOnly: true,
  figures: ({ job }) => {
    const ticks = Object.values(job.ticks);
    const of = (state: string) => ticks.filter((tick) => tick.state === state).length;
    const kit = Object.values(job.kitItems);
    const there = kit.filter(({ state }) => state === 'at-hand' || state === 'in-van').length;
    return [
      { id: 'steps-ticked', name: 'Steps ticked', value: String(of('done')) },
      { id: 'skipped', name: 'Skipped', value: String(of('skipped')) },
      { id: 'stuck', name: 'Stuck', value: String(of('stuck')) },
      { id: 'visits', name: 'Visits', value: String(Object.keys(job.visits).length) },
      { id: 'kit-at-hand', name: 'Kit at hand', value: partOf(there, kit.length) },
    ];
  },
};
