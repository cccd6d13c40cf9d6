'use client';

import { ChevronLeft, Lock, LockOpen } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { Button } from '../kit/Button';
import { LinkState } from '../kit/LinkState';
import { afterwards, fetchLater, later } from '../kit/later';
import { ThemeButton } from '../kit/theme';
import { Announcer } from '../kit/useAnnounce';
import { ViewGuard } from '../kit/ViewGuard';
import { memberHere } from '../session/actor';
import { CannotBeDone, Unwell } from '../session/faults';
import { usePresence } from '../session/meeting';
import { openHere } from '../session/openHere';
import { type Notice, SessionContext, useSession } from '../session/session';
import { toast } from '../session/toast';
import { useOpened } from '../session/useOpened';
import { KeptJobs, PinButton } from './KeptJobs';
import { keepProgram } from './keepProgram';
import { goTo, type RackView, usePlace } from './place';
import { Unlocked } from './unlocked';
import { useAwake } from './useAwake';

const WaitingSheet = later(() => import('../kit/WaitingSheet').then((module) => module.WaitingSheet));
const FindView = later(() => import('./FindView').then((module) => module.FindView));
const StepView = later(() => import('./StepView').then((module) => module.StepView));
const TestView = later(() => import('./TestView').then((module) => module.TestView));
const PhotoView = later(() => import('./PhotoView').then((module) => module.PhotoView));
const NoteView = later(() => import('./NoteView').then((module) => module.NoteView));
const EndsView = later(() => import('./EndsView').then((module) => module.EndsView));

const notify = ({ tone, words }: Notice) =>
  tone === 'done' ? toast.success(words) : tone === 'plain' ? toast(words) : toast.error(words, { duration: 9000 });

const VIEWS: Record<RackView, { words: string; about: string; view: () => ReactNode; writes: boolean }> = {
  find: { words: 'Find', about: 'Type, say or scan a label', view: () => <FindView />, writes: false },
  step: { words: 'Next step', about: 'Of the build, to tick', view: () => <StepView />, writes: true },
  test: { words: 'Log a test', about: 'Pass or fail, run by run', view: () => <TestView />, writes: true },
  photo: { words: 'Photograph', about: 'A run, a device, a place', view: () => <PhotoView />, writes: true },
  note: { words: 'Note', about: 'On a run, or an open point', view: () => <NoteView />, writes: true },
  ends: { words: 'Two ends', about: 'With the other telephone', view: () => <EndsView />, writes: false },
};

/** The screen of a telephone at the rack: big, for one thumb, looking only until it is unlocked. */
export function RackRoom() {
  const place = usePlace();
  useEffect(() => void keepProgram(), []);
  if (!place) return <p className="p-6 text-lg">Opening …</p>;
  if (place.jobId === null) return <KeptJobs />;
  return <JobAtRack key={place.jobId} jobId={place.jobId} view={place.view} />;
}

function JobAtRack({ jobId, view }: { jobId: string; view: RackView | null }) {
  const { opened, fault } = useOpened(() => openHere(jobId, notify), jobId);
  if (opened)
    return (
      <SessionContext value={opened.session}>
        <Announcer>
          <Rack jobId={jobId} view={view} />
        </Announcer>
      </SessionContext>
    );
  const signedOut = fault instanceof Unwell && fault.code === 'signed-out';
  return (
    <main className="grid gap-4 p-4 text-lg">
      <h1 className="wide font-bold text-2xl">{fault ? 'The job cannot be opened here' : 'Opening the job …'}</h1>
      {fault && (
        <p role="alert">
          {signedOut ? 'You are signed out. What waits on this device is kept.' : fault.message}
          {!signedOut &&
            !(fault instanceof CannotBeDone) &&
            ' It was not open on this device before, so nothing of it is kept here.'}
        </p>
      )}
      {signedOut && (
        <a className="underline" href={`/sign-in?next=${encodeURIComponent(window.location.pathname)}`}>
          Sign in
        </a>
      )}
      {fault && (
        <Button big onClick={() => goTo('/rack')}>
          Jobs on this device
        </Button>
      )}
    </main>
  );
}

