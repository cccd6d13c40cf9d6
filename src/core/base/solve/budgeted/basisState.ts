import { type BasisInverse, changeBasis, unitInverse, widerInverse } from '../basisInverse';
import { cellOf, type LpModel, rowOf } from './lpModel';
import type { Rule } from './rules';

/** A basis without the slacks of rules, and the rules whose slacks are not in it. */
export type Basis = { members: Int32Array; binding: readonly Rule[] };

/** A basis, for each of its rows the member solved for and what it comes to, and what the row is priced at. */
export type BasisState = {
  rules: readonly Rule[];
  /** For each cell the rules that count it: row of the program, and factor. */
  uses: Uses;
  inverse: BasisInverse;
  member: Int32Array;
  values: Float64Array;
  price: Float64Array;
};
type Uses = (readonly { at: number; by: number }[])[];

/** A member that counts less than this for a row cannot be solved for by it. */
export const TINY_PIVOT = 1e-7;

/** Uses with those of the rules from `first` on as well. */
function moreUses({ rows, columns }: LpModel, before: Uses, rules: readonly Rule[], first: number): Uses {
  const uses = [...before];
  for (let rule = first; rule < rules.length; rule++) {
    const { cells, factors } = rules[rule];
    for (let part = 0; part < cells.length; part++) {
      const cell = cells[part];
      const by = factors[part];
      if (by !== 0) uses[cell] = [...(uses[cell] ?? []), { at: rows + columns + rule, by }];
    }
  }
  return uses;
}

/** The inverse times the column of a member, into `direction`. */
export function directTo(
  model: LpModel,
  { inverse: { size, rows: entries }, uses }: Pick<BasisState, 'inverse' | 'uses'>,
  member: number,
  direction: Float64Array,
): void {
  const { rows, columns, firstOut, firstSlack } = model;
  if (member >= firstSlack) {
    const at = rows + member - firstSlack;
    for (let row = 0; row < size; row++) direction[row] = entries[row * size + at];
    return;
  }
  const first = rowOf(model, member);
  for (let row = 0; row < size; row++) direction[row] = entries[row * size + first];
  const add = (at: number, by: number) => {
    for (let row = 0; row < size; row++) {
      const entry = entries[row * size + at];
      if (entry !== 0) direction[row] = direction[row] + by * entry;
    }
  };
  if (member < firstOut) add(rows + (member % columns), 1);
  for (const { at, by } of uses[cellOf(model, member)]) add(at, by);
}

/** Each row by itself at its cheapest: no price speaks against it, though columns may be taken more than once. */
export function beginning({ rows, columns, groups, firstOut, firstSlack, priceOf, never, pairs }: LpModel): Basis {
  const members = new Int32Array(rows + columns);
  for (let row = 0; row < rows; row++) {
    let least = never[firstOut + row] ? Number.POSITIVE_INFINITY : priceOf[firstOut + row];
    members[row] = firstOut + row;
    const end = pairs.until[row * groups + groups - 1] ?? 0;
    for (let slot = pairs.from[row * groups] ?? 0; slot < end; slot++) {
      if (pairs.priceAt[slot] >= least) continue;
      least = pairs.priceAt[slot];
      members[row] = row * columns + pairs.columnAt[slot];
    }
  }
  for (let column = 0; column < columns; column++) members[rows + column] = firstSlack + column;
  return { members, binding: [] };
}

