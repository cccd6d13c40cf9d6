import { seededRandom } from './random';

export type Circle = { x: number; y: number; r: number };
export type Packing = { circles: Circle[]; radius: number };

const ROUNDS = 7;
const STEPS = 160;
/** Pairs looked at in one step are kept to about this many, so that many circles take no longer than a blink. */
const PAIRS = 7000;

/** Push circles apart and into a circle of radius R until they rest. */
function relax(circles: Circle[], radius: number, steps: number): void {
  for (let step = 0; step < steps; step++) {
    let moved = 0;
    for (let i = 0; i < circles.length; i++) {
      const a = circles[i] as Circle;
      for (let j = i + 1; j < circles.length; j++) {
        const b = circles[j] as Circle;
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const apart = Math.hypot(dx, dy) || 1e-9;
        const overlap = a.r + b.r - apart;
        if (overlap <= 0) continue;
        const [ux, uy] = [(dx / apart) * overlap * 0.5, (dy / apart) * overlap * 0.5];
        a.x -= ux;
        a.y -= uy;
        b.x += ux;
        b.y += uy;
        moved += overlap;
      }
      const from = Math.hypot(a.x, a.y);
      const outside = from + a.r - radius;
      if (outside > 0 && from > 0) {
        a.x -= (a.x / from) * outside;
        a.y -= (a.y / from) * outside;
        moved += outside;
      }
    }
    if (moved < radius * 1e-7) return;
  }
}

const MIDDLE_STEPS = 80;

/** Middle of a small circle around circles: ever less towards whichever reaches farthest. */
function middleOf(circles: readonly Circle[]): { x: number; y: number } {
  const middle = { x: 0, y: 0 };
  for (let step = 2; step < MIDDLE_STEPS; step++) {
    let [far, reach] = [circles[0] as Circle, -1];
    for (const one of circles) {
      const to = Math.hypot(one.x - middle.x, one.y - middle.y) + one.r;
      if (to > reach) [far, reach] = [one, to];
    }
    const from = Math.hypot(far.x - middle.x, far.y - middle.y) || 1;
    // The farthest point of that circle, not its centre, draws the middle.
    const by = reach / from / step;
    middle.x += (far.x - middle.x) * by;
    middle.y += (far.y - middle.y) * by;
  }
  return middle;
}

/** The same arrangement drawn apart just so far that nothing overlaps, and the circle around it. */
function settled(circles: Circle[]): Packing {
  let stretch = 0;
  for (let i = 0; i < circles.length; i++) {
    for (let j = i + 1; j < circles.length; j++) {
      const [a, b] = [circles[i] as Circle, circles[j] as Circle];
      stretch = Math.max(stretch, (a.r + b.r) / (Math.hypot(a.x - b.x, a.y - b.y) || 1e-9));
    }
  }
  const apart = circles.map(({ x, y, r }) => ({ x: x * (stretch || 1), y: y * (stretch || 1), r }));
  const middle = middleOf(apart);
  const drawn = apart.map(({ x, y, r }) => ({ x: x - middle.x, y: y - middle.y, r }));
  return { circles: drawn, radius: drawn.reduce((most, { x, y, r }) => Math.max(most, Math.hypot(x, y) + r), 0) };
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
  const effort = PAIRS / radii.length ** 2;
  const starts = Math.max(1, Math.min(most, Math.round(effort)));
  const steps = Math.max(12, Math.round(STEPS * Math.min(1, effort * 2)));
  const area = radii.reduce((sum, r) => sum + r * r, 0);
  const widest = Math.max(...radii);
  let best: Packing | null = null;
  for (let start = 0; start < starts; start++) {
    let radius = Math.max(Math.sqrt(area / 0.62), widest * 1.01);
    // Thick ones first at the middle in every other start, anywhere in the rest.
    const circles = radii.map((r) => {
      const at = Math.sqrt(random()) * Math.max(radius - r, radius * 0.1) * (start % 2 ? 1 : 1.15 - r / widest / 1.5);
      const turn = random() * 2 * Math.PI;
      return { x: at * Math.cos(turn), y: at * Math.sin(turn), r };
    });
    for (let round = 0; round < ROUNDS; round++) {
      relax(circles, radius, steps);
      const now = settled(circles);
      if (!best || now.radius < best.radius) best = now;
      radius = Math.min(radius, best.radius) * (1 - 0.02 / (round + 1));
    }
  }
  return best as Packing;
}
