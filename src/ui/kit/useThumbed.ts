import { useSyncExternalStore } from 'react';

const QUERY = '(max-width: 499px)';

function subscribe(changed: () => void): () => void {
  const query = window.matchMedia(QUERY);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** Whether the window is a phone's, so that what is pressed is pressed with a thumb. */
export const useThumbed = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
