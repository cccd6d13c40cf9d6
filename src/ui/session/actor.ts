import { useSyncExternalStore } from 'react';
import type { Actor } from '@/core/job/document/step';
import type { May } from '@/core/trade/people/work';
import { ACTOR_KEY } from './earlyAsk';

/** Where the browser keeps nothing, this page is somebody of its own. */
let passing: Actor | null = null;
const listeners = new Set<() => void>();
let last: { text: string; actor: Actor } | null = null;

function keep(actor: Actor): Actor {
  passing = actor;
  try {
    localStorage.setItem(ACTOR_KEY, JSON.stringify(actor));
  } catch {
    // Private windows of some browsers keep nothing.
  }
  for (const tell of listeners) tell();
  return actor;
}

/** Who does things in this browser: an id made at first use, with a name that can be typed. */
export function actorHere(): Actor {
  try {
    const text = localStorage.getItem(ACTOR_KEY);
    if (text !== null) {
      if (last?.text === text) return last.actor;
      const { id, name } = JSON.parse(text) as Actor;
      if (typeof id === 'string' && typeof name === 'string') {
        last = { text, actor: { id, name } };
        return last.actor;
      }
    }
  } catch {
    // As above; or somebody wrote something else there.
  }
  return passing ?? keep({ id: crypto.randomUUID(), name: '' });
}

export const nameActor = (name: string): Actor => keep({ ...actorHere(), name: name.trim().slice(0, 60) });

/** Who signed in on this page, and what they may do in its job; null where there are no accounts. */
export type MemberHere = { id: string; name: string; may: May; shares: boolean };
const MEMBER_KEY = 'good-shelf-member';

/** The page of a job came for this person: what is done here is theirs, with the network and without. */
export function enterAs(jobId: string, me: MemberHere | null): void {
  try {
    if (me) localStorage.setItem(`${MEMBER_KEY} ${jobId}`, JSON.stringify(me));
    else localStorage.removeItem(`${MEMBER_KEY} ${jobId}`);
  } catch {
    // As above.
  }
  if (me && (actorHere().id !== me.id || actorHere().name !== me.name)) keep({ id: me.id, name: me.name });
}

/** Who signed in, as it was said when the page of a job came last; null where there are no accounts. */
export function memberHere(jobId: string): MemberHere | null {
  try {
    const text = localStorage.getItem(`${MEMBER_KEY} ${jobId}`);
    return text === null ? null : (JSON.parse(text) as MemberHere);
  } catch {
    return null;
  }
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  window.addEventListener('storage', tell);
  return () => {
    listeners.delete(tell);
    window.removeEventListener('storage', tell);
  };
};

export const useActor = (): Actor => useSyncExternalStore(subscribe, actorHere);
