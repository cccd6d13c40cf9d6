'use client';

import './earlyStation';
import { useEffect, useState } from 'react';
import type { Reckoning } from '@/core/base/text/reckoning';
import { indexJob, sameKey } from '@/core/job/document/jobIndex';
import { HandbookContext } from '../handbook/Why';
import { Button } from '../kit/Button';
import { useJobPath } from '../kit/jobPath';
import { later } from '../kit/later';
import { useTripped } from '../kit/tripped';
import { Announcer } from '../kit/useAnnounce';
import { ViewGuard } from '../kit/ViewGuard';
import { enterAs, type MemberHere } from '../session/actor';
import { CannotBeDone, Unwell } from '../session/faults';
import { openHere, openPast } from '../session/openHere';
import { type Notice, SessionContext, type SessionStore } from '../session/session';
import { toast } from '../session/toast';
import { useOpened } from '../session/useOpened';
import { Docket } from './Docket';
import { FindMeanwhile } from './FindMeanwhile';
import { JobHeader } from './JobHeader';
import { LookBackBar } from './LookBackBar';
import { StationScreen } from './StationScreen';
import { TraceStrip } from './TraceStrip';
import { useJobKeys } from './useJobKeys';

const TrippedBar = later(() => import('../power/TrippedBar').then((module) => module.TrippedBar));
const FindDialog = later(() => import('./FindDialog').then((module) => module.FindDialog), FindMeanwhile);
const HandbookSheet = later(() => import('../handbook/HandbookSheet').then((module) => module.HandbookSheet));
const KeysSheet = later(() => import('./KeysSheet').then((module) => module.KeysSheet));

const notify = ({ tone, words, action }: Notice) => {
  const options = { duration: action ? 20_000 : tone === 'done' ? 3000 : 9000 };
  const all = action ? { ...options, action: { label: action.label, onClick: action.run } } : options;
  if (tone === 'done') toast.success(words, all);
  else if (tone === 'plain') toast(words, all);
  else toast.error(words, all);
};

/** A job in its room. It is opened here, in the browser, from the server or from what is kept of it. */
export function JobRoom({ jobId, me }: { jobId: string; me: MemberHere | null }) {
  const { revision } = useJobPath();
  const [attempt, setAttempt] = useState(0);
  const { opened, fault } = useOpened(() => {
    enterAs(jobId, me);
    return revision === null ? openHere(jobId, notify) : openPast(jobId, revision, notify);
  }, `${jobId} ${revision} ${attempt}`);

  if (opened) return <Room session={opened.session} />;
  return fault ? <NotOpened fault={fault} again={() => setAttempt((count) => count + 1)} /> : <Opening />;
}

function Opening() {
  return (
    <div className="flex min-h-dvh flex-col md:h-dvh" aria-busy>
      <div className="h-[92px] border-strong border-b bg-sheet px-3 pt-1.5">
        <span className="wide font-extrabold tracking-tight">Good Shelf</span>
      </div>
      <p role="status" className="p-6 text-soft">
        Opening the job …
      </p>
    </div>
  );
}

function NotOpened({ fault, again }: { fault: Error; again: () => void }) {
  const gone = fault instanceof CannotBeDone;
  if (fault instanceof Unwell && fault.code === 'signed-out') {
    window.location.assign(`/sign-in?next=${encodeURIComponent(window.location.pathname)}`);
    return <Opening />;
  }
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="wide font-bold text-2xl">{gone ? 'There is no such job' : 'The job cannot be opened now'}</h1>
      <p className="mt-2">
        {gone
          ? fault.message
          : `${fault.message} It was not open in this browser before, so nothing of it is kept here. Nothing that was saved is lost.`}
      </p>
      <div className="mt-4 flex gap-3">
        {!gone && (
          <Button look="main" onClick={again}>
            Try again
          </Button>
        )}
        <a href="/" className="self-center underline">
          Back to the list
        </a>
      </div>
    </main>
  );
}

const PHONE = '(max-width: 499px) and (pointer: coarse)';

/** The job line above, a station, the docket at its right, the trace strip below. */
function Room({ session }: { session: SessionStore }) {
  /** What is sought; null: nothing. */
  const [sought, setSought] = useState<string | null>(null);
  const [keys, setKeys] = useState(false);
  const [handbook, setHandbook] = useState<Reckoning | null>(null);
  const { station, revision } = useJobPath();
  // A code on a label leads here: the run it names is traced.
  useEffect(() => {
    const label = new URLSearchParams(window.location.search).get('trace');
    // Whoever scans a label with a telephone stands at the rack.
    if (label !== null && window.matchMedia(PHONE).matches)
      return window.location.replace(`${session.getState().base}/rack/find?trace=${encodeURIComponent(label)}`);
    const run = label === null ? undefined : indexJob(session.getState().job).runByLabel.get(sameKey(label));
    if (run) session.getState().select(run.id);
    else if (label !== null) toast.error(`There is no run “${label}” in this job.`);
  }, [session]);
  useEffect(() => {
    const title = () => {
      const words = `${session.getState().job.name} · Good Shelf`;
      if (document.title !== words) document.title = words;
    };
    title();
    return session.subscribe(title);
  }, [session]);
  const tripped = useTripped(({ failed, jobId }) => failed.length > 0 && jobId === session.getState().job.id);
  useJobKeys(session, { find: () => setSought(''), keys: () => setKeys(true) });

  return (
    <SessionContext value={session}>
      <HandbookContext value={setHandbook}>
        <Announcer>
          <div className="flex min-h-dvh flex-col md:h-dvh">
            <JobHeader station={station} onFind={() => setSought('')} onKeys={() => setKeys(true)} />
            {revision !== null && <LookBackBar revision={revision} />}
            {tripped && <TrippedBar />}
            <div className="flex min-h-0 flex-1 flex-col md:flex-row">
              <main className="flex min-h-0 min-w-0 flex-1 flex-col">
                <ViewGuard key={station}>
                  <StationScreen station={station} />
                </ViewGuard>
              </main>
              <Docket station={station} />
            </div>
            <TraceStrip />
          </div>
          {sought !== null && (
            <FindDialog
              text={sought}
              onText={setSought}
              onClose={() => setSought(null)}
              onHandbook={(entry) => setHandbook({ entry, given: {} })}
            />
          )}
          {handbook && <HandbookSheet at={handbook} onClose={() => setHandbook(null)} />}
          {keys && <KeysSheet onClose={() => setKeys(false)} station={station} />}
        </Announcer>
      </HandbookContext>
    </SessionContext>
  );
}
