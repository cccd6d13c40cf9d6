import { practice } from '../../base/standards/practice';
import { ruleSets } from '../../base/standards/ruleSets';
import { commonPractice, type Source } from '../../base/standards/source';
import type { Reckoning } from '../../base/text/reckoning';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { feedsOthers, isUpright, ownW } from '../../job/gear/body';
import type { Gear } from '../../job/records/gear';
import { inletCount, outletCount } from '../../job/records/mainsSockets';
import { portKey } from '../../job/records/portKey';
import { canLand, isCage, isPanel, isSwitched, portsOf } from '../../job/records/ports';
import { isLive, isNow, isUntraced, type Run } from '../../job/records/run';
import { budgetWatts } from '../patching/budgetWatts';
import { portsToKeep } from '../patching/keptPorts';
import { circuitLoads } from '../power/feeds';
import { amperes, mainsForPoeW } from '../power/mainsCurrent';
import { deviceWattsOf, drawnWattsOf, poeUnknown, takesPower } from '../power/poe';
import { wallOutletCount } from '../power/surveyedWalls';
import { answerOf, figureOf, isAnswered } from './answers/answers';

/** One thing that can run out. All in `unit`. */
export type Capacity = {
  id: string;
  name: string;
  unit: string;
  has: number;
  used: number;
  /** Asked for later, or waiting in the pile. */
  reserved: number;
  free: number;
  /** Used and reserved, grown for as many years as set. */
  grown: number;
  /** Grown against what there is; infinite when there is none of what is needed. */
  share: number;
  /** Devices whose figure is not known: used and reserved are at least so much. */
  unknown: number;
  /** What there is was not said yet; a default stands for it. */
  unsaid: boolean;
  state: 'enough' | 'nearly full' | 'too little' | 'not judged';
  /** Year in which it runs out at that growth; 0 now, null not within 30 years. */
  fullInYears: number | null;
  source: Source;
  /** How its growth is reckoned. */
  reckoning: Reckoning;
};

/** Switches with power have large supplies, which are corrected. Common practice, no source. */
const POE_POWER_FACTOR = 0.9;

/** A need after so many years of growth by a share a year. */
export const grownNeed = (need: number, percent: number, years: number): number => need * (1 + percent / 100) ** years;

type Row = Pick<Capacity, 'id' | 'name' | 'unit' | 'has' | 'used' | 'reserved'> & {
  whole?: boolean;
  /** False: need does not grow with the years. */
  grows?: boolean;
  /** What there is was not said yet: it is not judged by a default. */
  unsaid?: boolean;
  source?: Source;
  unknown?: number;
};

const sum = <T>(rows: readonly T[], of: (row: T) => number) => rows.reduce((total, row) => total + of(row), 0);
const both = <T>(rows: readonly T[], isUsed: (row: T) => boolean, of: (row: T) => number) => ({
  used: sum(rows.filter(isUsed), of),
  reserved: sum(
    rows.filter((row) => !isUsed(row)),
    of,
  ),
});
const plus = (of: { used: number; reserved: number }, used: number, reserved: number) => ({
  used: of.used + used,
  reserved: of.reserved + reserved,
});

const unlessBeyond = (watts: number, run: Run) => (Number.isFinite(watts) ? watts : deviceWattsOf(run));

