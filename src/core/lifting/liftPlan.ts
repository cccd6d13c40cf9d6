import type { Job } from '../job/job';
import { baseOf } from '../mounting/rackLoad';
import { carriedBy, placedIn, rearRailMm } from '../rack/space';
import { unitName } from '../rack/units';
import type { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { liftingFilter, teamShare } from '../standards/lifting';
import { rackDimensions } from '../standards/rackDimensions';
import { liftingIndex, recommendedLimit } from './liftingEquation';

/** From a box on the floor, close to the body, once, not twisted. Common practice, no source. */
const FROM_FLOOR = { reachCm: 30, heightCm: 20 } as const;
/** Hands out when a device is held before the rails: the body's own 25 cm and half of its depth. Common practice. */
const BODY_CM = 25;
/** Tops of the zones of the filter above the floor, for a person of middle height. Common practice, no source. */
const ZONE_TOPS_CM = [Number.POSITIVE_INFINITY, 140, 105, 75, 35] as const;

export type Lifters = 'men' | 'women';
export type LiftAdvice = {
  gearId: string;
  name: string;
  place: string;
  massKg: number;
  /** Lifting equation at the floor and at the rails: the lower limit counts. */
  limitKg: number;
  index: number;
  zone: string;
  oneKg: number;
  twoKg: number;
  /** Beyond two people a support carries it. */
  people: 1 | 2;
  support: boolean;
  words: string;
};

/** Which zone of the filter a height falls into. */
function zoneOf(heightCm: number, lifters: Lifters) {
  const at = ZONE_TOPS_CM.findLastIndex((top) => heightCm <= top);
  return liftingFilter[lifters][Math.max(0, at)] ?? liftingFilter[lifters][0];
}

/** How one device is lifted from the floor to its place, by how many, and whether something must carry it. */
export function liftOf(rack: Rack, gear: Gear, bottomU: number, lifters: Lifters): LiftAdvice {
  // What it carries is put on it later.
  const massKg = gear.massKg;
  const heightCm = (baseOf(rack) + (bottomU - 1 + gear.heightU / 2) * rackDimensions.unitMm) / 10;
  const usual = { twistDeg: 0, perMinute: 0.2, duration: 'hour', coupling: 'fair' } as const;
  const travelCm = Math.abs(heightCm - FROM_FLOOR.heightCm);
  const origin = recommendedLimit({ ...usual, ...FROM_FLOOR, travelCm });
  const destination = recommendedLimit({ ...usual, reachCm: BODY_CM + gear.depthMm / 20, heightCm, travelCm });
  const limitKg = Math.min(origin.limitKg, destination.limitKg);
  const zone = zoneOf(heightCm, lifters);
  const oneKg = zone.arms;
  const twoKg = 2 * oneKg * teamShare[2];
  const alone = massKg <= oneKg && massKg <= limitKg;
  const support = !alone && massKg > twoKg;
  const words = alone
    ? 'One person.'
    : support
      ? 'A lifting table or a shelf beneath carries it; two people guide it.'
      : 'Two people.';
  return {
    gearId: gear.id,
    name: gear.name,
    place: unitName(rack, bottomU, gear.heightU),
    massKg,
    limitKg,
    index: liftingIndex(massKg, limitKg),
    zone: zone.zone,
    oneKg,
    twoKg,
    people: alone ? 1 : 2,
    support,
    words,
  };
}

export type LoadingStep = { words: string; lift: LiftAdvice | null };

/**
 * In which order a cabinet is loaded: hung or levelled empty, rails and shelves, then from the bottom up, the heavy
 * things first where they stand low, and what stands on shelves last. Common practice, no source.
 */
export function loadingOrder(job: Job, rack: Rack, lifters: Lifters): LoadingStep[] {
  const placed = placedIn(job, rack.id);
  const first =
    rack.standing === 'wall'
      ? `Hang ${rack.name} empty, all its fixings in and checked, before anything goes into it.`
      : `Level ${rack.name} and secure it against tipping before anything goes into it.`;
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
  const zone = zoneOf(heightCm, lifters);
  const twoKg = 2 * zone.arms * teamShare[2];
  return { massKg: rack.emptyKg, heightCm, zone: zone.zone, twoKg, support: rack.emptyKg > twoKg };
}
