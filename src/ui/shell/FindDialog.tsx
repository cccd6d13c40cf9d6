'use client';

import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { type Findable, find } from '@/core/trade/trace/find';
import { searchHandbook } from '../handbook/searchHandbook';
import { goInJob } from '../kit/jobPath';
import { useSession } from '../session/session';
import { FIND_INPUT, FIND_PLACEHOLDER, type FindProps } from './FindMeanwhile';
import { findViews } from './findViews';

const ITEM =
  'flex cursor-pointer items-baseline gap-3 rounded-sm px-3 py-1.5 data-[selected=true]:bg-act data-[selected=true]:text-act-ink';

/** Find any label, room, port or device of the job, and trace it; or a view, and go there. */
export function FindDialog({ text: query, onText, onClose, onHandbook }: FindProps) {
  const job = useSession((session) => session.job);
  const selectGroup = useSession((session) => session.selectGroup);
  const found = find(job, query);
  const views = findViews(query);
  const entries = query.trim() === '' ? [] : searchHandbook(query).slice(0, 8);
  const base = useSession((session) => session.base);

  const choose = (entry: Findable) => {
    onClose();
    selectGroup(entry.words, entry.runIds, entry.gearId);
    if (entry.runIds.length === 0) goInJob(`${base}/${entry.station}`);
  };
  const go = (path: string) => {
    onClose();
    goInJob(`${base}${path}`);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-50 w-[min(640px,94vw)] -translate-x-1/2 overflow-hidden rounded-md border border-strong bg-sheet shadow-xl"
        >
          <Dialog.Title className="sr-only">Find and trace</Dialog.Title>
          <Command shouldFilter={false} label="Find and trace">
            <Command.Input
              autoFocus
              value={query}
              onValueChange={onText}
              placeholder={FIND_PLACEHOLDER}
              className={FIND_INPUT}
            />
            <Command.List className="max-h-[60vh] overflow-auto p-1.5">
              <Command.Empty className="px-3 py-4 text-soft">
                {query
                  ? `Nothing in this job holds “${query}”.`
                  : 'Type a few letters: 07, pharmacy, switch a 9, camera …'}
              </Command.Empty>
              {found.map((entry) => (
                <Command.Item key={entry.key} value={entry.key} onSelect={() => choose(entry)} className={ITEM}>
                  <span className="font-bold font-mono">{entry.words}</span>
                  <span className="min-w-0 flex-1 truncate">{entry.detail}</span>
                  <span className="narrow shrink-0 text-xs">{entry.kind}</span>
                </Command.Item>
              ))}
              {views.map(({ path, words, detail }) => (
                <Command.Item key={path} value={path} onSelect={() => go(path)} className={ITEM}>
                  <span className="font-bold">{words}</span>
                  <span className="min-w-0 flex-1 truncate">{detail}</span>
                  <span className="narrow shrink-0 text-xs">view</span>
                </Command.Item>
              ))}
              {entries.map(({ id, tells, group }) => (
                <Command.Item
                  key={id}
                  value={`handbook ${id}`}
                  onSelect={() => {
                    onClose();
                    onHandbook(id);
                  }}
                  className={ITEM}
                >
                  <span className="min-w-0 flex-1 truncate">{tells}</span>
                  <span className="narrow shrink-0 text-xs">{group} · handbook</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
