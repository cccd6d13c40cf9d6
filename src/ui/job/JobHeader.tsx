'use client';

import { Download, Keyboard, Redo2, Search, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import type { StationId } from '@/core/stations';
import { Button } from '../kit/Button';
import { MenuSheet } from '../kit/MenuSheet';
import { ThemeButton } from '../kit/theme';
import { JobLine } from './JobLine';
import { JobSheet } from './JobSheet';
import { useSession } from './session';

const FILES = [
  { file: 'port-map.csv', words: 'Port map, CSV' },
  { file: 'port-map.pdf', words: 'Port map, PDF, a line a run' },
  { file: 'port-map.svg', words: 'Port map, SVG, drawn' },
  { file: 'runs.csv', words: 'Run schedule, CSV, every field' },
  { file: 'pull-sheet.csv', words: 'Pull sheet, CSV' },
  { file: 'labels.pdf', words: 'Labels, PDF (more under Runs)' },
  { file: 'elevation.svg', words: 'Cabinet elevation, SVG, to scale' },
  { file: 'job.json', words: 'The whole job, JSON' },
];
const LINK_WORDS = { saved: 'Saved', saving: 'Saving …', away: 'Server away: kept here, trying again' };

export function JobHeader({ station, onFind, onKeys }: { station: StationId; onFind: () => void; onKeys: () => void }) {
  const job = useSession((session) => session.job);
  const steps = useSession((session) => session.steps);
  const link = useSession((session) => session.link);
  const reverse = useSession((session) => session.reverse);
  const [naming, setNaming] = useState(false);
  return (
    <header className="border-strong border-b bg-sheet px-3 pt-1.5">
      <div className="flex flex-wrap items-center gap-x-1 gap-y-1 sm:gap-x-2">
        <Link href="/" className="wide font-extrabold tracking-tight underline-offset-2 hover:underline">
          Good Shelf
        </Link>
        <span aria-hidden className="text-strong">
          /
        </span>
        <h1 className="min-w-28 flex-1 truncate font-semibold">
          <button
            type="button"
            title="Name and units"
            className="max-w-full truncate decoration-dotted underline-offset-4 hover:underline"
            onClick={() => setNaming(true)}
          >
            {job.name}
          </button>
        </h1>
        <output
          className={`narrow text-xs ${link === 'away' ? 'rounded-sm bg-bite px-1.5 py-0.5 font-bold text-sheet' : 'text-soft'}`}
          data-testid="link"
        >
          {LINK_WORDS[link]}
        </output>
        <Button look="plain" onClick={onFind} aria-keyshortcuts="/">
          <Search size={15} aria-hidden />{' '}
          <span>
            Find<span className="hidden sm:inline"> and trace</span>
          </span>
          <kbd className="hidden font-mono text-soft text-xs sm:inline">/</kbd>
        </Button>
        <Button
          look="quiet"
          disabled={!steps.undo}
          onClick={() => reverse('undo')}
          title={steps.undo ? `Undo: ${steps.undo}` : 'Nothing to undo'}
          aria-label={steps.undo ? `Undo: ${steps.undo}` : 'Undo'}
        >
          <Undo2 size={17} aria-hidden />
        </Button>
        <Button
          look="quiet"
          disabled={!steps.redo}
          onClick={() => reverse('redo')}
          title={steps.redo ? `Redo: ${steps.redo}` : 'Nothing to redo'}
          aria-label={steps.redo ? `Redo: ${steps.redo}` : 'Redo'}
        >
          <Redo2 size={17} aria-hidden />
        </Button>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger asChild>
            <Button>
              <Download size={15} aria-hidden /> <span className="sr-only sm:not-sr-only">Take away</span>
            </Button>
          </DropdownMenu.Trigger>
          <MenuSheet align="end">
            {FILES.map(({ file, words }) => (
              <DropdownMenu.Item key={file} asChild>
                <a
                  href={`/api/jobs/${job.id}/files/${file}`}
                  download
                  className="block rounded-sm px-3 py-1.5 outline-none data-highlighted:bg-well"
                >
                  {words}
                </a>
              </DropdownMenu.Item>
            ))}
          </MenuSheet>
        </DropdownMenu.Root>
        <Button look="quiet" onClick={onKeys} aria-label="Keys" title="Keys (?)">
          <Keyboard size={17} aria-hidden />
        </Button>
        <ThemeButton />
      </div>
      <JobLine job={job} station={station} />
      {naming && <JobSheet onClose={() => setNaming(false)} />}
    </header>
  );
}
