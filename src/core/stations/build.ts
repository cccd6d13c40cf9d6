import { STATION_NAMES } from '../job/stationIds';
import { partOf, type Station } from './station';

export const build: Station = {
  id: 'build',
  name: STATION_NAMES.build,
  about: 'from today’s cabinet to the new one, in which order, with what',
  tables: ['cutovers', 'visits', 'upHours', 'ticks', 'orderPins', 'stopgaps', 'kitItems'],
  reads: { ticks: true },
  progress: ({ job }) => {
    const ticks = Object.values(job.ticks);
    return [ticks.filter(({ state }) => state === 'done').length, ticks.length];
  },
  countsOnly: true,
  figures: ({ job }) => {
    const ticks = Object.values(job.ticks);
    const of = (state: string) => ticks.filter((tick) => tick.state === state).length;
    const kit = Object.values(job.kitItems);
    const there = kit.filter(({ state }) => state === 'at-hand' || state === 'in-van').length;
    return [
      { name: 'Steps ticked', value: String(of('done')) },
      { name: 'Skipped', value: String(of('skipped')) },
      { name: 'Stuck', value: String(of('stuck')) },
      { name: 'Visits', value: String(Object.keys(job.visits).length) },
      { name: 'Kit at hand', value: partOf(there, kit.length) },
    ];
  },
};
