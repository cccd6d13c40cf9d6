import { startTransition, useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Job } from '@/core/job/document/job';
import { screenDrawn } from './screenDrawn';
import { linkOf, type SessionStore, useSession, useSessionStore } from './session';
import { todayHere } from './today';

/** Milliseconds that a part of the judging may take at most: an answer of the server may come while nothing else is to be done. */
const SLICE_MS = 8;
/** So long it waits for what is being saved, and so often. */
const [WAIT_MS, MOST_WAITS] = [40, 25];

export type Rules = typeof import('./rules');
let rules: Rules | null = null;
/** So long until what could not be fetched is asked for again. */
const AGAIN_MS = 3000;

async function fetchRules(): Promise<Rules> {
  for (;;) {
    try {
      rules ??= await import('./rules');
      return rules;
    } catch {
      await new Promise((again) => setTimeout(again, AGAIN_MS));
    }
  }
}

const judged = new WeakMap<SessionStore, Promise<void>>();

/** Judge a job for the first time, rule by rule, while nothing else is to be done. */
function judgeWhenIdle(session: SessionStore): Promise<void> {
  const known = judged.get(session);
  if (known) return known;
  // The screen first, then what judges it.
  const judging = screenDrawn.then(fetchRules).then((fetched) => inParts(session, fetched));
  judged.set(session, judging);
  return judging;
}

function inParts(session: SessionStore, { judgeInParts, judgedOnDay }: Rules): Promise<void> {
  return new Promise<void>((done) => {
    const parts = judgeInParts(judgedOnDay(session.getState().job, todayHere()));
    let waits = 0;
    const slice = (left: () => number) => {
      do {
        if (parts.next().done) return done();
      } while (left() > 2);
      later();
    };
    const step = (idle: () => number) => {
      // What a person has just typed is saved first, unless that takes long.
      if (linkOf(session.getState()) === 'saving' && waits < MOST_WAITS) {
        waits += 1;
        setTimeout(later, WAIT_MS);
        return;
      }
      const until = performance.now() + SLICE_MS;
      slice(() => Math.min(until - performance.now(), idle()));
    };
    const later = () => {
      // A page that is never idle, or not in view, is judged all the same.
      if (window.requestIdleCallback)
        window.requestIdleCallback((idle) => step(() => idle.timeRemaining()), { timeout: 500 });
      else setTimeout(() => step(() => SLICE_MS));
    };
    later();
  });
}

/** The job to be judged, and the rules for it: null before it was for the first time, then right behind what a person types. */
export function useJudged(): { job: Job; rules: Rules } | null {
  const session = useSessionStore();
  const job = useDeferredValue(useSession((now) => now.job));
  const [known, setKnown] = useState(false);
  useEffect(() => {
    let here = true;
    void judgeWhenIdle(session).then(() => here && startTransition(() => setKnown(true)));
    return () => {
      here = false;
    };
  }, [session]);
  return useMemo(() => (known && rules ? { job: rules.judgedOnDay(job, todayHere()), rules } : null), [known, job]);
}
