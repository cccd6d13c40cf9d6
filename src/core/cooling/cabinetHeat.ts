import { feedsOthers, heatW } from '../gear/body';
import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { type LoadCase, poeLeaving } from '../power/deviceLoad';
import { carriedLoad, feedsOf } from '../power/feeds';
import { mainsForPoeW } from '../power/mainsCurrent';
import { gearIn } from '../rack/gearIn';
import { outerSize } from '../rack/outer';
import { carriedBy, placedIn } from '../rack/space';
import type { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { answerOf, figureOf, isAnswered } from '../site/answers';
import { fanShare, type Material, type Position, surfaceHeat, usualMostC, wallU } from '../standards/cooling';
import { type AtLeast, atLeast } from '../units/atLeast';
import { airFactor, stackAir } from './airflow';
import { closetRise } from './closet';
import { effectiveSurface } from './surface';

/** Watts that a device leaves in the cabinet; null: not known. What goes out over its ports turns to heat elsewhere. */
export function leavesW(job: Job, gear: Gear, at: LoadCase = 'full'): number | null {
  const own = at === 'idle' && gear.idleW !== null ? gear.idleW : heatW(gear);
  if (gear.kind === 'ups' && gear.efficiency !== null)
    return carriedLoad(feedsOf(job), gear, at).w * (1 / gear.efficiency - 1);
  if (own === null) return null;
  const poe = poeLeaving(indexJob(job), gear);
  return own + (poe > 0 ? mainsForPoeW(poe, gear.efficiency ?? undefined) - poe : 0);
}

export type HeatRow = {
  gear: Gear;
  bottomU: number;
  watts: number | null;
  intakeC: number | null;
  mostC: number;
  mostKnown: boolean;
};

/** What a cabinet gives its heat off by. */
export type Shell = {
  surfaceM2: number;
  material: Material;
  /** Openings below and above, cm², and how far apart. */
  lowCm2: number;
  highCm2: number;
  apartMm: number;
  /** Air that fans move through it, m³/h, and from which temperature on. */
  fanM3h: number;
  thermostatC: number | null;
};

export type CabinetHeat = {
  rack: Rack;
  watts: AtLeast;
  rows: HeatRow[];
  shell: Shell;
  /** Of the room, or the cupboard that it warms. */
  roomC: number;
  summerRoomC: number;
  /** As things idle on a usual day, at full on a usual day, and at full on the warmest. */
  usualC: number;
  insideC: number;
  summerC: number;
  grownC: number;
  /** The lowest of what its devices stand. */
  limitC: number;
  limitKnown: boolean;
  state: 'enough' | 'nearly full' | 'too little' | 'not judged';
  /** Air through it, m³/h, and what would be needed to stay within the limit in summer. */
  airM3h: number;
  needM3h: number;
  unknown: string[];
};

/** A door that is open, or none: the front is an opening. */
const isOpenInFront = (rack: Rack): boolean => rack.door === 'none';

export function shellOf(job: Job, rack: Rack): { shell: Shell; unknown: string[] } {
  const size = outerSize(rack);
  const position: Position = rack.position ?? (rack.standing === 'wall' ? 'alone-wall' : 'end-wall');
  const fans = gearIn(job, rack).filter(({ kind }) => kind === 'fan');
  const open = isOpenInFront(rack);
  const half = (size.widthMm * size.heightMm) / 2 / 100;
  const frame = rack.sides === 'open';
  return {
    shell: {
      surfaceM2: effectiveSurface(size, position, rack.topCovered),
      material: rack.material ?? 'steel',
      lowCm2: frame || open ? half : (rack.ventLowCm2 ?? 0),
      highCm2: frame || open ? half : (rack.ventHighCm2 ?? 0),
      apartMm: rack.ventApartMm ?? (open || frame ? size.heightMm / 2 : size.heightMm * 0.9),
      fanM3h: fanShare * fans.reduce((sum, { flowM3h }) => sum + (flowM3h ?? 0), 0),
      thermostatC:
        fans.length > 0 && fans.every(({ thermostatC }) => thermostatC !== null)
          ? Math.min(...fans.map(({ thermostatC }) => thermostatC ?? 0))
          : null,
    },
    unknown: [
      ...(rack.material === null ? ['what it is made of (reckoned as steel)'] : []),
      ...(rack.position === null && rack.standing !== 'wall' ? ['which of its faces are free'] : []),
      ...(!open && !frame && (rack.ventLowCm2 === null || rack.ventHighCm2 === null)
        ? ['its openings (reckoned as shut)']
        : []),
      ...fans.flatMap(({ name, flowM3h }) => (flowM3h === null ? [`how much air ${name} moves`] : [])),
      ...(rack.roof === 'fan' && fans.length === 0 ? ['the fan in its roof'] : []),
      ...(rack.material === 'wood' ? ['heat through wood, of which no figure is held'] : []),
    ],
  };
}

/** Air through a cabinet at a rise, m³/h. */
const airAt = (shell: Shell, riseK: number, roomC: number): number =>
  stackAir(shell.lowCm2, shell.highCm2, shell.apartMm, riseK, roomC + riseK / 2) +
  (shell.thermostatC === null || roomC + riseK >= shell.thermostatC ? shell.fanM3h : 0);

/** Watts that a cabinet gives off at a rise: through its faces and with its air. */
export function givesOff(shell: Shell, riseK: number, roomC: number, heightM = 0): number {
  const k = surfaceHeat[shell.material] ?? 0;
  return k * shell.surfaceM2 * riseK + (airAt(shell, riseK, roomC) * riseK) / airFactor(roomC + riseK / 2, heightM);
}

/** Rise of the air inside over the room, K: where as much is given off as there is. Most is 150 K. */
export function riseOf(shell: Shell, watts: number, roomC: number, heightM = 0): number {
  let [low, high] = [0, 150];
  if (watts <= 0) return 0;
  if (givesOff(shell, high, roomC, heightM) < watts) return high;
  for (let round = 0; round < 40; round++) {
    const middle = (low + high) / 2;
    if (givesOff(shell, middle, roomC, heightM) < watts) low = middle;
    else high = middle;
  }
  return high;
}

/** How much a cupboard warms up by what stands in it, K; a room in use does not. */
export function cupboardRise(job: Job, watts: number): number {
  if (answerOf(job, 'room-kind') !== 'cupboard') return 0;
  return closetRise(watts, figureOf(job, 'room-m3'), figureOf(job, 'room-changes'), figureOf(job, 'room-m2'), wallU);
}

/** Heat and temperature of one cabinet. */
export function cabinetHeat(job: Job, rack: Rack): CabinetHeat {
  const gear = placedIn(job, rack.id).flatMap(({ gear: one, placement }) =>
    [one, ...carriedBy(job, one.id)].map((each) => ({ gear: each, bottomU: placement.bottomU })),
  );
  const parts = gear.map((one) => ({ ...one, watts: leavesW(job, one.gear) }));
  const watts = atLeast(parts.map((one) => one.watts));
  const { shell, unknown } = shellOf(job, rack);
  const height = figureOf(job, 'height-m');
  const all = Object.values(job.racks).reduce(
    (sum, other) => sum + atLeast(gearIn(job, other).map((one) => leavesW(job, one))).sum,
    0,
  );
  const cupboard = cupboardRise(job, all);
  const [roomC, summerRoomC] = [figureOf(job, 'room-c') + cupboard, figureOf(job, 'room-summer-c') + cupboard];
  const growth = (1 + figureOf(job, 'growth-percent') / 100) ** figureOf(job, 'growth-years');
  const inside = (room: number, load: number) => room + riseOf(shell, load, room, height);
  const [insideC, summerC] = [inside(roomC, watts.sum), inside(summerRoomC, watts.sum)];
  const idleW = atLeast(gear.map((one) => leavesW(job, one.gear, 'idle'))).sum;
  const usualC = inside(roomC, idleW);
  const grownC = inside(summerRoomC, watts.sum * growth);
  const active = parts.filter(({ gear: one }) => (heatW(one) ?? 1) > 0 || feedsOthers(one));
  const known = active.flatMap(({ gear: one }) => one.mostC ?? []);
  const limitC = Math.min(usualMostC, ...known);
  // What is known to stand less than is usual decides.
  const limitKnown =
    active.length > 0 && (Math.min(...known) <= usualMostC || active.every(({ gear: one }) => one.mostC !== null));
  const airM3h = airAt(shell, insideC - roomC, roomC);
  const rows = intakes(parts, {
    roomC: summerRoomC,
    insideC: summerC,
    air: airAt(shell, summerC - summerRoomC, summerRoomC),
    watts: watts.sum,
  });
  const open = [
    ...unknown,
    ...(watts.unknown > 0 ? [`the heat of ${watts.unknown} device${watts.unknown === 1 ? '' : 's'}`] : []),
    ...(isAnswered(job, 'room-summer-c') ? [] : ['how warm the room gets in summer']),
    ...(answerOf(job, 'room-kind') === 'unknown' ? ['whether it stands in a cupboard'] : []),
    ...(limitKnown ? [] : [`what its devices stand (reckoned with ${usualMostC} °C)`]),
  ];
  const state =
    summerC > limitC ? 'too little' : open.length > 0 ? 'not judged' : summerC > limitC - 5 ? 'nearly full' : 'enough';
  const riseK = limitC - summerRoomC;
  const through = (surfaceHeat[shell.material] ?? 0) * shell.surfaceM2 * Math.max(0, riseK);
  return {
    rack,
    watts,
    rows,
    shell,
    roomC,
    summerRoomC,
    usualC,
    insideC,
    summerC,
    grownC,
    limitC,
    limitKnown,
    state,
    airM3h,
    needM3h:
      riseK > 0
        ? (Math.max(0, watts.sum - through) * airFactor(summerRoomC, height)) / riseK
        : Number.POSITIVE_INFINITY,
    unknown: open,
  };
}

/**
 * What each device draws in, from the bottom up. In a stream of air each one gets what those below have warmed; where the
 * air stands it is alike everywhere. Common practice, no source.
 */
function intakes(
  parts: readonly { gear: Gear; bottomU: number; watts: number | null }[],
  { roomC, insideC, air, watts }: { roomC: number; insideC: number; air: number; watts: number },
): HeatRow[] {
  const order = [...parts].sort((a, b) => a.bottomU - b.bottomU);
  let below = 0;
  return order.map(({ gear, bottomU, watts: own }) => {
    const streams = air > 0 && watts > 0;
    const intakeC = streams ? roomC + (insideC - roomC) * Math.min(1, (below + (own ?? 0) / 2) / watts) : insideC;
    below += own ?? 0;
    return { gear, bottomU, watts: own, intakeC, mostC: gear.mostC ?? usualMostC, mostKnown: gear.mostC !== null };
  });
}