/** Current on the circuits, or on the one that the survey tells of where none is entered. */
function mainsRows(job: Job, live: readonly Run[]): Row[] {
  const index = indexJob(job);
  const poe = live.filter((run) => takesPower(run));
  const gear = Object.values(job.gear);
  const { continuous } = ruleSets[job.rules];
  // Watts say nothing of current before the voltage is known.
  const volts = answerOf(job, 'mains-volts') === 'unknown' ? null : Number(answerOf(job, 'mains-volts'));
  const ampsOf = (watts: number, factor?: number) => (volts === null ? 0 : amperes(watts, volts, factor));
  // What the Power station was told goes before what the survey was.
  const rated = Object.values(job.circuits).filter(({ breakerA }) => breakerA !== null);
  const amps = both(
    gear,
    (one) => index.placementOfGear.has(one.id),
    (one) => ampsOf(ownW(one) ?? 0),
  );
  const poeAmps = both(poe, isLive, (run) =>
    ampsOf(mainsForPoeW(unlessBeyond(drawnWattsOf(run), run)), POE_POWER_FACTOR),
  );
  return [
    // One breaker does not help another: each circuit is judged by what is plugged into it.
    ...circuitLoads(job).flatMap(({ circuit, amps: now, limitA, unknown }): Row[] =>
      limitA === null
        ? []
        : [
            {
              id: `amps-${circuit.id}`,
              name: `Mains current: ${circuit.name}`,
              unit: 'A',
              has: limitA,
              used: now ?? 0,
              reserved: 0,
              unknown: unknown.length,
              source: continuous.source,
            },
          ],
    ),
    ...(rated.length > 0
      ? []
      : [
          {
            id: 'amps',
            name: volts === null ? 'Mains current, voltage not known' : `Mains current at ${volts} V`,
            unit: 'A',
            has: figureOf(job, 'mains-amps') * continuous.share,
            used: amps.used + poeAmps.used + figureOf(job, 'mains-used-amps'),
            reserved: amps.reserved + poeAmps.reserved,
            unknown:
              gear.filter((one) => (volts === null ? ownW(one) !== 0 : ownW(one) === null)).length +
              live.filter(poeUnknown).length +
              // What else is on the circuit is a load that nobody entered, not none.
              (isAnswered(job, 'mains-used-amps') ? 0 : 1),
            unsaid: !isAnswered(job, 'mains-amps'),
            source: continuous.source,
          },
        ]),
  ];
}

/** A row with what is free, what will be needed, and whether that is enough. */
function judgedRow(
  { whole, grows = true, unsaid = false, source = commonPractice, unknown = 0, ...row }: Row,
  percent: number,
  years: number,
): Capacity {
  const rate = grows ? percent : 0;
  const need = row.used + row.reserved;
  const exact = grownNeed(need, rate, years);
  const grown = whole ? Math.ceil(exact - 1e-9) : exact;
  const share = row.has > 0 ? grown / row.has : grown > 0 ? Number.POSITIVE_INFINITY : 0;
  const state =
    share > 1 && !unsaid
      ? ('too little' as const)
      : unknown > 0 || unsaid
        ? ('not judged' as const)
        : share >= practice.fullShare
          ? ('nearly full' as const)
          : ('enough' as const);
  return {
    ...row,
    unknown,
    unsaid,
    free: row.has - need,
    grown,
    share,
    state,
    fullInYears: fullIn(need, row.has, rate),
    source,
    reckoning: { entry: 'growth', given: { need, percent: rate, years } },
  };
}

