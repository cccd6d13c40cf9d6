'use client';

import { createContext, type ReactNode, useContext, useState } from 'react';

const AnnounceContext = createContext<(words: string) => void>(() => {});

/** Words for a screen reader: what was picked up, where it would go, where it went. */
export const useAnnounce = () => useContext(AnnounceContext);

export function Announcer({ children }: { children: ReactNode }) {
  const [words, setWords] = useState('');
  return (
    <AnnounceContext value={setWords}>
      {children}
      <div aria-live="assertive" className="sr-only" data-testid="announcer">
        {words}
      </div>
    </AnnounceContext>
  );
}
