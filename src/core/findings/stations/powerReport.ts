import { kept, keptFor } from '../../base/memo/kept';
import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { inletCount } from '../../job/records/mainsSockets';
import type { UnitFacts } from '../../trade/power/batteries';
import { type CircuitFacts, circuitFacts } from '../../trade/power/circuitFacts';
import { type CabinetHeat, cabinetHeat } from '../../trade/power/cooling/cabinetHeat';
import { upsFacts } from '../../trade/power/cooling/upsFacts';
import { MAINS, type Part, partKey, partName } from '../../trade/power/dependencies/parts';
import { type SinglePoint, singlePoints } from '../../trade/power/dependencies/singlePoints';
import { lostWords, type Trip, trip } from '../../trade/power/dependencies/trip';
import { feedsOf } from '../../trade/power/feeds';
import { type GeneratorFacts, generatorFacts } from '../../trade/power/generator';
import { type PlaceNoise, placeNoise } from '../../trade/power/noise/placeNoise';
import { type RecorderFacts, recorderFacts, recordersOf } from '../../trade/power/storage/recorders';
import { answerOf, isAnswered } from '../../trade/survey/answers/answers';

/** All that the Power station reckons, for one version of a job and one day. */
export type PowerReport = {
  circuits: CircuitFacts[];
  units: UnitFacts[];
  cabinets: CabinetHeat[];
  noise: PlaceNoise[];
  storage: RecorderFacts[];
  generator: GeneratorFacts;
  /** Inlets without a plug. */
  unplugged: { gear: Gear; inlet: number }[];
  /** What nobody said yet, in words. */
  unknown: string[];
};

/**
 * Circuits, battery units, cabinets, noise and recordings of a job.
 * @param today a day such as 2026-11-27, by which batteries are judged; null: their age is not reckoned
 */
export const powerReport: (job: Job, today: string | null) => PowerReport = keptFor(makeReport);

function makeReport(job: Job, today: string | null): PowerReport {
  const feeds = feedsOf(job);
  const cabinets = Object.values(job.racks).map((rack) => cabinetHeat(job, rack));
  const units = feeds.units
    .filter(({ kind }) => kind === 'ups')
    .filter((gear) => inletCount(gear) > 0)
    .map((gear) => upsFacts(job, gear, today));
  const circuits = circuitFacts(job);
  const noise = Object.values(job.noisePlaces).map((place) => placeNoise(job, place));
  const storage = recordersOf(job).map((gear) => recorderFacts(job, gear));
  const generator = generatorFacts(job);
  const unplugged = feeds.consumers.flatMap((gear) =>
    Array.from({ length: inletCount(gear) }, (_, at) => at + 1)
      .filter((inlet) => !feeds.plugAtInlet.has(`${gear.id}:${inlet}`))
      .map((inlet) => ({ gear, inlet })),
  );
  const unfed = Object.values(job.wallOutlets).filter(({ circuitId }) => circuitId === null);
  return {
    circuits,
    units,
    cabinets,
    noise,
    storage,
    generator,
    unplugged,
    unknown: [
      ...(circuits.length === 0 && feeds.consumers.length > 0 ? ['which circuits feed the cabinets'] : []),
      ...unfed.map(({ name }) => `${name}: its circuit`),
      ...circuits.flatMap(({ circuit, unknown }) => unknown.map((words) => `${circuit.name}: ${words}`)),
      ...units.flatMap(({ gear, unknown }) => unknown.map((words) => `${gear.name}: ${words}`)),
      ...cabinets.flatMap(({ rack, unknown }) => unknown.map((words) => `${rack.name}: ${words}`)),
      ...(noise.length === 0 && answerOf(job, 'quiet') !== 'no' ? ['where people work or sleep near by'] : []),
      ...noise.flatMap(({ place, unknown }) => unknown.map((words) => `${place.name}: ${words}`)),
      ...storage.flatMap(({ gear, unknown }) => unknown.map((words) => `${gear.name}: ${words}`)),
      ...generator.unknown,
      ...(unplugged.length > 0
        ? [`where ${unplugged.length} inlet${unplugged.length === 1 ? ' is' : 's are'} plugged in`]
        : []),
      ...(isAnswered(job, 'minutes-wanted') ? [] : ['how long what must stay on should last without mains']),
    ],
  };
}

