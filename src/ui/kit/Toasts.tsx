'use client';

import { lazy, Suspense, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { said } from '../session/toast';

const Shown = lazy(() => import('./ShownToasts').catch(() => ({ default: PlainToasts })));

/** Where is shown what is said in passing. */
export function Toasts() {
  const any = useStore(said, (all) => all.length > 0);
  const [used, setUsed] = useState(false);
  useEffect(() => {
    if (any) setUsed(true);
  }, [any]);
  if (!any && !used) return null;
  return (
    <Suspense>
      <Shown />
    </Suspense>
  );
}

/** What is said while the part that shows it nicely cannot be fetched. */
function PlainToasts() {
  const all = useStore(said);
  if (all.length === 0) return null;
  return (
    <div role="status" className="fixed inset-x-3 top-3 z-50 rounded border border-strong bg-sheet p-3 shadow-xl">
      {all.map(({ words }) => (
        <p key={words} className="whitespace-pre-line">
          {words}
        </p>
      ))}
      <button type="button" className="mt-2 min-h-11 font-semibold underline" onClick={() => said.setState([], true)}>
        Close
      </button>
    </div>
  );
}
