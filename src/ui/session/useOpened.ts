import { useEffect, useState } from 'react';
import type { Opened } from './openHere';

/**
 * A job that is opened in this window for as long as it is looked at.
 * @param key another one opens it anew
 */
export function useOpened(open: () => Promise<Opened>, key: string): { opened: Opened | null; fault: Error | null } {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [fault, setFault] = useState<Error | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says what is opened
  useEffect(() => {
    let here = true;
    let mine: Opened | null = null;
    setFault(null);
    open().then(
      (made) => {
        mine = made;
        if (here) setOpened(made);
        else made.close();
      },
      (wrong: Error) => here && setFault(wrong),
    );
    return () => {
      here = false;
      mine?.close();
      setOpened(null);
    };
  }, [key]);
  return { opened, fault };
}
