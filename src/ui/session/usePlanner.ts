import type * as Comlink from 'comlink';
import { useState } from 'react';
import type { Job } from '@/core/job/document/job';
import type { Planner } from '@/workers/planner.worker';
import { usePlannerThread } from './plannerThread';

/** A plan made by the planners. It holds until it is put away or the job changes. */
export function usePlanner<Plan>(job: Job) {
  const [made, setMade] = useState<{ plan: Plan; job: Job } | null>(null);
  const { busy, run, stop } = usePlannerThread();
  const start = async (work: (planner: Comlink.Remote<Planner>) => Promise<Plan>) => {
    const plan = await run(work);
    if (plan !== null) setMade({ plan, job });
  };
  return { plan: made && made.job === job ? made.plan : null, busy, start, cancel: stop, putAway: () => setMade(null) };
}
