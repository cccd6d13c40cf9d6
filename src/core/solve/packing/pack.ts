import { grainOf } from '../budgeted/grain';
import { isOver, type SearchLimits } from '../limits';
import { improve } from './improve';
import { type Asked, packingModel } from './packingModel';
import { hasRoom, type Packed, type PackingProblem } from './problem';

export type PackedBest = Packed & {
  /** No packing costs less than this. */
  bound: number;
  proven: boolean;
};

/** Cuts are looked for so often in a node. */
const ROUNDS = 8;

/**
 * The cheapest packing. Branch and bound: a node is a linear program over the pairs that are open in it, with a row for
 * each thing, each spot of a row of places where bodies would overlap, each limit, and each pair that should be apart. It
 * goes on where the node above stood, and is cut by covers of the limits and by the hull of what a row of places can hold. Its
 * bound is worked out anew from its prices, so that rounding never lifts it. What no better packing can hold by its cost
 * over the prices is closed. Split is how many bodies of a width are in a row of places, else whether a thing is in a row, else
 * where in it.
 */
export function pack(problem: PackingProblem, limits: SearchLimits): PackedBest {
  const { things, places, cost } = problem;
  const open = new Uint8Array(things * places);
  for (let thing = 0; thing < things; thing++)
    for (let place = 0; place < places; place++)
      open[thing * places + place] =
        Number.isFinite(cost[thing * places + place]) && hasRoom(problem, thing, place) ? 1 : 0;
  let best = improve(problem, new Int32Array(things).fill(-1), open);
  const model = packingModel(problem);
  const waiting: (Asked & { bound: number })[] = [
    { open: model.openOf(open), rules: [], from: null, bound: Number.NEGATIVE_INFINITY },
  ];
  // All costs are steps of the grain: so is every sum of them, and a bound between two is as good as the upper one.
  const grain = grainOf({
    cost,
    leftOut: Float64Array.of(...problem.leftOut, ...problem.apart.map(({ price }) => price)),
  });
  const step = (bound: number) => (grain > 0 ? grain * Math.ceil(bound / grain - 1e-6) : bound);
  const isBetter = (bound: number) => step(bound) < best.cost - 1e-9;
  let lost = Number.POSITIVE_INFINITY;
  while (waiting.length > 0) {
    // Deepest first, of two halves the better one: a first packing comes soon, and memory stays small.
    const node = waiting.pop() as Asked & { bound: number };
    if (!isBetter(node.bound)) continue;
    if (isOver(limits)) {
      lost = Math.min(lost, node.bound, ...waiting.map((one) => one.bound));
      break;
    }
    let solved = model.solve(node);
    for (
      let round = 0;
      round < ROUNDS && solved && isBetter(solved.bound) && !isOver(limits) && model.cut(solved);
      round++
    )
      solved = model.solve({ ...node, from: solved.state });
    if (!solved || !isBetter(solved.bound)) continue;
    const bound = Math.max(node.bound, solved.bound);
    const found = improve(problem, solved.rounded, node.open, open);
    if (found.cost < best.cost) best = found;
    if (!isBetter(bound)) continue;
    const halves = model.split({ ...node, open: model.close(node.open, solved, isBetter), from: solved.state }, solved);
    // Whole already: it is a packing, and no better one is in this node, unless the program was not solved to its end.
    if (!halves && !solved.whole) lost = Math.min(lost, bound);
    for (const half of halves ?? []) waiting.push({ ...half, bound });
  }
  const bound = Number.isFinite(lost) ? Math.min(best.cost, Math.max(0, step(lost))) : best.cost;
  return { ...best, bound, proven: bound >= best.cost };
}
