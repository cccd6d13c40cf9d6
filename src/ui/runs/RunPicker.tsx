'use client';

import { useMemo, useState } from 'react';
import { arrangeRuns, PLAIN_VIEW, runsIn } from '@/core/findings/schedule/scheduleView';
import { Button } from '../kit/Button';
import { Input } from '../kit/Field';
import { useSession } from '../session/session';

const SHOWN = 400;

/** Runs ticked from a list that can be narrowed. */
export function RunPicker({
  chosen,
  onChange,
}: {
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}) {
  const job = useSession((session) => session.job);
  const [text, setText] = useState('');
  const items = useMemo(() => arrangeRuns(job, { ...PLAIN_VIEW, text, group: 'room' }), [job, text]);
  const runs = runsIn(items);
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    onChange(next);
  };
  return (
    <div>
      <div className="mb-1.5 flex flex-wrap items-center gap-2">
        <Input
          type="search"
          aria-label="Narrow the list of runs"
          placeholder="room, bundle, cable …"
          className="max-w-56"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Button onClick={() => onChange(new Set([...chosen, ...runs.map((run) => run.id)]))}>
          Tick all {runs.length} shown
        </Button>
        <Button look="quiet" disabled={chosen.size === 0} onClick={() => onChange(new Set())}>
          Untick all
        </Button>
        <span className="text-soft">{chosen.size} ticked</span>
      </div>
      <ul className="narrow grid max-h-64 grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-x-3 overflow-auto text-[13px]">
        {items.slice(0, SHOWN).map((item) =>
          item.kind === 'group' ? (
            <li key={`group ${item.name}`} className="col-span-full border-b pt-1 font-semibold text-soft">
              {item.name}
            </li>
          ) : (
            <li key={item.run.id}>
              <label className="flex items-center gap-1.5 truncate">
                <input type="checkbox" checked={chosen.has(item.run.id)} onChange={() => toggle(item.run.id)} />
                <b className="font-mono">{item.run.label}</b>
                <span className="truncate text-soft">{item.run.outlet || item.run.cable}</span>
              </label>
            </li>
          ),
        )}
      </ul>
      {items.length > SHOWN && (
        <p className="text-soft">The first {SHOWN} are listed: narrow the list for the others.</p>
      )}
    </div>
  );
}
