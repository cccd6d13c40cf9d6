import { applyChanges } from '../../job/document/change';
import type { Job } from '../../job/document/job';
import { type Planned, withoutSetAside } from './buildPlan';

/**
 * The job as it stands after so many steps: what is done is done, what is set aside stands nowhere. After all of them it is the
 * plan, but for the rows that say how it is built.
 * @param start what stands before the first of them
 */
export function jobAfter(start: Job, planned: readonly Planned[], count: number): Job {
  const past = planned.slice(0, count);
  const done = new Set(past.flatMap(({ entry }) => (entry.action === 'park' ? [] : [entry.step.id])));
  const steps = past.map(({ entry }) => entry.step);
  const once = [...new Map(steps.map((step) => [step.id, step])).values()];
  const made = applyChanges(
    start,
    once.flatMap((step) => (done.has(step.id) ? step.changes : [])),
  );
  return withoutSetAside(
    made,
    once.filter(({ id }) => !done.has(id)),
  );
}