/** A basis inverted, or null when it is none. The leaves of its tree come first, which keeps the inverse thin. */
export function invert(model: LpModel, rules: readonly Rule[], basis: Basis): BasisState | null {
  const { rows, columns, firstOut, firstSlack, firstRule, priceOf } = model;
  const size = rows + columns + rules.length;
  const uses = moreUses(
    model,
    Array.from({ length: model.cellCount }, () => []),
    rules,
    0,
  );
  const inverse = unitInverse(size);
  const member = new Int32Array(size).fill(-1);
  const binding = new Set(basis.binding);
  rules.forEach((rule, at) => {
    if (!binding.has(rule)) member[rows + columns + at] = firstRule + at;
  });
  const direction = new Float64Array(size);
  const aim = (one: number) => directTo(model, { inverse, uses }, one, direction);
  const seat = (at: number, one: number) => {
    if (Math.abs(direction[at]) < TINY_PIVOT) return false;
    changeBasis(inverse, at, direction);
    member[at] = one;
    return true;
  };
  // Pairs are edges between rows and columns.
  const edges: number[][] = Array.from({ length: rows + columns }, () => []);
  const ends = (one: number): [number, number] => [Math.floor(one / columns), rows + (one % columns)];
  const waiting = new Set<number>();
  for (const one of basis.members) {
    if (one >= firstSlack) member[rows + one - firstSlack] = one;
    else if (one >= firstOut) {
      aim(one);
      if (!seat(one - firstOut, one)) return null;
    } else {
      waiting.add(one);
      for (const end of ends(one)) edges[end].push(one);
    }
  }
  const left = Int32Array.from(edges, (some) => some.length);
  const leaves = [...left.keys()].filter((end) => left[end] === 1);
  for (let end = leaves.pop(); end !== undefined; end = leaves.pop()) {
    if (left[end] !== 1 || member[end] !== -1) continue;
    const one = edges[end].find((edge) => waiting.has(edge));
    if (one === undefined) continue;
    aim(one);
    if (!seat(end, one)) continue;
    waiting.delete(one);
    for (const other of ends(one)) {
      left[other] = left[other] - 1;
      if (left[other] === 1) leaves.push(other);
    }
  }
  for (const one of waiting) {
    aim(one);
    let at = -1;
    for (let row = 0; row < size; row++)
      if (member[row] === -1 && (at < 0 || Math.abs(direction[row]) > Math.abs(direction[at]))) at = row;
    if (at < 0 || !seat(at, one)) return null;
  }
  if (member.includes(-1)) return null;
  const values = new Float64Array(size);
  const price = new Float64Array(size);
  for (let at = 0; at < size; at++) {
    const one = member[at];
    const own = one < firstSlack ? priceOf[one] : 0;
    let sum = 0;
    for (let to = 0; to < size; to++) {
      const entry = inverse.rows[at * size + to];
      if (entry === 0) continue;
      sum += entry * (to < rows + columns ? 1 : rules[to - rows - columns].limit);
      price[to] = price[to] + own * entry;
    }
    values[at] = sum;
  }
  return { rules, uses, inverse, member, values, price };
}

/**
 * A copy with more rules, whose slacks are in the basis.
 * @param rules those it has first
 * @param numbers where the inverse may be written
 */
export function extend(model: LpModel, known: BasisState, rules: readonly Rule[], numbers?: Float64Array): BasisState {
  const { rows, columns, firstSlack, firstRule, cellCount } = model;
  const narrow = known.inverse.size;
  const inverse = widerInverse(known.inverse, rules.length - known.rules.length, numbers);
  const { size, rows: entries, squares } = inverse;
  const member = new Int32Array(size);
  member.set(known.member);
  const values = new Float64Array(size);
  values.set(known.values);
  const price = new Float64Array(size);
  price.set(known.price);
  const factorOf = new Float64Array(cellCount);
  for (let rule = known.rules.length; rule < rules.length; rule++) {
    const { cells, factors, limit } = rules[rule];
    factorOf.fill(0);
    for (let part = 0; part < cells.length; part++) factorOf[cells[part]] = factors[part];
    const own = rows + columns + rule;
    let value = limit;
    for (let at = 0; at < narrow; at++) {
      const one = member[at];
      const factor = one < firstSlack ? factorOf[cellOf(model, one)] : 0;
      if (factor === 0) continue;
      value -= factor * values[at];
      for (let to = 0; to < narrow; to++) {
        const entry = entries[at * size + to];
        if (entry !== 0) entries[own * size + to] = entries[own * size + to] - factor * entry;
      }
    }
    let square = 0;
    for (let to = 0; to < size; to++) square += entries[own * size + to] ** 2;
    squares[own] = square;
    member[own] = firstRule + rule;
    values[own] = value;
  }
  const uses = moreUses(model, known.uses, rules, known.rules.length);
  return { rules, uses, inverse, member, values, price };
}

/** The basis of a state, by which it can be found again. */
export function basisOf({ firstRule }: LpModel, { member, rules }: BasisState): Basis {
  const isSlack = new Uint8Array(rules.length);
  const members = new Int32Array(member.length);
  let count = 0;
  for (const one of member) {
    if (one >= firstRule) isSlack[one - firstRule] = 1;
    else members[count++] = one;
  }
  return {
    members: members.slice(0, count),
    binding: rules.filter((_, at) => isSlack[at] === 0),
  };
}