function Rack({ jobId, view }: { jobId: string; view: RackView | null }) {
  const name = useSession((session) => session.job.name);
  const [unlocked, setUnlocked] = useState(false);
  const [waiting, setWaiting] = useState(false);
  const reads = memberHere(jobId)?.may === 'read';
  useAwake(unlocked);
  useEffect(() => afterwards(fetchLater), []);
  usePresence(jobId, { place: 'at the rack', code: '', end: '' });
  useEffect(() => {
    document.title = `${name} · at the rack`;
  }, [name]);
  const now = view && VIEWS[view];
  return (
    <div className="at-rack mx-auto flex min-h-dvh max-w-2xl flex-col text-lg">
      <header className="sticky top-0 z-20 border-strong border-b-2 bg-sheet px-3 py-2">
        <div className="flex items-center gap-2">
          <Button
            big
            look="quiet"
            className="px-2!"
            aria-label={now ? 'Back' : 'Jobs on this device'}
            onClick={() => goTo(now ? `/jobs/${jobId}/rack` : '/rack')}
          >
            <ChevronLeft size={26} aria-hidden />
          </Button>
          <h1 className="wide min-w-0 flex-1 break-words font-bold leading-tight">{now ? now.words : name}</h1>
          <LinkState onShow={() => setWaiting(true)} />
          {!now && <ThemeButton />}
        </div>
        {!reads && <LockLine unlocked={unlocked} onTurn={setUnlocked} />}
        {reads && now?.writes && <p className="text-base text-soft">Your role permits to look, not to write.</p>}
      </header>
      <main className="flex-1 p-3">
        {now ? (
          <fieldset disabled={now.writes && !unlocked} className="group grid min-w-0 gap-3 disabled:opacity-70">
            <legend className="sr-only">{now.words}</legend>
            <Unlocked value={unlocked}>
              <ViewGuard key={view}>{now.view()}</ViewGuard>
            </Unlocked>
          </fieldset>
        ) : (
          <Home jobId={jobId} />
        )}
      </main>
      {waiting && <WaitingSheet onClose={() => setWaiting(false)} />}
    </div>
  );
}

function Home({ jobId }: { jobId: string }) {
  return (
    <div className="grid gap-3">
      <ul className="grid gap-3">
        {Object.entries(VIEWS).map(([id, { words, about }]) => (
          <li key={id}>
            <button
              type="button"
              onClick={() => goTo(`/jobs/${jobId}/rack/${id}`)}
              className="flex min-h-18 w-full flex-col justify-center rounded-md border-2 border-strong bg-sheet px-4 py-2 text-left hover:bg-well"
            >
              <span className="wide font-bold text-2xl leading-tight">{words}</span>
              <span className="text-base text-soft">{about}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-3">
        <PinButton jobId={jobId} />
        <a href={`/jobs/${jobId}/runs`} className="inline-flex min-h-12 items-center underline">
          The whole job
        </a>
      </div>
    </div>
  );
}

/** Nothing is written by a glove that brushes the glass: one deliberate act unlocks it. */
function LockLine({ unlocked, onTurn }: { unlocked: boolean; onTurn: (unlocked: boolean) => void }) {
  const [at, setAt] = useState(0);
  if (unlocked)
    return (
      <div className="mt-1 flex items-center gap-2">
        <LockOpen size={22} aria-hidden />
        <span className="flex-1 font-semibold">Unlocked: what you press is written</span>
        <Button big onClick={() => onTurn(false)}>
          Lock
        </Button>
      </div>
    );
  const move = (value: number) => {
    setAt(value);
    if (value < 100) return;
    onTurn(true);
    setAt(0);
  };
  return (
    <label className="mt-1 flex min-h-12 items-center gap-2">
      <Lock size={22} aria-hidden />
      <span className="shrink-0 font-semibold">Locked</span>
      <input
        type="range"
        min={0}
        max={100}
        value={at}
        aria-label="Slide to the end to unlock writing"
        className="h-12 min-w-0 flex-1 accent-act"
        onChange={(event) => move(Number(event.target.value))}
        // Let go halfway, it goes back.
        onPointerUp={() => setAt(0)}
      />
      <span aria-hidden className="text-base text-soft">
        slide to write
      </span>
    </label>
  );
}
