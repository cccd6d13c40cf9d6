import { portsOf } from '../../job/records/ports';
import { isNow } from '../../job/records/run';
import { STATION_NAMES } from '../../job/records/stationIds';
import { partOf, type Station } from './station';

export const land: Station = {
  id: 'land',
  name: STATION_NAMES.land,
  about: 'runs onto panel ports',
  reads: { runs: ['id', 'label', 'scope'], landings: true },
  progress: ({ landingOfRun, runsInOrder }) => [landingOfRun.size, runsInOrder.filter(isNow).length],
  figures: ({ job, landingOfRun, landingAtPort, runsInOrder }) => {
    const ports = Object.values(job.gear)
      .filter((gear) => gear.kind === 'panel')
      .reduce((sum, gear) => sum + portsOf(gear).length, 0);
    return [
      { id: 'landed', name: 'Landed', value: partOf(landingOfRun.size, runsInOrder.length) },
      { id: 'panel-ports', name: 'Panel ports', value: String(ports) },
      { id: 'spare-ports', name: 'Spare ports', value: String(Math.max(0, ports - landingAtPort.size)) },
    ];
  },
};
