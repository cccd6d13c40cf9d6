import * as Comlink from 'comlink';
import { useState } from 'react';
import type { Job } from '@/core/job/document/job';
import { type Arrangement, arrangementSoFar, type BetterSoFar } from '@/core/trade/rack/arrange/arrange';
import type { ArrangeWish } from '@/core/trade/rack/arrange/arrangeWish';
import { usePlannerThread } from '../session/plannerThread';

const SECONDS = 12;
type Slot = { wish: ArrangeWish; made: Arrangement | null; better: BetterSoFar | null };

/** Arrangements looked for by the planners, one after the other; broken off, the best found so far stays. */
export function useArrange(job: Job) {
  const [slots, setSlots] = useState<Slot[]>([]);
  const [of, setOf] = useState<Job>(job);
  const { busy, run, stop } = usePlannerThread();

  const start = (wishes: ArrangeWish[]) => {
    setOf(job);
    setSlots(wishes.map((wish) => ({ wish, made: null, better: null })));
    void run((planner, isLive) => {
      const put = (at: number, change: Partial<Slot>) => {
        if (isLive()) setSlots((now) => now.map((slot, index) => (index === at ? { ...slot, ...change } : slot)));
      };
      return planner.arrange(
        job,
        wishes,
        SECONDS,
        Comlink.proxy((at: number, better: BetterSoFar) => put(at, { better })),
        Comlink.proxy((at: number, made: Arrangement) => put(at, { made })),
      );
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
