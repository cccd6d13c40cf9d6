import { fullBudget } from '../../base/solve/budgeted/fullBudget';
import { type Chemistry, endOfLifeShare, ownDraw, peukertExponent, topologies } from '../../base/standards/batteries';
import { counted } from '../../base/text/counted';
import { addYears, yearsBetween } from '../../base/text/days';
import type { Job } from '../../job/document/job';
import { gearLibrary } from '../../job/gear/library';
import type { Battery, Gear } from '../../job/records/gear';
import { outletsOf } from '../../job/records/mainsSockets';
import { figureOf } from '../survey/answers/answers';
import {
  agedShare,
  coldDivisor,
  lifeAt,
  peukertMinutes,
  rechargeHours,
  type TableMinutes,
  tableMinutes,
} from './batteryRuntime';
import type { Load } from './deviceLoad';
import { batteryLoad, type Feeds, feedsOf, plugLoad } from './feeds';

/** Efficiency of an inverter where the data sheet does not tell. Common practice, no source. */
const INVERTER = 0.85;

/** Volts of all blocks in series and ampere-hours of all strings; null: not known. */
export function bankOf({ blockV, blockAh, blocks, strings }: Battery): { volts: number; ah: number } | null {
  return blockV === null || blockAh === null ? null : { volts: blockV * blocks, ah: blockAh * strings };
}

export type Minutes = TableMinutes & { by: 'maker’s table' | 'Peukert' };

/** What a unit itself draws while it runs on battery, W: as entered, else as is usual for its size. */
export const ownBatteryW = ({ ownW, ratedVa }: Battery): number =>
  ownW ??
  (ratedVa === null ? ownDraw.unknownW : Math.min(ownDraw.mostW, Math.max(ownDraw.leastW, ratedVa * ownDraw.ofVa)));

/**
 * Minutes of a battery at a load. A maker's table counts what the unit itself draws; by its blocks it is added.
 * @param share of its capacity that it still has, temperature counted in
 * @returns null when neither a table nor its blocks are known
 */
export function batteryMinutes(battery: Battery, efficiency: number | null, loadW: number, share = 1): Minutes | null {
  if (loadW <= 0) return null;
  const read = tableMinutes(battery.runtime, loadW);
  if (read) return { ...read, minutes: read.minutes * share, by: 'maker’s table' };
  const bank = bankOf(battery);
  if (!bank || share <= 0) return null;
  const inverter = efficiency ?? INVERTER;
  const minutes = peukertMinutes(
    bank.volts,
    bank.ah * share,
    inverter,
    loadW + ownBatteryW(battery) * inverter,
    peukertExponent[battery.chemistry],
  );
  return { minutes, bound: 'exact', by: 'Peukert' };
}

export type UnitFacts = {
  gear: Gear;
  load: Load;
  /** What is on its battery. */
  onBattery: Load;
  ratedW: number | null;
  ratedVa: number | null;
  /** As new at 25 °C, and as old and as warm as it is; null: not known. */
  minutes: Minutes | null;
  aged: Minutes | null;
  /** As new, but as warm as it is: more than that it never lasts, whatever its age. */
  best: Minutes | null;
  /** Air around its blocks, °C. */
  ambientC: number;
  /** Share of its capacity that is left by age, and the day its blocks are due; null: their date is not known. */
  share: number | null;
  due: string | null;
  overdue: boolean | null;
  rechargeH: number | null;
  blocksKg: number | null;
  transferMs: number | null;
  unknown: string[];
};

/**
 * What is to be said of a battery unit.
 * @param ambientC of the air around its blocks
 * @param today null: its age is not reckoned
 */
