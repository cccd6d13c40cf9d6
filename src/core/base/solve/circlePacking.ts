import { seededRandom } from './random';

export type Circle = { x: number; y: number; r: number };
export type Packing = { circles: Circle[]; radius: number };

const ROUNDS = 7;
const STEPS = 160;
/** Pairs looked at in one step are kept to about this many, so that many circles take no longer than a blink. */
const PAIRS = 7000;

/** Places and radii apart, since the pairs are gone through a million times. */
type Places = { x: Float64Array; y: Float64Array; r: Float64Array };

/** Push circles apart and into a circle of radius R until they rest. */
function relax({ x, y, r }: Places, radius: number, steps: number): void {
  const count = r.length;
  for (let step = 0; step < steps; step++) {
    let moved = 0;
    for (let i = 0; i < count; i++) {
      let [ax, ay] = [x[i], y[i]];
      const ar = r[i];
      for (let j = i + 1; j < count; j++) {
        const [dx, dy] = [x[j] - ax, y[j] - ay];
        const touch = ar + r[j];
        const squared = dx * dx + dy * dy;
        if (squared >= touch * touch) continue;
        const apart = Math.sqrt(squared) || 1e-9;
        const overlap = touch - apart;
        const half = (overlap / apart) * 0.5;
        ax -= dx * half;
        ay -= dy * half;
        x[j] = x[j] + dx * half;
        y[j] = y[j] + dy * half;
        moved += overlap;
      }
      const from = Math.sqrt(ax * ax + ay * ay);
      const outside = from + ar - radius;
      if (outside > 0 && from > 0) {
        ax -= (ax / from) * outside;
        ay -= (ay / from) * outside;
        moved += outside;
      }
      x[i] = ax;
      y[i] = ay;
    }
    if (moved < radius * 1e-7) return;
  }
}

const MIDDLE_STEPS = 80;

/** Middle of a small circle around circles: ever less towards whichever reaches farthest. */
function middleOf({ x, y, r }: Places): { x: number; y: number } {
  const middle = { x: 0, y: 0 };
  for (let step = 2; step < MIDDLE_STEPS; step++) {
    let [far, reach, away] = [0, -1, 1];
    for (let i = 0; i < r.length; i++) {
      const [dx, dy] = [x[i] - middle.x, y[i] - middle.y];
      const from = Math.sqrt(dx * dx + dy * dy);
      if (from + r[i] > reach) [far, reach, away] = [i, from + r[i], from];
    }
    // The farthest point of that circle, not its centre, draws the middle.
    const by = reach / (away || 1) / step;
    middle.x += (x[far] - middle.x) * by;
    middle.y += (y[far] - middle.y) * by;
  }
  return middle;
}

/** The same arrangement drawn apart just so far that nothing overlaps, and the circle around it. */
function settled({ x, y, r }: Places): Packing {
  let stretch = 0;
  for (let i = 0; i < r.length; i++) {
    for (let j = i + 1; j < r.length; j++) {
      const [dx, dy] = [x[i] - x[j], y[i] - y[j]];
      const ratio = (r[i] + r[j]) / (Math.sqrt(dx * dx + dy * dy) || 1e-9);
      if (ratio > stretch) stretch = ratio;
    }
  }
  const by = stretch || 1;
  const apart: Places = { x: x.map((one) => one * by), y: y.map((one) => one * by), r };
  const middle = middleOf(apart);
  const circles = Array.from(r, (own, i) => ({
    x: apart.x[i] - middle.x,
    y: apart.y[i] - middle.y,
    r: own,
  }));
  return { circles, radius: circles.reduce((most, { x, y, r }) => Math.max(most, length(x, y) + r), 0) };
}

/*
 * A search that is led by its own last digits comes to another end when one of them differs. Sines and the like may
 * differ from one engine to the next; roots and the four kinds of arithmetic do not.
 */

/** The length of a vector. */
function length(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}

/** Any direction, all alike, as a vector of length 1. */
function direction(random: () => number): [x: number, y: number] {
  for (;;) {
    const [x, y] = [2 * random() - 1, 2 * random() - 1];
    const square = x * x + y * y;
    if (square > 0.01 && square <= 1) return [x / Math.sqrt(square), y / Math.sqrt(square)];
  }
}

/**
 * A small circle around circles of these radii, by search: always a true arrangement, not proven to be the smallest.
 * The same seed gives the same result.
 * @param radii any unit, all above 0
 * @param most attempts from different beginnings, where the circles are few; fewer where they are many
 */
export function packCircles(radii: readonly number[], most = 12, seed = 1): Packing {
  const [only] = radii;
  if (only === undefined) return { circles: [], radius: 0 };
  if (radii.length === 1) return { circles: [{ x: 0, y: 0, r: only }], radius: only };
  const random = seededRandom(seed);
  const effort = PAIRS / (radii.length * radii.length);
  const starts = Math.max(1, Math.min(most, Math.round(effort)));
  const steps = Math.max(12, Math.round(STEPS * Math.min(1, effort * 2)));
  const area = radii.reduce((sum, r) => sum + r * r, 0);
  const widest = Math.max(...radii);
  let best: Packing | null = null;
  for (let start = 0; start < starts; start++) {
    let radius = Math.max(Math.sqrt(area / 0.62), widest * 1.01);
    // Thick ones first at the middle in every other start, anywhere in the rest.
    const places: Places = {
      x: new Float64Array(radii.length),
      y: new Float64Array(radii.length),
      r: Float64Array.from(radii),
    };
    for (const [i, r] of radii.entries()) {
      const at = Math.sqrt(random()) * Math.max(radius - r, radius * 0.1) * (start % 2 ? 1 : 1.15 - r / widest / 1.5);
      const [x, y] = direction(random);
      places.x[i] = at * x;
      places.y[i] = at * y;
    }
    for (let round = 0; round < ROUNDS; round++) {
      relax(places, radius, steps);
      const now = settled(places);
      if (!best || now.radius < best.radius) best = now;
      radius = Math.min(radius, best.radius) * (1 - 0.02 / (round + 1));
    }
  }
  return best as Packing;
}
