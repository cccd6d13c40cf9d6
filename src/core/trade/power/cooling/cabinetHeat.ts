import {
  altitudeLimit,
  cautiousHeightM,
  fanShare,
  type Material,
  openingSpeed,
  type Position,
  surfaceHeat,
  topFactor,
  usualMostC,
  wallU,
} from '../../../base/standards/cooling';
import { type AtLeast, atLeast } from '../../../base/units/atLeast';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { feedsOthers, heatW } from '../../../job/gear/body';
import { gearIn } from '../../../job/rack/gearIn';
import { outerSize } from '../../../job/rack/outer';
import { carriedBy, placedIn } from '../../../job/rack/space';
import type { Gear } from '../../../job/records/gear';
import type { Rack } from '../../../job/records/rack';
import { answerOf, figureOf, isAnswered } from '../../survey/answers/answers';
import { type LoadCase, poeLeaving } from '../deviceLoad';
import { carriedLoad, feedsOf } from '../feeds';
import { mainsForPoeW } from '../mainsCurrent';
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
  /** At the top: as things idle on a usual day, at full on a usual day, and at full on the warmest. */
  usualC: number;
  insideC: number;
  summerC: number;
  grownC: number;
  /** In summer with all that is not known at its best. */
  bestC: number;
  bestUsualC: number;
  bestLimitC: number;
  /** The lowest of what its devices stand. */
  limitC: number;
  limitKnown: boolean;
  state: 'enough' | 'nearly full' | 'too little' | 'not judged';
  /** Air through it, m³/h, and what would be needed to stay within the limit in summer. */
  airM3h: number;
  needM3h: number;
  unknown: string[];
};

/** Whether the front is an opening: a frame, or a cabinet that is known to have no door. One that is not known is shut. */
const isOpenInFront = (rack: Rack): boolean => rack.door === 'none' || (rack.door === null && rack.sides === 'open');

/** Air that fans move, m³/h: a box without an opening on both sides moves none, and small ones choke it. */
const fanAirOf = ({ fanM3h, lowCm2, highCm2 }: Pick<Shell, 'fanM3h' | 'lowCm2' | 'highCm2'>): number =>
  Math.min(fanM3h, (Math.min(lowCm2, highCm2) / 1e4) * openingSpeed * 3600);

/** Height above the sea to calculate with, m. */
export const heightOf = (job: Job): number =>
  isAnswered(job, 'height-m') ? figureOf(job, 'height-m') : cautiousHeightM;
/** What thin air takes off the temperature that gear stands, K (ASHRAE). */
const thinAirK = (heightM: number): number => Math.max(0, heightM - altitudeLimit.aboveM) / altitudeLimit.eachM;

/** The shell at its best as far as it is not known: of steel, without a door. */
function bestShell(job: Job, rack: Rack, shell: Shell): Shell {
  const { shell: open } = shellOf(job, {
    ...rack,
    material: rack.material ?? 'steel',
    door: rack.door ?? 'none',
    ventLowCm2: rack.ventLowCm2 ?? 2000,
    ventHighCm2: rack.ventHighCm2 ?? 2000,
  });
  return rack.material === null || rack.door === null || rack.ventLowCm2 === null || rack.ventHighCm2 === null
    ? open
    : shell;
}

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
      // What gives off less, until somebody says what it is.
      material: rack.material ?? 'plastic',
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
      ...(rack.door === null && !frame ? ['its door (calculated as shut)'] : []),
      ...(rack.material === null ? ['its material (calculated as plastic)'] : []),
      ...(rack.position === null && rack.standing !== 'wall' ? ['which of its sides are free'] : []),
      ...(!open && !frame && (rack.ventLowCm2 === null || rack.ventHighCm2 === null)
        ? ['its openings (calculated as shut)']
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
  (shell.thermostatC === null || roomC + riseK >= shell.thermostatC ? fanAirOf(shell) : 0);

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

/**
 * Rise of the air at the top over the room, K, where the most heat sits: what leaves with a stream of air leaves at that
 * temperature, what goes through the faces leaves a box that is warmer at its top.
 */
export function topRiseOf(shell: Shell, watts: number, roomC: number, heightM = 0): number {
  const rise = riseOf(shell, watts, roomC, heightM);
  if (rise <= 0 || watts <= 0) return rise;
  const throughFaces = Math.min(1, ((surfaceHeat[shell.material] ?? 0) * shell.surfaceM2 * rise) / watts);
  return rise * (1 + (topFactor - 1) * throughFaces);
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
  const height = heightOf(job);
  const all = Object.values(job.racks).reduce(
    (sum, other) => sum + atLeast(gearIn(job, other).map((one) => leavesW(job, one))).sum,
    0,
  );
  const cupboard = cupboardRise(job, all);
  const [roomC, summerRoomC] = [figureOf(job, 'room-c') + cupboard, figureOf(job, 'room-summer-c') + cupboard];
  const growth = (1 + figureOf(job, 'growth-percent') / 100) ** figureOf(job, 'growth-years');
  const inside = (room: number, load: number) => room + topRiseOf(shell, load, room, height);
  const [insideC, summerC] = [inside(roomC, watts.sum), inside(summerRoomC, watts.sum)];
  const idleW = atLeast(gear.map((one) => leavesW(job, one.gear, 'idle'))).sum;
  const usualC = inside(roomC, idleW);
  const grownC = inside(summerRoomC, watts.sum * growth);
  const active = parts.filter(({ gear: one }) => (heatW(one) ?? 1) > 0 || feedsOthers(one));
  const known = active.flatMap(({ gear: one }) => one.mostC ?? []);
  const limitC = Math.min(usualMostC, ...known) - thinAirK(height);
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
    ...(isAnswered(job, 'height-m') ? [] : [`its height above the sea (calculated with ${cautiousHeightM} m)`]),
    ...(watts.unknown > 0 ? [`the heat of ${watts.unknown} device${watts.unknown === 1 ? '' : 's'}`] : []),
    ...(isAnswered(job, 'room-summer-c') ? [] : ['how warm the room gets in summer']),
    ...(answerOf(job, 'room-kind') === 'unknown' ? ['whether it is in a closet'] : []),
    ...(limitKnown ? [] : [`the temperature limit of its devices (calculated with ${usualMostC} °C)`]),
  ];
  // What nobody said is calculated at its worst: too warm counts only where it would be too warm at its best as well.
  const atBest = bestShell(job, rack, shell);
  const bestHeight = isAnswered(job, 'height-m') ? height : 0;
  const atBestIn = (room: number, load: number) => room + topRiseOf(atBest, load, room, bestHeight);
  const [bestC, bestUsualC] = [atBestIn(summerRoomC, watts.sum), atBestIn(roomC, idleW)];
  const bestLimitC = isAnswered(job, 'height-m') ? limitC : limitC + thinAirK(height);
  const state =
    bestC > bestLimitC
      ? 'too little'
      : open.length > 0
        ? 'not judged'
        : summerC > limitC - 5
          ? 'nearly full'
          : 'enough';
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
    bestC,
    bestUsualC,
    bestLimitC,
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
