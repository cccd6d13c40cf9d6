'use client';

import { useEffect } from 'react';

/**
 * What stands in place of a page that could not be drawn.
 * @param out the way to somewhere that still works, with its words
 */
export function FaultPage({
  title,
  words,
  out,
  error,
  reset,
}: {
  title: string;
  words: string;
  out: { href: string; words: string };
  error: Error & { digest?: string };
  reset: () => void;
}) {
  useEffect(() => console.error(error), [error]);
  return (
    <main className="mx-auto max-w-xl p-6 sm:p-10" role="alert">
      <h1 className="wide font-bold text-2xl">{title}</h1>
      <p className="mt-2">{words}</p>
      {error.digest && (
        <p className="mt-2 text-soft text-sm">
          The server’s log has the cause under <span className="font-mono">{error.digest}</span>.
        </p>
      )}
      <p className="mt-4 flex flex-wrap items-center gap-6">
        <button type="button" className="inline-flex min-h-11 items-center font-semibold underline" onClick={reset}>
          Try again
        </button>
        {/* A plain link: what could not be drawn is left behind with the page. */}
        <a className="inline-flex min-h-11 items-center underline" href={out.href}>
          {out.words}
        </a>
      </p>
    </main>
  );
}
