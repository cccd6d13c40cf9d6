import { z } from 'zod';
import { diagnose, MOST_SUSPECTS } from '../../core/base/solve/diagnosis/diagnose';
import type { DiagnosisProblem, DiagnosisTree } from '../../core/base/solve/diagnosis/problem';
import type { SearchLimits } from '../../core/base/solve/limits';
import { refuse } from '../../core/base/text/refusal';
import type { Solved } from './cables';

const name = z.string().min(1).max(80);
const minutes = z.number().min(0).max(100_000);

/** An instance of what to look at first: suspects, of which exactly one is the fault, and tests that part them. */
export const DiagnoseInstance = z.looseObject({
  suspects: z
    .array(z.looseObject({ id: name, odds: z.number().min(0).max(1_000_000), mendMin: minutes }))
    .max(MOST_SUSPECTS),
  tests: z
    .array(z.looseObject({ id: name, minutes, finds: z.array(name).max(MOST_SUSPECTS) }))
    .max(200)
    .default([]),
});
export type DiagnoseInstance = z.infer<typeof DiagnoseInstance>;

export type NamedTree = { test: string; yes: NamedTree; no: NamedTree } | { mend: string; else: NamedTree | null };

/** The instance in numbers. @throws Refusal when an id stands twice or a test finds what is no suspect */
export function diagnosisProblem({ suspects, tests }: DiagnoseInstance): DiagnosisProblem {
  const at = new Map(suspects.map(({ id }, index) => [id, index]));
  if (at.size < suspects.length) refuse('id-twice', 'suspects: an id stands twice.');
  if (new Set(tests.map(({ id }) => id)).size < tests.length) refuse('id-twice', 'tests: an id stands twice.');
  return {
    odds: Float64Array.from(suspects, ({ odds }) => odds),
    mendMin: Float64Array.from(suspects, ({ mendMin }) => mendMin),
    tests: tests.map(({ id, minutes: cost, finds }) => ({
      minutes: cost,
      finds: finds.map(
        (one) => at.get(one) ?? refuse('no-suspect', `tests: “${id}” finds “${one}”, which is no suspect.`),
      ),
    })),
  };
}

/** What to test and mend, and what on each answer, with the least expected minutes. */
export function solveDiagnose(instance: DiagnoseInstance, limits: SearchLimits): Solved<{ tree: NamedTree | null }> {
  const started = limits.now();
  const { tree, cost, bound, proven } = diagnose(diagnosisProblem(instance), limits);
  const named = (one: DiagnosisTree | null): NamedTree | null => {
    if (one === null) return null;
    if ('mend' in one) return { mend: instance.suspects[one.mend]?.id ?? '', else: named(one.else) };
    return {
      test: instance.tests[one.test]?.id ?? '',
      yes: named(one.yes) as NamedTree,
      no: named(one.no) as NamedTree,
    };
  };
  return {
    status: proven ? 'optimal' : 'best-found',
    objective: cost,
    bound,
    seconds: (limits.now() - started) / 1000,
    solution: { tree: named(tree) },
  };
}
