import { useSyncExternalStore } from 'react';

export const RACK_VIEWS = ['find', 'step', 'test', 'photo', 'note', 'ends'] as const;
export type RackView = (typeof RACK_VIEWS)[number];
export type Place = { jobId: string | null; view: RackView | null };

const MOVED = 'good-shelf-moved';

function subscribe(changed: () => void): () => void {
  window.addEventListener('popstate', changed);
  window.addEventListener(MOVED, changed);
  return () => {
    window.removeEventListener('popstate', changed);
    window.removeEventListener(MOVED, changed);
  };
}

/** `/rack`, `/jobs/ID/rack`, `/jobs/ID/rack/VIEW`. */
export function readPlace(pathname: string): Place {
  const [, first, id, , view] = pathname.split('/');
  if (first !== 'jobs') return { jobId: null, view: null };
  return { jobId: id ?? null, view: RACK_VIEWS.find((one) => one === view) ?? null };
}

/**
 * Where we are, by the address and not by the framework: kept without a network, the page is the same for every job, and
 * only the browser knows which one it is. Null until the page is drawn first.
 */
export function usePlace(): Place | null {
  const path = useSyncExternalStore(
    subscribe,
    () => window.location.pathname,
    () => null,
  );
  return path === null ? null : readPlace(path);
}

/** Go to another place without asking anybody: it works in the cellar. */
export function goTo(path: string): void {
  window.history.pushState(null, '', path);
  window.dispatchEvent(new Event(MOVED));
  window.scrollTo(0, 0);
}
