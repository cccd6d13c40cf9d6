import { formatAbout } from '../../base/units/minutes';
import type { Cutover } from '../../job/records/cutover';
import type { BuildStep } from './buildStep';
import { firstMinutes } from './orderSteps';
import type { Pace } from './pace';
import { rangeOf, unitMinutes } from './timing';

/** The one estimate of work, minutes. */
export type Estimate = { least: number; mean: number; most: number };

/** `about 18 h (14 h to 23 h)` is made of this: the same on every screen and paper. @param minutes likely time of each step */
export const estimateOf = (minutes: readonly number[]): Estimate => rangeOf(minutes);

/** How the minutes of steps run on, kind by kind: the nth of its kind takes less, at the pace that was ticked. */
export function paceTimer(cutover: Pick<Cutover, 'hands' | 'learning'>, paces: readonly Pace[]) {
  const ours = paces.filter(({ by }) => by === '');
  const paceOf = new Map(ours.map((pace) => [pace.pace, pace]));
  const counts = new Map(ours.map(({ pace, done }) => [pace, done]));
  return (step: BuildStep, action: Parameters<typeof firstMinutes>[1]): number => {
    const n = (counts.get(step.pace) ?? 0) + 1;
    if (action !== 'park') counts.set(step.pace, n);
    const { factor = 1, learning = cutover.learning } = paceOf.get(step.pace) ?? {};
    return unitMinutes(firstMinutes(step, action, cutover.hands) * factor, n, learning);
  };
}

/** `about 18 h (14 h to 23 h)`. */
export const estimateWords = ({ least, mean, most }: Estimate): string =>
  `about ${formatAbout(mean)} (${formatAbout(least)} to ${formatAbout(most)})`;