export function unitFacts(job: Job, gear: Gear, ambientC: number, today: string | null): UnitFacts {
  const feeds = feedsOf(job);
  const battery = gear.battery;
  const onBattery = batteryLoad(feeds, gear, 'full');
  const load = feeds.loadOf(gear, 'full');
  const chemistry: Chemistry = battery?.chemistry ?? 'vrla';
  const madeOn = battery?.madeOn ?? null;
  const life = lifeAt(chemistry, ambientC);
  const years = madeOn !== null && today !== null ? yearsBetween(madeOn, today) : null;
  const share = years === null ? null : agedShare(years, life);
  const bank = battery ? bankOf(battery) : null;
  const due = madeOn === null ? null : addYears(madeOn, life);
  const minutes = battery && onBattery.unknown === 0 ? batteryMinutes(battery, gear.efficiency, onBattery.w) : null;
  const best =
    battery && onBattery.unknown === 0
      ? batteryMinutes(battery, gear.efficiency, onBattery.w, 1 / coldDivisor(chemistry, ambientC))
      : null;
  const aged =
    battery && share !== null && onBattery.unknown === 0
      ? batteryMinutes(battery, gear.efficiency, onBattery.w, share / coldDivisor(chemistry, ambientC))
      : null;
  return {
    gear,
    load,
    onBattery,
    ratedW: battery?.ratedW ?? null,
    ratedVa: battery?.ratedVa ?? null,
    minutes,
    aged,
    best,
    ambientC,
    share,
    due,
    overdue: due === null || today === null ? null : due < today,
    rechargeH: bank && battery?.chargeA ? rechargeHours(bank.ah, battery.chargeA) : null,
    blocksKg: battery?.blockKg ? battery.blockKg * battery.blocks * battery.strings : null,
    transferMs: battery?.transferMs ?? (battery?.topology ? topologies[battery.topology].transferMs : null),
    unknown: [
      ...(battery === null ? ['its battery'] : []),
      ...(battery && battery.ratedW === null ? ['its rating in watts'] : []),
      ...(battery && battery.ratedVa === null ? ['its rating in VA'] : []),
      ...(battery && battery.runtime.length === 0 && !bank ? ['its runtime table or its blocks'] : []),
      ...(battery && madeOn === null ? ['the date of its blocks'] : []),
      ...(madeOn !== null && today === null ? ['the day that its age is judged by'] : []),
      ...(years !== null && share === null ? ['what is left of its blocks: they are past their life'] : []),
      ...(unknownOutlets(gear) > 0
        ? [`whether ${counted(unknownOutlets(gear), 'outlet')} of it are battery-backed`]
        : []),
      ...(onBattery.unknown > 0 ? [`the draw of ${counted(onBattery.unknown, 'device')} on it`] : []),
    ],
  };
}

const unknownOutlets = (gear: Gear): number => outletsOf(gear).filter(({ backing }) => backing === 'unknown').length;

