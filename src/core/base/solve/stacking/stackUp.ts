import { isOver, type SearchLimits } from '../limits';
import { seededRandom } from '../random';
import { anneal, type Found } from './anneal';
import { bottomsOf, prepare } from './blocks';
import { type StackProblem, type StackResult, stackCost } from './problem';
import { sweep } from './sweep';

const STEPS_A_BLOCK = 1200;
/** Few blocks are swept through in no time: a rough stack to measure against will do. */
const TURNS = { few: 1, many: 4 };
/** From so many blocks on a narrow sweep comes first: what it finds lets the full one leave more aside. */
const MANY = 16;
const NARROW = 250;

/**
 * Lowest unit of each item, at least cost.
 *
 * A good stack is found by annealing, from several starts; then a sweep over sets of items from the bottom up either
 * finds a better one or proves that there is none, leaving aside what cannot come out below it. When the sweep cannot
 * be finished, the bound it has reached is given with the best stack found.
 *
 * @param onBetter called with each better stack as it is found
 */
export function stackUp(
  problem: StackProblem,
  limits: SearchLimits,
  onBetter?: (bottoms: number[], cost: number) => void,
): StackResult {
  const none = { bottoms: null, cost: Number.POSITIVE_INFINITY };
  const stacking = prepare(problem);
  if (!stacking) return { ...none, bound: Number.POSITIVE_INFINITY, proven: true };
  const { blocks, fixedCost } = stacking;
  const random = seededRandom(limits.seed ?? 1);
  let best: Found | null = null;
  const take = (found: Found | null) => {
    if (!found || (best && found.cost >= best.cost - 1e-9)) return;
    best = found;
    onBetter?.(bottomsOf(stacking, found.positions, found.ways), found.cost + fixedCost);
  };
  const steps = STEPS_A_BLOCK * blocks.length;
  const many = blocks.length >= MANY;
  const turns = many ? TURNS.many : TURNS.few;
  for (let turn = 0; turn < turns && !isOver(limits); turn++) take(anneal(stacking, random, steps, limits));
  if (best && many) take(anneal(stacking, random, steps, limits, best));

  const under = () => (best ? (best as Found).cost : Number.MAX_VALUE);
  if (many) take(sweep(stacking, { under: under(), width: NARROW }, limits).found);
  const swept = sweep(stacking, { under: under() }, limits);
  take(swept.found);
  if (!best)
    return {
      ...none,
      bound: swept.finished ? Number.POSITIVE_INFINITY : swept.bound + fixedCost,
      proven: swept.finished,
    };
  const bottoms = bottomsOf(stacking, (best as Found).positions, (best as Found).ways);
  // Counted anew from the problem itself, so that no rounding on the way stays in it.
  const { cost } = stackCost(problem, bottoms);
  const bound = swept.finished ? cost : Math.min(cost, swept.bound + fixedCost);
  return { bottoms, cost, bound, proven: swept.finished || bound >= cost - 1e-6 };
}
