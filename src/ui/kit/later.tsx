import { type ComponentType, useEffect, useState } from 'react';
import { toast } from '../session/toast';

/** Once what was asked for is drawn and nothing else is to be done, but not for ever later. */
export function afterwards(work: () => void): void {
  setTimeout(() => {
    if (window.requestIdleCallback) window.requestIdleCallback(work, { timeout: 2000 });
    else work();
  }, 1500);
}

const parts = new Set<() => Promise<unknown>>();

/** Fetch what was put off, so that it is there without a network. What cannot be fetched now is when it is shown. */
export const fetchLater = async (): Promise<void> => {
  for (const fetchPart of parts) await fetchPart().catch(() => undefined);
};

/**
 * A part of the screen that is fetched when it is first shown, and says so where that cannot be. Show it only while it is wanted.
 * @param Meanwhile what is there until then
 */
export function later<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  Meanwhile?: ComponentType<Props>,
): ComponentType<Props> {
  let Part: ComponentType<Props> | null = null;
  const fetchPart = async () => {
    Part ??= await load();
  };
  parts.add(fetchPart);
  return function Later(props: Props) {
    const [, setFetched] = useState(false);
    useEffect(() => {
      let here = true;
      fetchPart().then(
        () => here && setFetched(true),
        () => here && toast.error('This could not be fetched: there is no way to the server. What you did is kept.'),
      );
      return () => {
        here = false;
      };
    }, []);
    if (Part) return <Part {...props} />;
    return Meanwhile ? <Meanwhile {...props} /> : null;
  };
}
