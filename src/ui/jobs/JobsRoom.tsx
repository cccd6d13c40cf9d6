'use client';

import { useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ListAnswer } from '@/core/exchange/wire/jobList';
import { JobsAsked } from '@/core/job/document/jobListing';
import { Button } from '../kit/Button';
import { listAddress } from '../session/earlyAsk';
import { Unwell } from '../session/faults';
import { askServer } from '../session/wireClient';
import { JobsPage } from './JobsPage';

/** The list of jobs, asked for here as the address says; what was there stays until the answer is. */
export function JobsRoom() {
  const query = useSearchParams().toString();
  const [shown, setShown] = useState<{ query: string; answer: ListAnswer } | null>(null);
  const [fault, setFault] = useState<Error | null>(null);
  const asked = useRef(0);
  const load = useCallback(() => {
    asked.current += 1;
    const mine = asked.current;
    askServer(listAddress(query), ListAnswer).then(
      (answer) => {
        // A later question has its own answer.
        if (mine !== asked.current) return;
        setShown({ query, answer });
        setFault(null);
      },
      (wrong: Error) => {
        if (mine !== asked.current) return;
        if (wrong instanceof Unwell && wrong.code === 'signed-out')
          window.location.assign(`/sign-in?next=${encodeURIComponent(`/${window.location.search}`)}`);
        else setFault(wrong);
      },
    );
  }, [query]);
  useEffect(load, [load]);

  const again = <Button onClick={load}>Try again</Button>;
  if (!shown)
    return (
      <main className="mx-auto max-w-6xl px-5 py-6" aria-busy={fault === null}>
        <h1 className="wide font-extrabold text-3xl tracking-tight">Good Shelf</h1>
        {fault ? (
          <div role="alert" className="mt-4 grid max-w-xl gap-3">
            <p className="font-bold text-lg">The list of jobs cannot be shown now</p>
            <p>
              {fault.message} Nothing that was saved is lost, and jobs that are kept on this device open at the rack.
            </p>
            <p className="flex flex-wrap items-center gap-4">
              {again}
              <a href="/rack" className="inline-flex min-h-8 items-center underline max-sm:min-h-11">
                Jobs kept here
              </a>
            </p>
          </div>
        ) : (
          <p role="status" className="mt-2 text-soft">
            Looking for the jobs …
          </p>
        )}
      </main>
    );
  return (
    <>
      {fault && (
        <div role="alert" className="mx-auto flex max-w-6xl flex-wrap items-center gap-3 px-5 pt-4">
          <p className="font-semibold text-wont">{fault.message} What stands here is older.</p>
          {again}
        </div>
      )}
      <JobsPage
        answer={shown.answer}
        asked={JobsAsked.parse(Object.fromEntries(new URLSearchParams(shown.query)))}
        busy={shown.query !== query}
        reload={load}
      />
    </>
  );
}
