import * as Comlink from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Planner } from '@/workers/planner.worker';
import { toast } from './toast';

const reason = (fault: unknown): string =>
  fault instanceof Error && fault.message ? fault.message : 'no reason was given';

/** The planners in a worker of their own, one work at a time. What fails there is said, and never waited for. */
export function usePlannerThread() {
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setBusy(false);
  }, []);
  useEffect(() => stop, [stop]);

  /**
   * Start a work; what was under way is broken off.
   * @param isLive whether this work is still the one that is wanted
   * @returns what it came to; null when it was broken off or failed
   */
  const run = useCallback(
    async <T>(work: (planner: Comlink.Remote<Planner>, isLive: () => boolean) => Promise<T>): Promise<T | null> => {
      stop();
      setBusy(true);
      const fresh = new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module' });
      worker.current = fresh;
      const isLive = () => worker.current === fresh;
      const broken = new Promise<never>((_, fail) => {
        fresh.addEventListener('error', (event) =>
          fail(new Error(event.message || 'the planner could not be started')),
        );
      });
      try {
        const made = await Promise.race([work(Comlink.wrap<Planner>(fresh), isLive), broken]);
        return isLive() ? made : null;
      } catch (fault) {
        if (isLive()) toast.error(`The planner failed: ${reason(fault)}. Nothing was changed.`, { duration: 12_000 });
        return null;
      } finally {
        if (isLive()) stop();
      }
    },
    [stop],
  );
  return { busy, run, stop };
}