/** Minutes of a battery unit as old, as warm and as loaded as it is; null: one of these is not known, or it is past its life. */
export const minutesNow = ({ aged }: UnitFacts): number | null => aged?.minutes ?? null;

let lastTrip: { job: Job; key: string; made: Trip } | null = null;

/** What goes dark when these parts fail, with the batteries as they are today. The last one asked for is kept. */
export function tripNow(job: Job, parts: readonly Part[], today: string | null): Trip {
  const key = `${today} ${parts.map(partKey).join(' ')}`;
  if (lastTrip?.job === job && lastTrip.key === key) return lastTrip.made;
  const made = makeTrip(job, parts, today);
  if (Object.isFrozen(job)) lastTrip = { job, key, made };
  return made;
}

function makeTrip(job: Job, parts: readonly Part[], today: string | null): Trip {
  const { units, generator } = powerReport(job, today);
  return trip(
    job,
    parts,
    (unit) => {
      const facts = units.find(({ gear }) => gear.id === unit.id);
      return facts ? minutesNow(facts) : null;
    },
    generator.gapMin,
  );
}

/** Everything whose failure alone takes a service away, gravest first. */
export const singlePointsOf: (job: Job) => SinglePoint[] = kept(singlePoints);

const round = (value: number | null, digits = 1): number | null =>
  value === null || !Number.isFinite(value) ? null : Math.round(value * 10 ** digits) / 10 ** digits;

/** What the list of an outage says of a battery whose run time nobody knows. */
export const RUN_TIME_UNKNOWN = 'run time not known';

/** The report as scripts read it. Null: not known. */
export function powerJson(job: Job, today: string | null) {
  const report = powerReport(job, today);
  return {
    circuits: report.circuits.map(({ circuit, volts, limitA, full, amps, state }) => ({
      name: circuit.name,
      volts,
      amps: circuit.breakerA,
      limitA: round(limitA),
      loadW: round(full.w),
      loadVA: round(full.va),
      loadA: round(amps, 2),
      atLeast: full.unknown > 0,
      state,
    })),
    units: report.units.map((facts) => ({
      gear: facts.gear.name,
      loadW: round(facts.onBattery.w),
      loadVA: round(facts.onBattery.va),
      atLeast: facts.onBattery.unknown > 0,
      minutes: round(facts.minutes?.minutes ?? null, 0),
      minutesAged: round(facts.aged?.minutes ?? null, 0),
      due: facts.due,
      overdue: facts.overdue,
      unknown: facts.unknown,
    })),
    cabinets: report.cabinets.map((heat) => ({
      rack: heat.rack.name,
      heatW: round(heat.watts.sum),
      atLeast: heat.watts.unknown > 0,
      insideC: round(heat.insideC, 0),
      summerC: round(heat.summerC, 0),
      limitC: heat.limitC,
      airM3h: round(heat.airM3h),
      state: heat.state,
      unknown: heat.unknown,
    })),
    noise: report.noise.map(({ place, db, dayDb, nightDb, state, unknown }) => ({
      place: place.name,
      db: round(db, 0),
      targetDb: Math.min(dayDb, nightDb),
      state,
      unknown,
    })),
    storage: report.storage.map(({ gear, needTb, haveTb, days }) => ({
      gear: gear.name,
      needTB: round(needTb, 2),
      haveTB: round(haveTb, 2),
      days: round(days),
    })),
    trips: [
      MAINS,
      ...singlePointsOf(job)
        .map(({ part }) => part)
        .filter((part) => part !== MAINS),
    ].map((part) => {
      const { now, later } = tripNow(job, [part], today);
      return {
        part: partName(job, part),
        now: now.map(lostWords),
        later: later.flatMap(({ lost, minutes, what, units }) => {
          if (what === 'generator') return [];
          const event = what === 'unknown' ? RUN_TIME_UNKNOWN : 'battery empty';
          const unit = units.join(', ');
          const services = lost.length === 0 && what === 'unknown' ? [null] : lost.map(lostWords);
          return services.map((service) => ({ event, unit, service, minutes: round(minutes) }));
        }),
      };
    }),
    unknown: report.unknown,
  };
}
