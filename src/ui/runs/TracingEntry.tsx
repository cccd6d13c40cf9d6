'use client';

import { useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { expandLabels } from '@/core/base/text/labelPattern';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { Refusal } from '@/core/base/text/refusal';
import { isUntraced } from '@/core/job/records/run';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { toast } from '../session/toast';

const inputs = (form: HTMLFormElement) =>
  Object.fromEntries([...new FormData(form)].map(([name, value]) => [name, String(value).trim()]));

const Entry = ({ label, name, hint, wide }: { label: string; name: string; hint?: string; wide?: boolean }) => (
  <div className={wide ? 'w-40' : 'w-28'}>
    <Field label={label}>{(ids) => <Input {...ids} name={name} autoComplete="off" placeholder={hint} />}</Field>
  </div>
);

/** Labels from a pattern, or the words of what is wrong with it. */
function expand(text: string): string[] {
  try {
    return expandLabels(text);
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    toast.error(fault.message);
    return [];
  }
}

/** Jacks in the rooms, one or many at a time. */
export function JackEntry() {
  const jacks = useSession((session) => session.job.jacks);
  const { keep, drop } = useRows();
  const [open, setOpen] = useState(false);
  const all = Object.values(jacks).sort((a, b) =>
    naturalOrder(`${a.floor} ${a.room} ${a.outlet}`, `${b.floor} ${b.room} ${b.outlet}`),
  );
  return (
    <section aria-label="Jacks">
      <h2 className="wide mb-1 border-strong border-b font-bold">Jacks in the rooms: {all.length}</h2>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const { floor = '', room = '', outlet = '' } = inputs(event.currentTarget);
          if (room === '') return void toast.error('Room: found nothing, expected the room that the jack is in.');
          const names = outlet === '' ? [''] : expand(outlet);
          const rows = names.map((name) => ({
            table: 'jacks' as const,
            record: { id: newRowId('jack'), floor, room, outlet: name },
          }));
          if (rows.length > 0 && keep(...rows))
            event.currentTarget.querySelector<HTMLInputElement>('[name=outlet]')?.select();
        }}
      >
        <Entry label="Floor" name="floor" />
        <Entry label="Room" name="room" wide />
        <Entry label="Jack" name="outlet" hint="left {1..2}" wide />
        <Button type="submit" className="mb-[14px]">
          Add
        </Button>
      </form>
      {all.length > 0 && (
        <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary className="font-semibold">{counted(all.length, 'jack')} listed</summary>
          <ul className="text-[13px]">
            {all.map((jack) => (
              <li key={jack.id} className="flex justify-between gap-2 border-b">
                {[jack.floor, jack.room, jack.outlet].filter(Boolean).join(', ')}
                <Button
                  look="quiet"
                  className="min-h-6 px-1.5 py-0 text-xs"
                  aria-label={`Remove the jack ${jack.room} ${jack.outlet}`}
                  onClick={() => drop('jacks', jack.id)}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** Cable ends in the cabinet, tagged by hand before they are traced. */
export function TailEntry() {
  const runs = useSession((session) => session.job.runs);
  const dispatch = useSession((session) => session.dispatch);
  const open = Object.values(runs)
    .filter(isUntraced)
    .sort((a, b) => naturalOrder(a.label, b.label));
  return (
    <section aria-label="Cable ends">
      <h2 className="wide mb-1 border-strong border-b font-bold">
        Cable ends in the cabinet, not traced: {open.length}
      </h2>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const { tags = '', cable = '' } = inputs(event.currentTarget);
          if (tags === '')
            return void toast.error('Tags: found nothing, expected a tag such as X1, or a pattern such as X{1..8}.');
          const labels = expand(tags);
          if (labels.length === 0) return;
          const entries = labels.map((label) => ({
            id: `run-${crypto.randomUUID()}`,
            label,
            cable,
            origin: 'found' as const,
            state: 'pulled' as const,
          }));
          if (dispatch([{ type: 'addRuns', runs: entries }])) event.currentTarget.reset();
        }}
      >
        <Entry label="Tags" name="tags" hint="X{1..8}" />
        <Entry label="Cable" name="cable" hint="as printed on it" wide />
        <Button type="submit" className="mb-[14px]">
          Add
        </Button>
      </form>
      {open.length > 0 && <p className="font-mono text-[13px]">{open.map((run) => run.label).join('  ')}</p>}
    </section>
  );
}
