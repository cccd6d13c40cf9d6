'use client';

import {
  ChevronLeft,
  Download,
  Ellipsis,
  History,
  Keyboard,
  Redo2,
  Search,
  Share2,
  Smartphone,
  Undo2,
} from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import type { StationId } from '@/core/job/records/stationIds';
import { Button } from '../kit/Button';
import { LinkState } from '../kit/LinkState';
import { later } from '../kit/later';
import { ThemeButton } from '../kit/theme';
import { memberHere } from '../session/actor';
import { useSession } from '../session/session';
import { JobLine } from './JobLine';
import { OthersHere } from './OthersHere';

const MoreSheet = later(() => import('./MoreSheet').then((module) => module.MoreSheet));
const JobSheet = later(() => import('./JobSheet').then((module) => module.JobSheet));
const ShareSheet = later(() => import('../people/ShareSheet').then((module) => module.ShareSheet));
const HistorySheet = later(() => import('./HistorySheet').then((module) => module.HistorySheet));
const WaitingSheet = later(() => import('../kit/WaitingSheet').then((module) => module.WaitingSheet));
const TakeAwaySheet = later(() => import('./TakeAwaySheet').then((module) => module.TakeAwaySheet));

type Shown = 'job' | 'waiting' | 'history' | 'files' | 'shares' | 'more' | null;

export function JobHeader({ station, onFind, onKeys }: { station: StationId; onFind: () => void; onKeys: () => void }) {
  const jobId = useSession((session) => session.job.id);
  const name = useSession((session) => session.job.name);
  const revision = useSession((session) => session.revision);
  const mayShare = useSession((session) => session.revision === null && memberHere(session.job.id)?.shares === true);
  const [shown, setShown] = useState<Shown>(null);
  const close = () => setShown(null);
  return (
    <header className="border-strong border-b bg-sheet px-3 pt-1.5">
      <div className="flex items-center gap-x-1 sm:gap-x-2">
        <Link
          href="/"
          prefetch={false}
          className="wide flex min-h-6 items-center font-extrabold tracking-tight underline-offset-2 hover:underline max-sm:min-h-11 max-sm:min-w-11"
        >
          <span className="max-sm:sr-only">Good Shelf</span>
          <ChevronLeft size={20} aria-hidden className="sm:hidden" />
        </Link>
        <span aria-hidden className="text-strong max-sm:hidden">
          /
        </span>
        <h1 className="min-w-0 flex-1 truncate font-semibold">
          <button
            type="button"
            title="Name, units, and who you are"
            className="max-w-full truncate align-middle decoration-dotted underline-offset-4 hover:underline"
            onClick={() => setShown('job')}
          >
            {name}
          </button>
        </h1>
        {revision === null && <OthersHere place={station} />}
        <LinkState onShow={() => setShown('waiting')} />
        <Button look="plain" onClick={onFind} aria-keyshortcuts="/">
          <Search size={15} aria-hidden />{' '}
          <span>
            Find<span className="hidden sm:inline"> and trace</span>
          </span>
          <kbd className="hidden font-mono text-soft text-xs sm:inline">/</kbd>
        </Button>
        {revision === null && (
          <>
            <ReverseButton direction="undo" />
            <ReverseButton direction="redo" />
          </>
        )}
        <div className="hidden items-center gap-x-2 sm:flex">
          <a
            href={`/jobs/${jobId}/rack`}
            title="At the rack: big, for one thumb"
            aria-label="At the rack"
            className="inline-flex min-h-8 items-center px-1.5 hover:bg-well"
          >
            <Smartphone size={16} aria-hidden />
          </a>
          <Button onClick={() => setShown('history')} aria-label="Changes and versions" title="Changes and versions">
            <History size={15} aria-hidden /> <span className="hidden lg:inline">Changes</span>
          </Button>
          <Button onClick={() => setShown('files')} aria-label="Take away" title="Take away">
            <Download size={15} aria-hidden /> <span className="hidden md:inline">Take away</span>
          </Button>
          {mayShare && (
            <Button
              look="quiet"
              onClick={() => setShown('shares')}
              aria-label="Links and guests"
              title="Links and guests"
            >
              <Share2 size={16} aria-hidden />
            </Button>
          )}
          <Button look="quiet" onClick={onKeys} aria-label="Keys" title="Keys (?)">
            <Keyboard size={17} aria-hidden />
          </Button>
          <ThemeButton />
        </div>
        <Button look="quiet" className="min-h-10 sm:hidden" aria-label="More" onClick={() => setShown('more')}>
          <Ellipsis size={18} aria-hidden />
        </Button>
      </div>
      <JobLine station={station} />
      {shown === 'more' && <MoreSheet jobId={jobId} mayShare={mayShare} onShow={setShown} onClose={close} />}
      {shown === 'job' && <JobSheet onClose={close} />}
      {shown === 'shares' && <ShareSheet onClose={close} />}
      {shown === 'history' && <HistorySheet onClose={close} station={station} />}
      {shown === 'waiting' && <WaitingSheet onClose={close} />}
      {shown === 'files' && <TakeAwaySheet onClose={close} />}
    </header>
  );
}

const DIRECTIONS = {
  undo: { word: 'Undo', none: 'You have nothing to undo', Icon: Undo2 },
  redo: { word: 'Redo', none: 'You have nothing to redo', Icon: Redo2 },
};

function ReverseButton({ direction }: { direction: 'undo' | 'redo' }) {
  const label = useSession((session) => session.reversals[direction]);
  const reverse = useSession((session) => session.reverse);
  const { word, none, Icon } = DIRECTIONS[direction];
  const words = label ? `${word}: ${label}` : null;
  return (
    <Button
      look="quiet"
      disabled={!label}
      onClick={() => reverse(direction)}
      title={words ?? none}
      aria-label={words ?? word}
    >
      <Icon size={17} aria-hidden />
    </Button>
  );
}
