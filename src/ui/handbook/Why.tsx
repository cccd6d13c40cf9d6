import { createContext, useContext } from 'react';
import type { Reckoning } from '@/core/base/text/reckoning';

/** Opens the handbook at an entry, with numbers already in it. */
export const HandbookContext = createContext<(at: Reckoning) => void>(() => {});

/** Beside a figure: the handbook with the job's own numbers in it. @param of what the figure is called */
export function Why({ of, reckoning }: { of: string; reckoning: Reckoning | undefined }) {
  const open = useContext(HandbookContext);
  if (!reckoning) return null;
  return (
    <button
      type="button"
      className="ml-1 px-0.5 font-normal text-xs underline decoration-dotted underline-offset-2"
      aria-label={`Why? ${of}`}
      onClick={() => open(reckoning)}
    >
      why?
    </button>
  );
}
