import { z } from 'zod';
import { cutStock } from '../../core/base/solve/cutting/cutStock';
import type { CuttingProblem } from '../../core/base/solve/cutting/problem';
import type { SearchLimits } from '../../core/base/solve/limits';
import { refuse } from '../../core/base/text/refusal';

const name = z.string().min(1).max(80);
const metres = z.number().min(0).max(100_000);

/** An instance of the choice which run is cut from which box. Lengths in metres, to the tenth. */
export const CablesInstance = z.looseObject({
  newBox_m: metres.gt(0).default(305),
  minReusable_m: metres.default(0),
  pullTogether: z.boolean().default(false),
  partBoxes: z
    .array(z.looseObject({ id: name, left_m: metres }))
    .max(500)
    .default([]),
  runs: z.array(z.looseObject({ id: name, outlet: z.string().max(80).default(''), length_m: metres.gt(0) })).max(5000),
});
export type CablesInstance = z.infer<typeof CablesInstance>;

export type Solved<S> = {
  status: 'optimal' | 'best-found' | 'infeasible';
  objective: number | null;
  bound: number | null;
  seconds: number;
  solution: S | null;
};

/** One new box against scrap in decimetres. */
const BOX_POINTS = 10_000;
const decimetres = (m: number) => Math.round(m * 10);

/** The instance in whole decimetres, as the solver takes it. @throws Refusal when an id stands twice */
export function cuttingProblem(instance: CablesInstance): CuttingProblem {
  for (const [what, rows] of [
    ['partBoxes', instance.partBoxes],
    ['runs', instance.runs],
  ] as const) {
    if (new Set(rows.map((row) => row.id)).size < rows.length) refuse('id-twice', `${what}: an id stands twice.`);
  }
  const outlets = new Map<string, number>();
  const pieces = instance.runs.map(({ outlet, length_m }, at) => {
    // A run without outlet, and every run when they are pulled one by one, is alone.
    const key = instance.pullTogether && outlet !== '' ? `outlet ${outlet}` : `run ${at}`;
    const group = outlets.get(key) ?? outlets.size;
    outlets.set(key, group);
    return { group, length: decimetres(length_m) };
  });
  return {
    pieces,
    parts: instance.partBoxes.map((box) => decimetres(box.left_m)),
    fresh: decimetres(instance.newBox_m),
    reusable: decimetres(instance.minReusable_m),
  };
}

/** Which run from which box: part boxes by id, new boxes N1, N2 and so on. */
export function solveCables(instance: CablesInstance, limits: SearchLimits): Solved<{ boxOf: Record<string, string> }> {
  const started = limits.now();
  const problem = cuttingProblem(instance);
  const { stockOf, opened, scrap, openedBound, scrapBound, proven } = cutStock(problem, limits);
  const seconds = (limits.now() - started) / 1000;
  if (!stockOf) {
    return { status: proven ? 'infeasible' : 'best-found', objective: null, bound: null, seconds, solution: null };
  }
  const names = new Map<number, string>();
  const boxName = (stock: number) => {
    const part = instance.partBoxes[stock];
    if (part) return part.id;
    const known = names.get(stock) ?? `N${names.size + 1}`;
    names.set(stock, known);
    return known;
  };
  const boxOf = Object.fromEntries(instance.runs.map(({ id }, at) => [id, boxName(stockOf[at] ?? 0)]));
  const objective = BOX_POINTS * opened + scrap;
  const bound = proven ? objective : BOX_POINTS * openedBound + (opened === openedBound ? scrapBound : 0);
  return { status: proven ? 'optimal' : 'best-found', objective, bound, seconds, solution: { boxOf } };
}
