import { useSyncExternalStore } from 'react';
import type { Actor } from '@/core/job/step';
import { ACTOR_KEY } from './earlyScript';

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

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  window.addEventListener('storage', tell);
  return () => {
    listeners.delete(tell);
    window.removeEventListener('storage', tell);
  };
};

export const useActor = (): Actor => useSyncExternalStore(subscribe, actorHere);
