import * as Comlink from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Job } from '@/core/job/job';
import type { PatchPlan } from '@/core/patching/planPatching';
import type { Planner } from '@/workers/planner.worker';

/** The patch planner in a worker of its own. `plan` stands until it is put away or the job changes. */
export function usePlanner(job: Job) {
  const [made, setMade] = useState<{ plan: PatchPlan; job: Job } | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setBusy(false);
  }, []);
  useEffect(() => stop, [stop]);

  const start = async (includeSpare: boolean) => {
    stop();
    setBusy(true);
    const fresh = new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    const plan = await Comlink.wrap<Planner>(fresh).patch(job, includeSpare);
    if (worker.current !== fresh) return;
    stop();
    setMade({ plan, job });
  };
  return { plan: made && made.job === job ? made.plan : null, busy, start, cancel: stop, putAway: () => setMade(null) };
}
