import { isOver, type SearchLimits } from '../limits';
import { everySet, treeOf } from './everySet';
import { type DiagnosisProblem, type DiagnosisTree, mendLine } from './problem';

/** Sets of so few suspects are solved exactly, where that is allowed. */
const SMALL = 11;

type Look = { cost: number; test: number | null };

/**
 * Steps chosen by looking some of them ahead, a plain line of mends taken for what follows. Of mends only the one of most odds a
 * minute comes next.
 * @param depth steps looked ahead
 * @param exact small sets are solved exactly instead of by a line of mends
 * @returns null when the time was over before
 */
export function lookAhead(
  problem: DiagnosisProblem,
  suspects: readonly number[],
  depth: number,
  exact: boolean,
  limits: SearchLimits,
): DiagnosisTree | null {
  const { odds, mendMin, tests } = problem;
  const order = mendLine(problem, suspects);
  const slot = new Map(order.map((at, index) => [at, index]));
  // A set is a number of up to 52 bits, the suspect of most odds a minute lowest: read as two words.
  const finds = tests.map((test) => {
    const words: [number, number] = [0, 0];
    for (const at of test.finds) {
      const index = slot.get(at);
      if (index !== undefined) words[index >= 26 ? 1 : 0] |= 1 << (index % 26);
    }
    return words;
  });
  const membersOf = (low: number, high: number): number[] => {
    const members: number[] = [];
    for (let index = 0; index < order.length; index++)
      if (((index >= 26 ? high : low) & (1 << (index % 26))) !== 0) members.push(order[index] ?? 0);
    return members;
  };
  const keyOf = (low: number, high: number) => high * 2 ** 26 + low;
  const line = (members: readonly number[]): number => {
    let left = members.reduce((sum, at) => sum + (odds[at] ?? 0), 0);
    let cost = 0;
    for (const at of members) {
      cost += (mendMin[at] ?? 0) * left;
      left -= odds[at] ?? 0;
    }
    return cost;
  };
  const solved = new Map<number, { cost: number; tree: DiagnosisTree | null }>();
  const small = (low: number, high: number, members: readonly number[]) => {
    const key = keyOf(low, high);
    const there = solved.get(key);
    if (there) return there;
    const every = everySet(problem, members);
    const made = {
      cost: every.cost[2 ** members.length - 1] ?? 0,
      tree: treeOf(problem, members, every, 2 ** members.length - 1),
    };
    solved.set(key, made);
    return made;
  };
  const known: Map<number, Look>[] = Array.from({ length: depth + 1 }, () => new Map());
  let looks = 0;
  let over = false;
  const value = (low: number, high: number, ahead: number): Look => {
    if (low === 0 && high === 0) return { cost: 0, test: null };
    const key = keyOf(low, high);
    const there = known[ahead]?.get(key);
    if (there) return there;
    const members = membersOf(low, high);
    if (exact && members.length <= SMALL) {
      const made = { cost: small(low, high, members).cost, test: null };
      known[ahead]?.set(key, made);
      return made;
    }
    if (++looks % 256 === 0 && isOver(limits)) over = true;
    if (ahead === 0 || over || members.length === 1) {
      const made = { cost: line(members), test: null };
      known[ahead]?.set(key, made);
      return made;
    }
    const all = members.reduce((sum, at) => sum + (odds[at] ?? 0), 0);
    const first = members[0] ?? 0;
    const [mendLow, mendHigh] = without(low, high, slot.get(first) ?? 0);
    let best: Look = { cost: (mendMin[first] ?? 0) * all + value(mendLow, mendHigh, ahead - 1).cost, test: null };
    for (let test = 0; test < finds.length; test++) {
      const [yesLow, yesHigh] = [low & (finds[test]?.[0] ?? 0), high & (finds[test]?.[1] ?? 0)];
      if ((yesLow === 0 && yesHigh === 0) || (yesLow === low && yesHigh === high)) continue;
      const paid = (tests[test]?.minutes ?? 0) * all;
      if (paid >= best.cost) continue;
      const cost = paid + value(yesLow, yesHigh, ahead - 1).cost + value(low ^ yesLow, high ^ yesHigh, ahead - 1).cost;
      if (cost < best.cost - 1e-12) best = { cost, test };
    }
    known[ahead]?.set(key, best);
    return best;
  };
  const build = (low: number, high: number): DiagnosisTree | null => {
    if (low === 0 && high === 0) return null;
    const members = membersOf(low, high);
    if (exact && members.length <= SMALL) return small(low, high, members).tree;
    const { test } = value(low, high, depth);
    if (test === null) {
      const mend = members[0] ?? 0;
      return { mend, else: build(...without(low, high, slot.get(mend) ?? 0)) };
    }
    const [yesLow, yesHigh] = [low & (finds[test]?.[0] ?? 0), high & (finds[test]?.[1] ?? 0)];
    return {
      test,
      yes: build(yesLow, yesHigh) as DiagnosisTree,
      no: build(low ^ yesLow, high ^ yesHigh) as DiagnosisTree,
    };
  };
  const low = order.slice(0, 26).reduce((mask, _, index) => mask | (1 << index), 0);
  const high = order.slice(26).reduce((mask, _, index) => mask | (1 << index), 0);
  const tree = build(low, high);
  return over ? null : tree;
}

const without = (low: number, high: number, index: number): [number, number] =>
  index >= 26 ? [low, high & ~(1 << (index - 26))] : [low & ~(1 << index), high];
