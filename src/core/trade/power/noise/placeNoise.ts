import { directivity, noiseTargets, shutDoorDb, smallRoomM2 } from '../../../base/standards/noise';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { gearIn } from '../../../job/rack/gearIn';
import type { Gear } from '../../../job/records/gear';
import type { NoisePlace } from '../../../job/records/noisePlace';
import type { Rack } from '../../../job/records/rack';
import { powerFromPressure, pressureIn, soundSum } from './sound';

/** Power of a device, dB; null: not known. Pressure at a metre is made power first, and the two are never added. */
export const soundPower = ({ noiseDbA, noiseIs }: Gear): number | null =>
  noiseDbA === null || noiseDbA === 0
    ? noiseDbA === 0
      ? Number.NEGATIVE_INFINITY
      : null
    : noiseIs === 'power'
      ? noiseDbA
      : powerFromPressure(noiseDbA);

export type NoiseShare = { gear: Gear; db: number; share: number };
export type PlaceNoise = {
  place: NoisePlace;
  /** What is heard there, dB(A); minus infinity where nothing is known to make any noise. */
  db: number;
  dayDb: number;
  nightDb: number;
  shares: NoiseShare[];
  /** What is not known of it, in words. */
  unknown: string[];
  state: 'enough' | 'too loud' | 'not judged';
  /** At night too. */
  atNight: boolean;
};

/** A shut door and closed sides keep noise in. */
const shutIn = (rack: Rack): boolean =>
  rack.door !== null &&
  rack.door !== 'none' &&
  rack.door !== 'vented' &&
  rack.sides !== 'open' &&
  rack.sides !== 'vented';

/** Kinds of gear that mostly have a fan or turning drives. Common practice, no source. */
const WITH_FANS: ReadonlySet<Gear['kind']> = new Set(['fan', 'ups', 'server', 'computer', 'storage', 'recorder']);
/** Gear without a figure that draws more than this has a fan more often than not, W. Common practice, no source. */
const FANLESS_W = 60;
/** Whether a device may make noise although none was entered: it has a fan, or nobody said that it has none. */
export const mayBlow = ({ airflow, kind, powerW, poeBudgetW }: Gear): boolean =>
  airflow !== 'none' || WITH_FANS.has(kind) || (powerW ?? 0) > FANLESS_W || poeBudgetW > FANLESS_W;

/** How many faces reflect: two by a floor and a wall, one on a wall or away from walls. */
const directivityOf = (rack: Rack | undefined): number =>
  rack && rack.standing !== 'wall' && rack.position !== 'alone' ? 2 * directivity : directivity;

/** What is heard at a place of all that stands in its cabinet. */
export function placeNoise(job: Job, place: NoisePlace): PlaceNoise {
  const rack = job.racks[place.rackId];
  const gear = rack ? gearIn(job, rack) : [];
  const less = place.betweenDb + (rack && shutIn(rack) ? shutDoorDb : 0);
  const heard = gear.flatMap((one) => {
    const power = soundPower(one);
    if (power === null || power === Number.NEGATIVE_INFINITY) return [];
    const q = directivityOf(rack);
    const open = pressureIn(power, place.distanceMm, place.absorbsM2, q) - less;
    return [{ gear: one, db: pressureIn(power, place.distanceMm, place.absorbsM2 ?? smallRoomM2, q) - less, open }];
  });
  const db = soundSum(heard.map((one) => one.db));
  // Without a room it is at least as loud as in the open.
  const leastDb = soundSum(heard.map((one) => one.open));
  const { dayDb, nightDb } = noiseTargets[place.use];
  const [day, night] = [place.dayDb ?? dayDb, place.nightDb ?? nightDb];
  const { placementOfGear, carrierOfGear } = indexJob(job);
  const waiting = Object.values(job.gear).filter(
    (one) =>
      !placementOfGear.has(one.id) &&
      !carrierOfGear.has(one.id) &&
      (mayBlow(one) ? one.noiseDbA !== 0 : (one.noiseDbA ?? 0) > 0),
  );
  const unknown = [
    ...gear.filter((one) => one.noiseDbA === null && mayBlow(one)).map(({ name }) => `the noise of ${name}`),
    ...waiting.map(({ name }) => `where ${name} goes`),
    ...(rack ? [] : ['its cabinet']),
    ...(rack && rack.door === null && rack.sides !== 'open' ? [`the door of ${rack.name}`] : []),
    ...(place.absorbsM2 === null ? [`the room (calculated with a room constant of ${smallRoomM2} m²)`] : []),
  ];
  const tooLoud = leastDb > Math.min(day, night);
  return {
    place,
    db,
    dayDb: day,
    nightDb: night,
    shares: heard
      .map(({ gear: of, db: level }) => ({ gear: of, db: level }))
      .map((one) => ({ ...one, share: 10 ** ((one.db - db) / 10) }))
      .sort((a, b) => b.db - a.db),
    unknown,
    state: tooLoud ? 'too loud' : unknown.length > 0 ? 'not judged' : 'enough',
    atNight: db > night,
  };
}

/** What a place would hear without some devices, or with other levels of them. */
export function withLevels(noise: PlaceNoise, levelOf: (gear: Gear) => number | null): number {
  return soundSum(noise.shares.flatMap(({ gear, db }) => levelOf(gear) ?? db));
}
