/** Exactly one suspect is the fault, by its odds; a test says whether the fault is among those that it finds. */
export type DiagnosisProblem = {
  odds: Float64Array;
  mendMin: Float64Array;
  tests: readonly { minutes: number; finds: readonly number[] }[];
};

/** What to do next, by number; what follows on each answer. `else`: it was not that one. */
export type DiagnosisTree =
  | { test: number; yes: DiagnosisTree; no: DiagnosisTree }
  | { mend: number; else: DiagnosisTree | null };

/** Expected minutes of a tree for the suspects that are left, in their odds (not divided by their sum). */
export function treeCost(problem: DiagnosisProblem, suspects: readonly number[], tree: DiagnosisTree | null): number {
  const all = suspects.reduce((sum, at) => sum + (problem.odds[at] ?? 0), 0);
  if (tree === null) return suspects.length === 0 || all === 0 ? 0 : Number.POSITIVE_INFINITY;
  if ('mend' in tree) {
    const rest = suspects.filter((at) => at !== tree.mend);
    return (problem.mendMin[tree.mend] ?? 0) * all + treeCost(problem, rest, tree.else);
  }
  const { minutes = 0, finds = [] } = problem.tests[tree.test] ?? {};
  const found = new Set(finds);
  return (
    minutes * all +
    treeCost(
      problem,
      suspects.filter((at) => found.has(at)),
      tree.yes,
    ) +
    treeCost(
      problem,
      suspects.filter((at) => !found.has(at)),
      tree.no,
    )
  );
}

/**
 * The order of mends without any test that costs least: by odds for each minute (exchange of neighbours).
 * @returns suspects in that order
 */
export const mendLine = ({ odds, mendMin }: DiagnosisProblem, suspects: readonly number[]): number[] =>
  [...suspects].sort((a, b) => (odds[b] ?? 0) * (mendMin[a] ?? 0) - (odds[a] ?? 0) * (mendMin[b] ?? 0) || a - b);

/**
 * Expected minutes at least, whatever is done: each suspect's own mending, and one action of the least minutes at each further
 * fork. A plan is a binary tree with the suspects as leaves, which on average lie no higher than those of Huffman's.
 */
export function leastCost({ odds, mendMin, tests }: DiagnosisProblem, suspects: readonly number[]): number {
  if (suspects.length === 0) return 0;
  const own = suspects.reduce((sum, at) => sum + (odds[at] ?? 0) * (mendMin[at] ?? 0), 0);
  const least = Math.min(...suspects.map((at) => mendMin[at] ?? 0), ...tests.map(({ minutes }) => minutes));
  const weights = suspects.map((at) => odds[at] ?? 0).sort((a, b) => a - b);
  const all = weights.reduce((sum, one) => sum + one, 0);
  let depth = 0;
  while (weights.length > 1) {
    const [a = 0, b = 0] = weights.splice(0, 2);
    depth += a + b;
    const at = weights.findIndex((one) => one >= a + b);
    weights.splice(at < 0 ? weights.length : at, 0, a + b);
  }
  return own + least * Math.max(0, depth - all);
}
