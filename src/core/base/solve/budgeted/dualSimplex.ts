import { changeBasis } from '../basisInverse';
import { type BasisState, directTo, TINY_PIVOT } from './basisState';
import { type LpModel, placeOf, rowOf } from './lpModel';
import { sumOfRules } from './rules';

/** What is less than this below 0 is 0. */
export const TINY_SHARE = 1e-7;
/** Costs over the prices that differ by less are alike: then the member that moves most is taken. */
const TINY_COST = 1e-12;
/** What no prices settle is a contradiction only when it is further off than rounding can bring it. */
const UNSETTLED = 1e-5;
/** What a row measures is carried on from change to change and may be rounded away: never less than this. */
const LEAST_SQUARE = 1e-6;
/** A pivot and what it should be are apart by this share of it where an inverse has lost its figures. */
const LOST = 1e-3;
/** Changes of the basis for each of its rows, after which arithmetic has lost its way: the bound reached is told. */
export const MOST_CHANGES = 100;
/** Changes of the basis between two looks at the clock. */
const LOOK = 16;

/**
 * 'settled' at the optimum, 'passed' the cutoff, 'contradicted' when nothing keeps the rules, 'stopped' before, 'lost'
 * when the inverse is no longer one: it is to be made anew. Prices hold in every case.
 */
export type Outcome = 'settled' | 'passed' | 'contradicted' | 'stopped' | 'lost';
export type Course = {
  /** 1 for each row and place that are kept apart; null for none. */
  closed: Uint8Array | null;
  /** Asked with the value so far, which a perturbation has lifted a little. */
  passes: (value: number) => boolean;
  isOver: () => boolean;
  /** Changes of the basis at most. */
  most: number;
};

/**
 * Bring a state whose prices speak against no member to one that keeps all rows (dual simplex with steepest edges:
 * Forrest and Goldfarb 1992). It is changed in place, and its prices give a bound at every step.
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one pivot after the other on the same arrays
export function dualSimplex(model: LpModel, state: BasisState, { closed, passes, isOver, most }: Course): Outcome {
  const { rows, columns, groups, width, firstOut, firstSlack, kindOf, groupOf, priceOf, never, cellCount } = model;
  const { columnAt, priceAt, from, until } = model.pairs;
  const { rules, inverse, member, values, price } = state;
  const { size, rows: entries, squares } = inverse;
  const firstRuleRow = rows + columns;
  // Members that must come to 0.
  const shut = new Uint8Array(size);
  let value = 0;
  for (let at = 0; at < size; at++) {
    const one = member[at];
    if (one >= firstSlack) continue;
    value += priceOf[one] * values[at];
    if (never[one]) shut[at] = 1;
    else if (closed !== null) shut[at] = closed[rowOf(model, one) * width + placeOf(model, one)];
  }
  // What the prices of the rules, and a step along the leaving row, come to in each cell.
  const added = new Float64Array(cellCount);
  sumOfRules(rules, price, firstRuleRow, added);
  const stepAdded = new Float64Array(cellCount);
  const step = new Float64Array(size);
  const steepestOf = new Float64Array(groups);
  const direction = new Float64Array(size);

  for (let changes = 0; ; changes++) {
    // What is furthest below 0, or above it where it must not be, for how steep the way is.
    let leaving = -1;
    let furthest = 0;
    for (let at = 0; at < size; at++) {
      const one = values[at];
      if (one > -TINY_SHARE && !(shut[at] === 1 && one > TINY_SHARE)) continue;
      const far = (one * one) / Math.max(LEAST_SQUARE, squares[at]);
      if (far <= furthest) continue;
      furthest = far;
      leaving = at;
    }
    if (leaving < 0) return 'settled';
    if (passes(value)) return 'passed';
    if (changes >= most || (changes % LOOK === LOOK - 1 && isOver())) return 'stopped';
    const beyond = values[leaving];
    const sign = beyond < 0 ? -1 : 1;
    for (let at = 0; at < size; at++) step[at] = sign * entries[leaving * size + at];
    sumOfRules(rules, step, firstRuleRow, stepAdded);
    steepestOf.fill(Number.NEGATIVE_INFINITY);
    for (let column = 0; column < columns; column++) {
      const group = groupOf[column];
      const one = step[rows + column];
      if (one > steepestOf[group]) steepestOf[group] = one;
    }
    // Which member takes its place: the one whose cost is the first to be met by the prices on their way.
    // The test stands three times, for pairs, rows left out and slacks: as a function it made all a tenth slower.
    let entering = -1;
    let least = Number.POSITIVE_INFINITY;
    let steepest = 0;
    for (let row = 0; row < rows; row++) {
      const first = kindOf[row] * width;
      const rowStep = step[row];
      const rowPrice = price[row];
      for (let group = 0; group < groups; group++) {
        if (closed?.[row * width + group]) continue;
        const pairStep = rowStep + stepAdded[first + group];
        if (pairStep + steepestOf[group] < TINY_PIVOT) continue;
        const pairPrice = rowPrice + added[first + group];
        const end = until[row * groups + group];
        for (let slot = from[row * groups + group]; slot < end; slot++) {
          const column = columnAt[slot];
          const slope = pairStep + step[rows + column];
          if (slope < TINY_PIVOT) continue;
          const over = priceAt[slot] - pairPrice - price[rows + column];
          const limit = least * slope;
          if (over > limit + TINY_COST || (over > limit - TINY_COST && slope <= steepest)) continue;
          least = over > 0 ? over / slope : 0;
          steepest = slope;
          entering = row * columns + column;
        }
      }
      if (never[firstOut + row] || closed?.[row * width + groups]) continue;
      const slope = rowStep + stepAdded[first + groups];
      if (slope < TINY_PIVOT) continue;
      const over = priceOf[firstOut + row] - rowPrice - added[first + groups];
      const limit = least * slope;
      if (over > limit + TINY_COST || (over > limit - TINY_COST && slope <= steepest)) continue;
      least = over > 0 ? over / slope : 0;
      steepest = slope;
      entering = firstOut + row;
    }
    for (let at = rows; at < size; at++) {
      const slope = step[at];
      if (slope < TINY_PIVOT) continue;
      const over = -price[at];
      const limit = least * slope;
      if (over > limit + TINY_COST || (over > limit - TINY_COST && slope <= steepest)) continue;
      least = over > 0 ? over / slope : 0;
      steepest = slope;
      entering = firstSlack + at - rows;
    }
    if (entering < 0) {
      if (Math.abs(beyond) <= UNSETTLED) {
        values[leaving] = 0;
        continue;
      }
      // Told by the rules themselves and not by the values, which may have been rounded: no member helps, and yet the sum
      // of all rows along the step wants more than nothing.
      let wanted = 0;
      for (let at = 0; at < size; at++) wanted += step[at] * (at < firstRuleRow ? 1 : rules[at - firstRuleRow].limit);
      return wanted > UNSETTLED ? 'contradicted' : 'lost';
    }
    directTo(model, state, entering, direction);
    if (!(Math.abs(direction[leaving] - sign * steepest) <= LOST * steepest)) return 'lost';
    value += least * Math.abs(beyond);
    for (let at = 0; at < size; at++) price[at] = price[at] + least * step[at];
    for (let at = 0; at < cellCount; at++) added[at] = added[at] + least * stepAdded[at];
    const moved = beyond / direction[leaving];
    for (let at = 0; at < size; at++) values[at] = values[at] - moved * direction[at];
    values[leaving] = moved;
    changeBasis(inverse, leaving, direction);
    member[leaving] = entering;
    shut[leaving] = 0;
  }
}
