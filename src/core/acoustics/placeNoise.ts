import type { Job } from '../job/job';
import { gearIn } from '../rack/gearIn';
import type { Gear } from '../records/gear';
import type { NoisePlace } from '../records/noisePlace';
import type { Rack } from '../records/rack';
import { directivity, noiseTargets, shutDoorDb } from '../standards/noise';
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
  /** Devices with fans of which nobody knows how loud they are. */
  unknown: Gear[];
  state: 'enough' | 'too loud' | 'not judged';
  /** At night too. */
  atNight: boolean;
};

/** A shut door and closed sides keep noise in. */
const shutIn = (rack: Rack): boolean =>
  rack.door !== 'none' && rack.door !== 'vented' && rack.sides !== 'open' && rack.sides !== 'vented';

/** What of a device is likely to make noise although none was entered: what blows. */
const blows = ({ airflow, kind, powerW }: Gear): boolean =>
  airflow !== 'none' || kind === 'fan' || (kind === 'ups' && (powerW ?? 0) > 20);

/** What is heard at a place of all that stands in its cabinet. */
export function placeNoise(job: Job, place: NoisePlace): PlaceNoise {
  const rack = job.racks[place.rackId];
  const gear = rack ? gearIn(job, rack) : [];
  const less = place.betweenDb + (rack && shutIn(rack) ? shutDoorDb : 0);
  const heard = gear.flatMap((one) => {
    const power = soundPower(one);
    if (power === null || power === Number.NEGATIVE_INFINITY) return [];
    return [{ gear: one, db: pressureIn(power, place.distanceMm, place.absorbsM2, directivity) - less }];
  });
  const db = soundSum(heard.map((one) => one.db));
  const { dayDb, nightDb } = noiseTargets[place.use];
  const [day, night] = [place.dayDb ?? dayDb, place.nightDb ?? nightDb];
  const unknown = gear.filter((one) => one.noiseDbA === null && blows(one));
  const tooLoud = db > Math.min(day, night);
  return {
    place,
    db,
    dayDb: day,
    nightDb: night,
    shares: heard.map((one) => ({ ...one, share: 10 ** ((one.db - db) / 10) })).sort((a, b) => b.db - a.db),
    unknown,
    state: tooLoud ? 'too loud' : unknown.length > 0 ? 'not judged' : 'enough',
    atNight: db > night,
  };
}

/** What a place would hear without some devices, or with other levels of them. */
export function withLevels(noise: PlaceNoise, levelOf: (gear: Gear) => number | null): number {
  return soundSum(noise.shares.flatMap(({ gear, db }) => levelOf(gear) ?? db));
}
