import { liftingConstants, liftingFilter, teamLiftKg } from '../../../base/standards/lifting';
import { rackDimensions } from '../../../base/standards/rackDimensions';
import type { Job } from '../../../job/document/job';
import { carriedBy, placedIn, rearRailMm } from '../../../job/rack/space';
import { unitName } from '../../../job/rack/units';
import type { Gear } from '../../../job/records/gear';
import type { Rack } from '../../../job/records/rack';
import { baseOf } from '../mounting/rackLoad';
import { liftingIndex, reachCm, recommendedLimit } from './liftingEquation';

/** Hands when a device is lifted from a box on the floor, not twisted, once. Common practice, no source. */
const FLOOR_CM = 20;
/** Tops of the zones of the filter above the floor, for a person of middle height. Common practice, no source. */
const ZONE_TOPS_CM = [Number.POSITIVE_INFINITY, 140, 105, 75, 35] as const;
const SHOULDER_CM = ZONE_TOPS_CM[1];

export type Lifters = 'men' | 'women';
export type LiftAdvice = {
  gearId: string;
  name: string;
  place: string;
  /** Null: not known; then there is no index, and how many lift it is not judged. */
  massKg: number | null;
  /** Lifting equation at the floor and at the rails: the lower limit counts. Null: beyond what it is for. */
  limitKg: number | null;
  index: number | null;
  /** Where the device is put in, and what one person may lift on the way there. */
  zone: string;
  oneKg: number;
  twoKg: number;
  /** Beyond two people a support carries it. Null: not judged. */
  people: 1 | 2 | null;
  support: boolean;
  /** Hands would be above the shoulders: a platform brings them below. */
  platform: boolean;
  words: string;
};

/** Which zone of the filter a height falls into, counted from the top. */
const zoneAt = (heightCm: number): number =>
  Math.max(
    0,
    ZONE_TOPS_CM.findLastIndex((top) => heightCm <= top),
  );

/**
 * What one person may lift from a height to another: the least of the zones that the hands enter, near the body where
 * the device is picked up and at arm's length from there on (INDG143).
 */
function oneMayLift(fromCm: number, toCm: number, lifters: Lifters): number {
  const zones = liftingFilter[lifters];
  const [start, end] = [zoneAt(fromCm), zoneAt(toCm)];
  const kilograms = zones.flatMap(({ close, arms }, at) =>
    at < Math.min(start, end) || at > Math.max(start, end) ? [] : [at === start && start !== end ? close : arms],
  );
  return Math.min(...kilograms);
}

/** How one device is lifted from the floor to its place, by how many, and whether something must carry it. */
export function liftOf(rack: Rack, gear: Gear, bottomU: number, lifters: Lifters): LiftAdvice {
  // What it carries is put on it later.
  const { massKg } = gear;
  const placeCm = (baseOf(rack) + (bottomU - 1 + gear.heightU / 2) * rackDimensions.unitMm) / 10;
  const usual = { twistDeg: 0, perMinute: 0.2, duration: 'hour', coupling: 'fair' } as const;
  const judge = (heightCm: number) => {
    const travelCm = Math.abs(heightCm - FLOOR_CM);
    const [origin, destination] = [FLOOR_CM, heightCm].map((at) =>
      recommendedLimit({ ...usual, reachCm: reachCm(gear.depthMm, at), heightCm: at, travelCm }),
    );
    const limitKg = Math.min(origin?.limitKg ?? 0, destination?.limitKg ?? 0);
    const oneKg = oneMayLift(FLOOR_CM, heightCm, lifters);
    const alone = massKg !== null && massKg <= oneKg && massKg <= limitKg;
    const twoKg = teamLiftKg(2, oneKg);
    return { limitKg, oneKg, twoKg, alone, support: massKg !== null && !alone && massKg > twoKg };
  };
  const outside = placeCm > liftingConstants.mostHeightCm;
  const asItIs = judge(placeCm);
  // Above the shoulders little may be lifted: from a platform it is a lift to the shoulders.
  const platform = placeCm > SHOULDER_CM && (outside || !asItIs.alone);
  const { limitKg, oneKg, twoKg, alone, support } = platform ? judge(SHOULDER_CM) : asItIs;
  const how =
    massKg === null
      ? 'Its mass is not known: weigh it, or look it up, before anybody lifts it alone.'
      : alone
        ? 'One person.'
        : support
          ? 'A lifting table or a shelf beneath carries it; two people guide it.'
          : 'Two people.';
  return {
    gearId: gear.id,
    name: gear.name,
    place: unitName(rack, bottomU, gear.heightU),
    massKg,
    limitKg: outside ? null : limitKg,
    index: massKg === null || outside ? null : liftingIndex(massKg, limitKg),
    zone: liftingFilter[lifters][zoneAt(placeCm)]?.zone ?? '',
    oneKg,
    twoKg,
    people: massKg === null ? null : alone ? 1 : 2,
    support,
    platform,
    words: platform ? `${how} From a platform, so that hands stay below the shoulders.` : how,
  };
}

/** Names that are plain words take an article: `the Cabinet`. */
const theRack = ({ name }: Rack): string => (/^(cabinet|rack|frame)$/i.test(name) ? `the ${name.toLowerCase()}` : name);

export type LoadingStep = { words: string; lift: LiftAdvice | null };

/**
 * In which order a cabinet is loaded: hung or levelled empty, rails and shelves, then from the bottom up, the heavy
 * things first where they stand low, and what stands on shelves last. Common practice, no source.
 */
export function loadingOrder(job: Job, rack: Rack, lifters: Lifters): LoadingStep[] {
  const placed = placedIn(job, rack.id);
  const first =
    rack.standing === 'wall'
      ? `Hang ${theRack(rack)} empty, all its fixings in and checked, before anything goes into it.`
      : `Level ${theRack(rack)} and secure it against tipping before anything goes into it.`;
  const railed = placed.filter(
    ({ gear, placement }) => gear.rails !== 'none' && rearRailMm(rack, placement.bottomU) !== null,
  );
  const steps: LoadingStep[] = [{ words: first, lift: null }];
  if (railed.length > 0) {
    steps.push({
      words: `Fit rails for ${railed.map(({ gear }) => gear.name).join(', ')}, level front and rear.`,
      lift: null,
    });
  }
  for (const { gear, placement } of placed) {
    const lift = liftOf(rack, gear, placement.bottomU, lifters);
    steps.push({ words: `${gear.name} into ${lift.place}. ${lift.words}`, lift });
  }
  for (const { gear } of placed) {
    const carried = carriedBy(job, gear.id);
    if (carried.length === 0) continue;
    steps.push({ words: `On ${gear.name}: ${carried.map((one) => one.name).join(', ')}.`, lift: null });
  }
  return steps;
}

/** The empty cabinet as a lift of its own; null while its mass is not known. */
export function rackLift(rack: Rack, lifters: Lifters) {
  if (rack.emptyKg === null) return null;
  const heightCm = (baseOf(rack) + (rack.units * rackDimensions.unitMm) / 2) / 10;
  const twoKg = teamLiftKg(2, oneMayLift(FLOOR_CM, heightCm, lifters));
  const zone = liftingFilter[lifters][zoneAt(heightCm)]?.zone ?? '';
  return { massKg: rack.emptyKg, heightCm, zone, twoKg, support: rack.emptyKg > twoKg };
}
