'use client';

import { useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { valuesOf } from '@/core/findings/schedule/scheduleView';
import { labelBearers } from '@/core/trade/labels/labelScheme';
import { editCell, scheduleColumns } from '@/core/trade/runs/cells';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { Button } from '../kit/Button';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { HEADINGS } from './columns';
import { LISTS } from './ScheduleLists';

/** Fields that many runs can share. */
const OWN: readonly RunColumn[] = ['label', 'asked_by'];

/** Change or remove the runs that are chosen, all in one step. */
export function BulkBar({ chosen, onDone }: { chosen: ReadonlySet<string>; onDone: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const fields = scheduleColumns(job.units).filter((column) => !OWN.includes(column));
  const [field, setField] = useState<RunColumn>('state');
  const [text, setText] = useState('');
  const runs = [...chosen].flatMap((id) => job.runs[id] ?? []);
  const set = () => {
    const [first] = runs;
    if (!first) return;
    const read = editCell(first, field, text);
    if (read.faults.length > 0) return void toast.error(read.faults.join('\n'));
    const [command] = read.commands;
    if (command?.type !== 'editRuns') return;
    const changes = command.edits[0]?.changes ?? {};
    if (dispatch([{ type: 'editRuns', edits: runs.map((run) => ({ runId: run.id, changes })) }])) setText('');
  };
  const [first] = runs;
  const now = valuesOf(job, runs, field);
  return (
    <form
      aria-label="Change the chosen runs"
      className="flex flex-wrap items-center gap-2 border-t bg-well px-3 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        set();
      }}
    >
      <b>{counted(runs.length, 'run')} chosen</b>
      <select
        aria-label="Field to set"
        className="min-h-8 rounded-[3px] border border-strong bg-sheet px-1.5"
        value={field}
        onChange={(event) => setField(event.target.value as RunColumn)}
      >
        {fields.map((column) => (
          <option key={column} value={column}>
            {HEADINGS[column].name}
          </option>
        ))}
      </select>
      <input
        aria-label="What to set it to"
        className="min-h-8 w-44 rounded-[3px] border border-strong bg-face px-2"
        list={LISTS[field]}
        value={text}
        placeholder="empty clears it"
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" look="main">
        Set for {counted(runs.length, 'run')}
      </Button>
      <Button
        onClick={() => {
          if (dispatch([{ type: 'removeRuns', runIds: runs.map((run) => run.id) }])) onDone();
        }}
      >
        Remove {counted(runs.length, 'run')}
      </Button>
      <Button look="quiet" onClick={onDone}>
        Clear selection
      </Button>
      <p className="narrow w-full text-xs" data-testid="overwritten">
        {HEADINGS[field].name} now:{' '}
        {now
          .slice(0, 6)
          .map(({ value, count }) => `${count} × ${value || 'empty'}`)
          .join(', ')}
        {now.length > 6 && ` and ${now.length - 6} other values`}.
      </p>
      {runs.length === 1 && first && (
        <p className="narrow w-full text-soft text-xs">
          Beside both ends, the label of {first.label} stands on:{' '}
          {labelBearers(job, first.id).join(', ') || 'nothing else'}.
        </p>
      )}
    </form>
  );
}
