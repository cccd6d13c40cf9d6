import * as Comlink from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Arrangement, arrangementSoFar, type BetterSoFar } from '@/core/arrange/arrange';
import type { ArrangeWish } from '@/core/arrange/arrangeWish';
import type { Job } from '@/core/job/job';
import type { Planner } from '@/workers/planner.worker';

const SECONDS = 12;
type Slot = { wish: ArrangeWish; made: Arrangement | null; better: BetterSoFar | null };

/** Arrangements looked for in a worker, one after the other; broken off, the best found so far stays. */
export function useArrange(job: Job) {
  const [slots, setSlots] = useState<Slot[]>([]);
  const [busy, setBusy] = useState(false);
  const [of, setOf] = useState<Job>(job);
  const worker = useRef<Worker | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setBusy(false);
  }, []);
  useEffect(() => stop, [stop]);

  const start = (wishes: ArrangeWish[]) => {
    stop();
    setBusy(true);
    setOf(job);
    setSlots(wishes.map((wish) => ({ wish, made: null, better: null })));
    const fresh = new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    const put = (at: number, change: Partial<Slot>) => {
      if (worker.current === fresh)
        setSlots((now) => now.map((slot, index) => (index === at ? { ...slot, ...change } : slot)));
    };
    void Comlink.wrap<Planner>(fresh)
      .arrange(
        job,
        wishes,
        SECONDS,
        Comlink.proxy((at: number, better: BetterSoFar) => put(at, { better })),
        Comlink.proxy((at: number, made: Arrangement) => put(at, { made })),
      )
      .catch((fault: unknown) => {
        if (worker.current === fresh)
          toast.error(`The search broke off: ${fault instanceof Error ? fault.message : 'no reason was given'}.`);
      })
      .finally(() => {
        if (worker.current === fresh) stop();
      });
  };
  /** Break off: what was found so far is taken for what it is. */
  const cancel = () => {
    stop();
    setSlots((now) =>
      now
        .map((slot) => ({ ...slot, made: slot.made ?? (slot.better && arrangementSoFar(of, slot.wish, slot.better)) }))
        .filter((slot) => slot.made),
    );
  };
  const putAway = () => {
    stop();
    setSlots([]);
  };
  return { slots: of === job ? slots : [], busy, start, cancel, putAway };
}