/** Everything that can run out: what is there, used, reserved and needed after the years set. Rows without any stock or need are left out. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one row for each thing that can run out
export function capacities(job: Job): Capacity[] {
  const index = indexJob(job);
  const [percent, years] = [figureOf(job, 'growth-percent'), figureOf(job, 'growth-years')];
  const gear = Object.values(job.gear);
  const placed = (id: string) => index.placementOfGear.has(id);
  const panelPorts = gear.filter(isPanel).flatMap(portsOf);
  const switches = gear.filter((one) => one.kind === 'switch');
  const accessPorts = switches.flatMap((one) =>
    portsOf(one)
      .filter(({ use }) => use === 'access')
      .map((port) => ({ ...port, linked: index.uplinkAtPort.has(portKey(one.id, port.number)) })),
  );
  const switchPorts = accessPorts.filter((port) => port.connector === 'rj45');
  const cages = accessPorts.filter(isCage);
  // Ports that links and gear in the rack will need are spoken for.
  const { kept } = portsToKeep(job, new Set([...index.uplinkAtPort.keys(), ...index.cordAtSwitchPort.keys()]));
  const keptOf = (cage: boolean) => kept.filter((one) => one.cage === cage).length;
  const lightRuns = index.runsInOrder.filter((run) => run.device !== '' && run.carries === 'fibre');
  // A run of a later wish hangs on a device, if not on this job's.
  const landable = index.runsInOrder.filter(
    (run) => !isUntraced(run) && panelPorts.some((port) => canLand(port, run.carries)),
  );
  const live = index.runsInOrder.filter(
    (run) => run.device !== '' && run.carries === 'ethernet' && isSwitched(run.carries),
  );
  const faster = (mbps: number) => (run: Run) => (run.speedMbps ?? 0) > mbps;
  const { plug } = ruleSets[job.rules];
  const poe = live.filter((run) => takesPower(run));
  const unitsOf = (one: Gear) => (one.frame === 'free' || isUpright(one) ? 0 : one.heightU);
  const rows: Row[] = [
    {
      id: 'units',
      name: 'Rack units',
      unit: 'U',
      has: sum(Object.values(job.racks), (rack) => rack.units),
      ...both(
        gear.filter((one) => !index.carrierOfGear.has(one.id)),
        (one) => placed(one.id),
        unitsOf,
      ),
      whole: true,
      // More devices need more ports; the rack is chosen once.
      grows: false,
    },
    {
      id: 'panel',
      name: 'Panel ports',
      unit: 'ports',
      has: panelPorts.length,
      ...both(landable, isNow, () => 1),
      whole: true,
    },
    {
      id: 'switch',
      name: 'Switch ports, any speed',
      unit: 'ports',
      has: switchPorts.length,
      ...plus(
        both(live, isLive, () => 1),
        switchPorts.filter(({ linked }) => linked).length,
        keptOf(false),
      ),
      whole: true,
    },
    {
      id: 'cages',
      name: 'Switch cages',
      unit: 'cages',
      has: cages.length,
      ...plus(
        both(lightRuns, isLive, () => 1),
        cages.filter(({ linked }) => linked).length,
        keptOf(true),
      ),
      whole: true,
    },
    ...[1000, 5000].map((mbps) => ({
      id: `switch-${mbps}`,
      name: `Switch ports above ${mbps / 1000} Gb/s`,
      unit: 'ports',
      has: switchPorts.filter((port) => (port.speedMbps ?? 0) > mbps).length,
      ...both(live.filter(faster(mbps)), isLive, () => 1),
      // A run of which nobody said how fast it must be may need one.
      unknown: live.filter(({ speedMbps }) => speedMbps === null).length,
      whole: true,
    })),
    {
      id: 'poe-ports',
      name: 'Switch ports with power',
      unit: 'ports',
      has: switchPorts.filter((port) => port.poeW > 0).length,
      ...both(poe, isLive, () => 1),
      whole: true,
    },
    {
      id: 'poe-watts',
      name: 'PoE power',
      unit: 'W',
      has: sum(switches, (one) => one.poeBudgetW),
      ...both(poe, isLive, (run) => unlessBeyond(budgetWatts(job, run), run)),
      unknown: live.filter(poeUnknown).length,
    },
    {
      id: 'outlets',
      name: plug === '' ? 'Mains outlets' : `Mains outlets (${plug})`,
      unit: 'outlets',
      // What passes the mains on takes outlets as well as it gives them.
      has:
        (wallOutletCount(job) ?? 0) +
        sum(gear.filter(feedsOthers), (one) => Math.max(0, outletCount(one) - inletCount(one))),
      ...both(
        gear.filter((one) => !feedsOthers(one)),
        (one) => placed(one.id),
        inletCount,
      ),
      unsaid: wallOutletCount(job) === null,
      whole: true,
    },
    ...mainsRows(job, live),
  ];
  return rows.filter((row) => row.has > 0 || row.used + row.reserved > 0).map((row) => judgedRow(row, percent, years));
}

function fullIn(need: number, has: number, percent: number): number | null {
  for (let year = 0; year <= 30; year++) if (grownNeed(need, percent, year) > has + 1e-9) return year;
  return null;
}