/** The most that a battery may carry to last so long, W; null: not known. */
export function loadFor(battery: Battery, efficiency: number | null, minutes: number, share = 1): number | null {
  const lasts = (watts: number) => batteryMinutes(battery, efficiency, watts, share);
  const least = lasts(1);
  if (!least) return null;
  // Beyond the ends of a table it is only known to last at most so long.
  const holds = (watts: number) => {
    const at = lasts(watts);
    return at !== null && at.bound !== 'at most' && at.minutes >= minutes;
  };
  let [low, high] = [0, 50_000];
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** What it is worth that a device stays on. */
const WORTH = { stays: 1_000_000, 'may-go': 1000, 'goes-first': 10 } as const;

export type Shed = { gearId: string; name: string; watts: number; inOutage: Gear['inOutage'] };
export type Shedding = {
  minutes: number;
  /** What is dropped for it, least wanted first, and what stays on. */
  dropped: Shed[];
  keptW: number;
  /** Even with nothing left it does not last so long, or nobody knows. */
  fails: boolean;
  proven: boolean;
};

/** What is on the battery of a unit, device by device. */
export function shedList(feeds: Feeds, unit: Gear): Shed[] {
  const backed = new Set(outletsOf(unit).flatMap(({ number, backing }) => (backing === 'battery' ? number : [])));
  const watts = new Map<string, number>();
  for (const plug of feeds.plugsInto.get(unit.id) ?? [])
    if (backed.has(plug.outlet))
      watts.set(plug.gearId, (watts.get(plug.gearId) ?? 0) + plugLoad(feeds, plug, 'full').w);
  return [...watts].flatMap(([gearId, w]) => {
    const gear = feeds.job.gear[gearId];
    return gear && w > 0 ? { gearId, name: gear.name, watts: w, inOutage: gear.inOutage } : [];
  });
}

/** Loads to drop so that the rest comes to so many watts at most: the choice that keeps what is wanted most. Exact. */
export function shedTo(loads: readonly Shed[], mostW: number): { dropped: Shed[]; proven: boolean } {
  const total = loads.reduce((sum, { watts }) => sum + watts, 0);
  if (total <= mostW + 1e-9) return { dropped: [], proven: true };
  // Of what is wanted alike the fewest are dropped.
  const { counts, value, bound } = fullBudget(
    Float64Array.from(loads, ({ watts }) => watts),
    Float64Array.from(loads, ({ inOutage }) => WORTH[inOutage]),
    new Int32Array(loads.length).fill(1),
    mostW + 1e-9,
  );
  const order = { 'goes-first': 0, 'may-go': 1, stays: 2 };
  return {
    dropped: loads
      .filter((_, at) => counts[at] === 0)
      .sort((a, b) => order[a.inOutage] - order[b.inOutage] || b.watts - a.watts),
    proven: bound <= value + 1e-6,
  };
}

/** What to drop of a unit's battery so that the rest lasts so long. */
export function shedding(job: Job, unit: Gear, minutes: number, share = 1): Shedding | null {
  if (!unit.battery) return null;
  const loads = shedList(feedsOf(job), unit);
  const most = loadFor(unit.battery, unit.efficiency, minutes, share);
  if (most === null) return null;
  const { dropped, proven } = shedTo(loads, most);
  const keptW = loads.reduce((sum, { watts }) => sum + watts, 0) - dropped.reduce((sum, { watts }) => sum + watts, 0);
  return { minutes, dropped, keptW, fails: keptW === 0 && loads.length > 0, proven };
}

/** Minutes against what is dropped for them, from all on to only what must stay on: a point each time something more goes. */
export function sheddingCurve(job: Job, unit: Gear, share = 1): Shedding[] {
  const loads = shedList(feedsOf(job), unit);
  const total = loads.reduce((sum, { watts }) => sum + watts, 0);
  const start = unit.battery && batteryMinutes(unit.battery, unit.efficiency, total, share);
  if (!start || loads.length === 0) return [];
  const points: Shedding[] = [];
  for (let minutes = start.minutes; minutes <= start.minutes * 60 && points.length < 24; minutes *= 1.12) {
    const at = shedding(job, unit, minutes * 0.9999, share);
    if (!at || at.fails) break;
    if (points.at(-1)?.dropped.length !== at.dropped.length || points.length === 0) points.push(at);
    else points[points.length - 1] = at;
  }
  return points;
}

/** Units of the library that carry a load for so long at the end of their batteries' life, smallest first. None where the draw is not known. */
export function unitsFor(
  load: Load,
  minutes: number,
): { name: string; ratedW: number; minutes: number; massKg: number | null }[] {
  if (load.unknown > 0) return [];
  return gearLibrary()
    .flatMap((entry) => {
      const { battery, efficiency } = entry;
      if (!battery || battery.ratedW === null || battery.ratedVa === null) return [];
      if (battery.ratedW < load.w || battery.ratedVa < load.va) return [];
      const lasts = batteryMinutes(battery, efficiency, Math.max(1, load.w), endOfLifeShare);
      if (!lasts || lasts.minutes < minutes) return [];
      return [{ name: entry.name, ratedW: battery.ratedW, minutes: lasts.minutes, massKg: entry.massKg }];
    })
    .sort((a, b) => a.ratedW - b.ratedW);
}

/** Minutes that what must stay on is wanted for. */
export const minutesWanted = (job: Job): number => figureOf(job, 'minutes-wanted');
