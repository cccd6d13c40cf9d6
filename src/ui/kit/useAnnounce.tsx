'use client';

import { createContext, type ReactNode, useCallback, useContext, useState } from 'react';

const AnnounceContext = createContext<(words: string) => void>(() => {});

/** Words for a screen reader: what was picked up, where it would go, where it went. */
export const useAnnounce = () => useContext(AnnounceContext);

export function Announcer({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState({ words: '', count: 0 });
  const announce = useCallback((words: string) => setSaid(({ count }) => ({ words, count: count + 1 })), []);
  return (
    <AnnounceContext value={announce}>
      {children}
      <div aria-live="assertive" className="sr-only" data-testid="announcer">
        {/* Made anew each time: the same words said again are heard again. */}
        <span key={said.count}>{said.words}</span>
      </div>
    </AnnounceContext>
  );
}
