import { applyPatches, enablePatches, type Patch } from 'immer';

enablePatches();

type Row = Record<string, unknown>;
type Tables = Record<string, Record<string, Row> | string>;
/** A recorded difference: a record that came or went, or a field with what it was and what it became. */
export type Step = { table: string | null; id: string; field?: string; was?: unknown; is?: unknown };

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [left, right] = [a as Row, b as Row];
  const fields = new Set([...Object.keys(left), ...Object.keys(right)]);
  return [...fields].every((field) => alike(left[field], right[field]));
}

const fieldSteps = (table: string | null, id: string, was: Row, is: Row): Step[] =>
  [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .filter((field) => !alike(was[field], is[field]))
    .map((field) => ({ table, id, field, was: was[field] ?? null, is: is[field] ?? null }));

/** Differences of two states, as they are recorded from now on. */
export function stepsBetween(before: Tables, after: Tables): Step[] {
  const steps: Step[] = [];
  const head: [Row, Row] = [{}, {}];
  for (const name of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, is] = [before[name] ?? {}, after[name] ?? {}];
    if (!isRow(was) || !isRow(is)) {
      if (name === 'name' || name === 'units') Object.assign(head[0], { [name]: was });
      if (name === 'name' || name === 'units') Object.assign(head[1], { [name]: is });
      continue;
    }
    const [old, fresh] = [was as Record<string, Row>, is as Record<string, Row>];
    for (const [id, record] of Object.entries(old)) {
      const now = fresh[id];
      if (!now) steps.push({ table: name, id, was: record });
      else if (now !== record) steps.push(...fieldSteps(name, id, record, now));
    }
    for (const [id, record] of Object.entries(fresh)) if (!old[id]) steps.push({ table: name, id, is: record });
  }
  return [...fieldSteps(null, '', ...head), ...steps];
}

/**
 * What each of a job's recorded steps changed, read from its end backwards: the state before a step is the state after
 * it with the inverse patches that were recorded with it.
 * @param log latest first
 * @returns for each revision its differences; null from where the patches no longer fit
 */
export function stepsOfPatches(
  now: Tables,
  log: readonly { revision: number; inverse: Patch[] }[],
): Map<number, Step[] | null> {
  const steps = new Map<number, Step[] | null>();
  let after = now;
  let fits = true;
  for (const { revision, inverse } of log) {
    if (fits) {
      try {
        const before = applyPatches(after, inverse) as Tables;
        steps.set(revision, stepsBetween(before, after));
        after = before;
        continue;
      } catch {
        fits = false;
      }
    }
    steps.set(revision, null);
  }
  return steps;
}
