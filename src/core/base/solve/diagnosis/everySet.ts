import type { DiagnosisProblem, DiagnosisTree } from './problem';

/** Up to so many suspects every set of them is looked at. */
export const MOST_EXACT = 22;

/** The least of all sets of some suspects, and what to do first in each. */
export type EverySet = { cost: Float64Array; first: Int8Array };

/**
 * Every set of the suspects, smaller ones first: by mending one of them or by a test that parts them. The cost is in odds, not
 * divided by their sum.
 * @param suspects at most 22 of them; bit i of a set is the ith
 */
export function everySet({ odds, mendMin, tests }: DiagnosisProblem, suspects: readonly number[]): EverySet {
  const count = suspects.length;
  const sets = 2 ** count;
  const cost = new Float64Array(sets);
  const first = new Int8Array(sets).fill(-1);
  const all = new Float64Array(sets);
  const slot = new Map(suspects.map((at, index) => [at, index]));
  const masks = Int32Array.from(tests, ({ finds }) =>
    finds.reduce((mask, at) => mask | (slot.has(at) ? 1 << (slot.get(at) ?? 0) : 0), 0),
  );
  const minutes = Float64Array.from(tests, (test) => test.minutes);
  const mend = Float64Array.from(suspects, (at) => mendMin[at] ?? 0);
  const share = Float64Array.from(suspects, (at) => odds[at] ?? 0);
  for (let set = 1; set < sets; set++) {
    const low = 31 - Math.clz32(set & -set);
    all[set] = (all[set & (set - 1)] as number) + (share[low] as number);
    const sum = all[set] as number;
    let best = Number.POSITIVE_INFINITY;
    let what = -1;
    for (let rest = set; rest !== 0; rest &= rest - 1) {
      const at = 31 - Math.clz32(rest & -rest);
      const one = (mend[at] as number) * sum + (cost[set ^ (1 << at)] as number);
      if (one < best) {
        best = one;
        what = at;
      }
    }
    for (let test = 0; test < masks.length; test++) {
      const yes = set & (masks[test] as number);
      if (yes === 0 || yes === set) continue;
      const one = (minutes[test] as number) * sum + (cost[yes] as number) + (cost[set ^ yes] as number);
      if (one < best) {
        best = one;
        what = count + test;
      }
    }
    cost[set] = best;
    first[set] = what;
  }
  return { cost, first };
}

/** What to do in a set, as a tree. */
export function treeOf(
  problem: DiagnosisProblem,
  suspects: readonly number[],
  { first }: EverySet,
  set: number,
): DiagnosisTree | null {
  if (set === 0) return null;
  const what = first[set] ?? -1;
  if (what < suspects.length) {
    const mend = suspects[what] ?? 0;
    return { mend, else: treeOf(problem, suspects, { first } as EverySet, set ^ (1 << what)) };
  }
  const test = what - suspects.length;
  const finds = new Set(problem.tests[test]?.finds);
  let yes = 0;
  suspects.forEach((at, index) => {
    if ((set & (1 << index)) !== 0 && finds.has(at)) yes |= 1 << index;
  });
  const all = { first } as EverySet;
  return {
    test,
    yes: treeOf(problem, suspects, all, yes) as DiagnosisTree,
    no: treeOf(problem, suspects, all, set ^ yes) as DiagnosisTree,
  };
}
