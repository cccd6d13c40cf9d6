import { formatLength } from '../../base/units/length';
import { isLive, isNow } from '../../job/records/run';
import { STATION_NAMES } from '../../job/records/stationIds';
import { runLengthMm } from '../../trade/runs/routeLength';
import type { Station } from './station';

export const runs: Station = {
  id: 'runs',
  name: STATION_NAMES.runs,
  about: 'the permanent cabling',
  reads: {
    runs: ['id', 'label', 'scope', 'cable', 'floor', 'room', 'outlet', 'entry', 'lengthMm'],
    floors: true,
    rooms: true,
    places: true,
    racks: true,
    answers: true,
    rules: true,
  },
  // A run is done once it has a label, a length and a kind of cable.
  progress: ({ job, runsInOrder }) => {
    const now = runsInOrder.filter(isNow);
    return [
      now.filter((run) => run.label !== '' && run.cable !== '' && runLengthMm(job, run) !== null).length,
      now.length,
    ];
  },
  figures: ({ job, runsInOrder }) => {
    const lengths = runsInOrder.filter(isNow).map((run) => runLengthMm(job, run));
    const known = lengths.filter((mm) => mm !== null);
    const total = known.reduce((sum, mm) => sum + mm, 0);
    return [
      { id: 'runs', name: 'Runs', value: String(runsInOrder.length) },
      { id: 'with-a-device', name: 'With a device', value: String(runsInOrder.filter(isLive).length) },
      { id: 'critical', name: 'Critical', value: String(runsInOrder.filter((run) => run.critical).length) },
      { id: 'fixed-cable', name: 'Fixed cable', value: formatLength(total, job.units) },
      { id: 'length-unknown', name: 'Length unknown', value: String(lengths.length - known.length) },
    ];
  },
};
