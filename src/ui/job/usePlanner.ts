import * as Comlink from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Job } from '@/core/job/job';
import type { Planner } from '@/workers/planner.worker';

/** The planners in a worker of their own. `plan` stands until it is put away or the job changes. */
export function usePlanner<Plan>(job: Job) {
  const [made, setMade] = useState<{ plan: Plan; job: Job } | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setBusy(false);
  }, []);
  useEffect(() => stop, [stop]);

  const start = async (work: (planner: Comlink.Remote<Planner>) => Promise<Plan>) => {
    stop();
    setBusy(true);
    const fresh = new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    const plan = await work(Comlink.wrap<Planner>(fresh));
    if (worker.current !== fresh) return;
    stop();
    setMade({ plan, job });
  };
  return { plan: made && made.job === job ? made.plan : null, busy, start, cancel: stop, putAway: () => setMade(null) };
}
