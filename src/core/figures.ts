import { portsOf } from './gear/ports';
import type { Job } from './job/job';
import { indexJob } from './job/jobIndex';
import { isLive, isNow } from './job/records/run';
import { switchLoads } from './patching/switchLoad';
import { rackFigures } from './rack/figures';
import { runLengthMm } from './runs/routeLength';
import type { StationId } from './stations';
import { openByItself } from './survey/openPoints';
import { proposeRuns } from './survey/proposeRuns';
import { formatMass } from './units/force';
import { formatLength } from './units/length';

export type Figure = { name: string; value: string };

const of = (part: number, whole: number) => `${part} of ${whole}`;

/** Key figures of a station, for the docket. */
export function stationFigures(job: Job, station: StationId): Figure[] {
  const index = indexJob(job);
  const runs = index.runsInOrder;
  if (station === 'survey') {
    const { missing } = proposeRuns(job);
    return [
      { name: 'Rooms on the plan', value: String(Object.keys(job.rooms).length) },
      { name: 'Wishes', value: String(Object.keys(job.wishes).length) },
      { name: 'Runs not taken over yet', value: String(missing) },
      {
        name: 'Open points',
        value: String(openByItself(job).length + Object.values(job.openPoints).filter((one) => !one.done).length),
      },
    ];
  }
  if (station === 'runs') {
    const lengths = runs.filter(isNow).map((run) => runLengthMm(job, run));
    const known = lengths.filter((mm) => mm !== null);
    const total = known.reduce((sum, mm) => sum + mm, 0);
    return [
      { name: 'Runs', value: String(runs.length) },
      { name: 'With a device', value: String(runs.filter(isLive).length) },
      { name: 'Critical', value: String(runs.filter((run) => run.critical).length) },
      { name: 'Fixed cable', value: formatLength(total, job.units) },
      { name: 'Length unknown', value: String(lengths.length - known.length) },
    ];
  }
  if (station === 'stack') {
    const { units, freeUnits, massKg, ratedLoadKg, powerW, inPile } = rackFigures(job);
    const mass = formatMass(massKg, job.units);
    return [
      { name: 'Units free', value: of(freeUnits, units) },
      { name: 'In the pile', value: String(inPile) },
      {
        name: 'Gear in the rack',
        value: ratedLoadKg === null ? mass : `${mass} of ${formatMass(ratedLoadKg, job.units)}`,
      },
      { name: 'Power without PoE', value: `${powerW} W` },
    ];
  }
  if (station === 'land') {
    const ports = Object.values(job.gear)
      .filter((gear) => gear.kind === 'panel')
      .reduce((sum, gear) => sum + portsOf(gear).length, 0);
    return [
      { name: 'Landed', value: of(index.landingOfRun.size, runs.length) },
      { name: 'Panel ports', value: String(ports) },
      { name: 'Spare ports', value: String(Math.max(0, ports - index.landingAtPort.size)) },
    ];
  }
  const loads = switchLoads(index);
  return [
    { name: 'Patched', value: String(index.cordAtSwitchPort.size) },
    ...index.gearInOrder
      .filter((gear) => gear.kind === 'switch')
      .flatMap((gear) => {
        const load = loads.get(gear.id);
        const ports = portsOf(gear).length;
        const power =
          gear.poeBudgetW > 0
            ? [
                {
                  name: `${gear.name} PoE`,
                  value: `${Math.round((load?.usedW ?? 0) * 10) / 10} of ${gear.poeBudgetW} W`,
                },
              ]
            : [];
        return [{ name: `${gear.name} ports`, value: of(load?.runs.length ?? 0, ports) }, ...power];
      }),
  ];
}
