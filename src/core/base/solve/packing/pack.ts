import { grainOf } from '../budgeted/grain';
import { isOver, type SearchLimits } from '../limits';
import { cutPart } from './cutPart';
import { improve } from './improve';
import { type Asked, openColumns, packingModel } from './packingModel';
import { hasRoom, type Packed, type PackingProblem } from './problem';
import { closePairs, solvePart } from './solvePart';
import { splitPart } from './splitPart';

export type PackedBest = Packed & {
  /** No packing costs less than this. */
  bound: number;
  proven: boolean;
};

/** Cuts are looked for so often in a node. */
const ROUNDS = 8;
/** Costs without a grain are as good when they are so near. */
const NEAR = 1e-3;

/**
 * The cheapest packing. Branch and bound: a node is a linear program over the pairs that are open in it, with a row for
 * each thing, each spot of a row of places where bodies would overlap, each limit, and each pair that should be apart. It
 * goes on where the node above stood, and is cut by covers of the limits and by the hulls of what a row of places can hold: how
 * many bodies of which widths, and which things together within the limits of the row. What no better packing can hold by
 * its cost over the prices is closed.
 */
export function pack(problem: PackingProblem, limits: SearchLimits): PackedBest {
  const { things, places, cost } = problem;
  const open = new Uint8Array(things * places);
  for (let thing = 0; thing < things; thing++)
    for (let place = 0; place < places; place++)
      open[thing * places + place] =
        Number.isFinite(cost[thing * places + place]) && hasRoom(problem, thing, place) ? 1 : 0;
  let best = improve(problem, new Int32Array(things).fill(-1), open);
  // All costs are steps of the grain: so is every sum of them, and a bound between two is as good as the upper one.
  const grain = grainOf({
    cost,
    leftOut: Float64Array.of(...problem.leftOut, ...problem.apart.map(({ price }) => price)),
  });
  const model = packingModel(problem, grain);
  const step = (bound: number) => (grain > 0 ? grain * Math.ceil(bound / grain - 1e-6) : bound);
  const isBetter = (bound: number) => step(bound) < best.cost - 1e-9;
  const waiting: (Asked & { bound: number })[] = [
    { open: openColumns(model, open), rules: [], from: null, bound: Number.NEGATIVE_INFINITY },
  ];
  let lost = Number.POSITIVE_INFINITY;
  let down = false;
  while (waiting.length > 0) {
    // The most hopeful first, and from there down, of two halves the better one: a packing comes soon.
    if (!down) waiting.sort((a, b) => b.bound - a.bound);
    const node = waiting.pop() as Asked & { bound: number };
    down = false;
    if (!isBetter(node.bound)) continue;
    if (isOver(limits)) {
      lost = Math.min(lost, node.bound, ...waiting.map((one) => one.bound));
      break;
    }
    let solved = solvePart(model, node);
    for (let round = 0; round < ROUNDS && solved && isBetter(solved.bound) && !isOver(limits); round++) {
      if (!cutPart(model, solved.shares)) break;
      solved = solvePart(model, { ...node, from: solved.state });
    }
    if (!solved || !isBetter(solved.bound)) continue;
    const bound = Math.max(node.bound, solved.bound);
    const found = improve(problem, solved.rounded, node.open, open);
    if (found.cost < best.cost) best = found;
    if (!isBetter(bound)) continue;
    const part = { open: closePairs(model, node.open, solved, isBetter), rules: node.rules, from: solved.state };
    const halves = splitPart(model, part, solved.shares);
    for (const half of halves ?? []) waiting.push({ ...half, bound });
    down = halves !== null;
    // Nothing is broken: it is a packing, and no better one is in this node, unless the program was not solved to its end.
    const isIt = solved.whole && found.cost <= step(bound) + NEAR;
    if (!halves && !isIt) lost = Math.min(lost, bound);
  }
  const bound = Number.isFinite(lost) ? Math.min(best.cost, Math.max(0, step(lost))) : best.cost;
  return { ...best, bound, proven: bound >= best.cost };
}
