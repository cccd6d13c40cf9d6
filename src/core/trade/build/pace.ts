import type { Tick } from '../../job/records/tick';
import type { BuildStep } from './buildStep';
import { unitMinutes } from './timing';

/** How the time of one kind of step runs: its first, and what each doubling multiplies it by. */
export type Pace = {
  pace: string;
  /** Of whom; empty: of all together. */
  by: string;
  done: number;
  /** Against what was planned: 1.2 is a fifth slower. */
  factor: number;
  learning: number;
  plannedMin: number;
  tookMin: number;
};

/** Two taps one after the other are no time. */
const LEAST_MINUTES = 0.5;
/** Nobody is so much faster or slower than planned: beyond it a tick was forgotten. Common practice, no source. */
const FACTOR_RANGE = [0.4, 3] as const;

/** So many ticks, and learning is fitted as well as the factor. */
const ENOUGH_FOR_LEARNING = 5;
const LEARNING_RANGE = [0.7, 1] as const;

/**
 * The learning curve that fits ticked minutes best: a straight line through log T over log n by least squares; with few ticks
 * only its height, at the slope that was planned.
 * @param took minutes of the 1st, 2nd … of one kind, against what the first was planned to take
 */
export function fitPace(
  took: readonly { minutes: number; firstMin: number }[],
  learning: number,
): { factor: number; learning: number } {
  const points = took.flatMap(({ minutes, firstMin }, at) =>
    minutes >= LEAST_MINUTES && firstMin > 0 ? [{ x: Math.log2(at + 1), y: Math.log2(minutes / firstMin) }] : [],
  );
  if (points.length === 0) return { factor: 1, learning };
  const mean = (of: (point: { x: number; y: number }) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x, y] = [mean((point) => point.x), mean((point) => point.y)];
  const spread = mean((point) => (point.x - x) ** 2);
  const planned = Math.log2(learning);
  let slope = planned;
  if (points.length >= ENOUGH_FOR_LEARNING && spread > 0) {
    const fitted = mean((point) => (point.x - x) * (point.y - y)) / spread;
    slope = Math.min(Math.log2(LEARNING_RANGE[1]), Math.max(Math.log2(LEARNING_RANGE[0]), fitted));
  }
  const factor = 2 ** (y - slope * x);
  return { factor: Math.min(FACTOR_RANGE[1], Math.max(FACTOR_RANGE[0], factor)), learning: 2 ** slope };
}

/** Pace of each kind of step that was ticked with minutes, of all and of each person. */
export function pacesOf(
  steps: readonly BuildStep[],
  ticks: readonly Tick[],
  firstMin: (step: BuildStep) => number,
  learning: number,
): Pace[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const groups = new Map<string, { pace: string; by: string; rows: { minutes: number; firstMin: number }[] }>();
  for (const tick of [...ticks].sort((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id))) {
    const step = byId.get(tick.step);
    if (!step || tick.state !== 'done' || tick.minutes === null) continue;
    for (const by of tick.by === '' ? [''] : ['', tick.by]) {
      const key = `${by}\n${step.pace}`;
      const group = groups.get(key) ?? { pace: step.pace, by, rows: [] };
      group.rows.push({ minutes: tick.minutes, firstMin: firstMin(step) });
      groups.set(key, group);
    }
  }
  return [...groups.values()].map(({ pace, by, rows }) => ({
    pace,
    by,
    done: rows.length,
    ...fitPace(rows, learning),
    plannedMin: rows.reduce((sum, { firstMin: first }, at) => sum + unitMinutes(first, at + 1, learning), 0),
    tookMin: rows.reduce((sum, { minutes }) => sum + minutes, 0),
  }));
}
