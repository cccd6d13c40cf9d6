import { published } from './source';

/** Load constant, kilograms, and the limits of the factors, centimetres and degrees. */
export const liftingConstants = {
  loadKg: 23,
  reachCm: 25,
  mostReachCm: 63,
  heightCm: 75,
  mostHeightCm: 175,
  leastTravelCm: 25,
  mostTravelCm: 175,
  mostTwistDeg: 135,
} as const;
export const liftingSource = published('revised NIOSH lifting equation, NIOSH 94-110 (Waters et al. 1993)');

export type Coupling = 'good' | 'fair' | 'poor';
export type LiftDuration = 'hour' | 'two hours' | 'eight hours';

/** Frequency factor: lifts a minute at most; then for each duration below 75 cm and from 75 cm on. */
const FREQUENCY: readonly (readonly [
  perMinute: number,
  hour: readonly [number, number],
  two: readonly [number, number],
  eight: readonly [number, number],
])[] = [
  [0.2, [1, 1], [0.95, 0.95], [0.85, 0.85]],
  [0.5, [0.97, 0.97], [0.92, 0.92], [0.81, 0.81]],
  [1, [0.94, 0.94], [0.88, 0.88], [0.75, 0.75]],
  [2, [0.91, 0.91], [0.84, 0.84], [0.65, 0.65]],
  [3, [0.88, 0.88], [0.79, 0.79], [0.55, 0.55]],
  [4, [0.84, 0.84], [0.72, 0.72], [0.45, 0.45]],
  [5, [0.8, 0.8], [0.6, 0.6], [0.35, 0.35]],
  [6, [0.75, 0.75], [0.5, 0.5], [0.27, 0.27]],
  [7, [0.7, 0.7], [0.42, 0.42], [0.22, 0.22]],
  [8, [0.6, 0.6], [0.35, 0.35], [0.18, 0.18]],
  [9, [0.52, 0.52], [0.3, 0.3], [0, 0.15]],
  [10, [0.45, 0.45], [0.26, 0.26], [0, 0.13]],
  [11, [0.41, 0.41], [0, 0.23], [0, 0]],
  [12, [0.37, 0.37], [0, 0.21], [0, 0]],
  [13, [0, 0.34], [0, 0], [0, 0]],
  [14, [0, 0.31], [0, 0], [0, 0]],
  [15, [0, 0.28], [0, 0], [0, 0]],
];

/** FM of the lifting equation. Between two rows the more frequent one counts. */
export function frequencyFactor(perMinute: number, duration: LiftDuration, heightCm: number): number {
  const row = FREQUENCY.find(([most]) => perMinute <= most);
  if (!row) return 0;
  const [, hour, two, eight] = row;
  const [low, high] = { hour, 'two hours': two, 'eight hours': eight }[duration];
  return heightCm < liftingConstants.heightCm ? low : high;
}

export const couplingFactor = (coupling: Coupling, heightCm: number): number =>
  coupling === 'poor' ? 0.9 : coupling === 'fair' && heightCm < liftingConstants.heightCm ? 0.95 : 1;

/** Guideline filter for a lift by one person, kilograms close to the body and at arm's length, by zone. */
export const liftingFilter = {
  men: [
    { zone: 'above shoulder height', close: 10, arms: 5 },
    { zone: 'elbow to shoulder', close: 20, arms: 10 },
    { zone: 'knuckle to elbow', close: 25, arms: 15 },
    { zone: 'mid lower leg to knuckle', close: 20, arms: 10 },
    { zone: 'below mid lower leg', close: 10, arms: 5 },
  ],
  women: [
    { zone: 'above shoulder height', close: 7, arms: 3 },
    { zone: 'elbow to shoulder', close: 13, arms: 7 },
    { zone: 'knuckle to elbow', close: 16, arms: 10 },
    { zone: 'mid lower leg to knuckle', close: 13, arms: 7 },
    { zone: 'below mid lower leg', close: 7, arms: 3 },
  ],
} as const;
export const liftingFilterSource = published('HSE INDG143, L23: lifting guideline filter');

/** What a team can lift, as a share of the sum of what each can lift alone. */
export const teamShare: Readonly<Record<2 | 3, number>> = { 2: 2 / 3, 3: 1 / 2 };
/** What so many people lift together, each of whom lifts so much alone, kg. */
export const teamLiftKg = (people: 2 | 3, eachKg: number): number => people * eachKg * teamShare[people];
export const teamSource = published('HSE L23: two people 2/3, three people 1/2 of the sum');
