'use client';

import { useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import type { Room } from '@/core/job/records/room';
import { WISH_KINDS, type Wish, type WishKind } from '@/core/job/records/wish';
import { siteOf } from '@/core/trade/survey/answers/site';
import { OUTLET_RULES } from '@/core/trade/survey/outletRules';
import { acceptCommands, proposeRuns, surplusCommands } from '@/core/trade/survey/proposeRuns';
import { Button } from '../kit/Button';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { toast } from '../session/toast';

const newRunId = () => `run-${crypto.randomUUID()}`;
type Scope = Wish['scope'];

/** What is wanted in each room, and the runs that follow from it by the rules of the job. */
export function WishesView() {
  const job = useSession((session) => session.job);
  const [scope, setScope] = useState<Scope>('now');
  const { floorsInOrder, roomsOfFloor } = siteOf(job);
  const rooms = floorsInOrder.flatMap((floor) =>
    (roomsOfFloor.get(floor.id) ?? []).map((room) => ({ room, floor: floor.name })),
  );
  if (rooms.length === 0) {
    return (
      <p className="p-4 text-soft">
        Wishes are kept by room. Draw the rooms on the site plan first: a name and a rough size are enough.
      </p>
    );
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto xl:flex-row xl:overflow-hidden">
      <div className="min-w-0 px-3 py-2 xl:min-h-0 xl:flex-1 xl:overflow-auto">
        <fieldset className="mb-2 flex items-center gap-3">
          <legend className="sr-only">Which wishes</legend>
          {(['now', 'later'] as const).map((one) => (
            <label key={one} className="flex items-center gap-1 font-semibold">
              <input type="radio" name="scope" checked={scope === one} onChange={() => setScope(one)} />
              {one === 'now' ? 'Wanted now' : 'Wanted later'}
            </label>
          ))}
          <span className="text-soft">How many of each, room by room. Empty is none.</span>
        </fieldset>
        <table className="narrow w-full text-[13px]">
          <thead>
            <tr className="border-strong border-b align-bottom">
              <th className="py-1 text-left">Room</th>
              {WISH_KINDS.map((kind) => (
                <th key={kind} className="w-14 px-0.5 pb-1 text-center font-semibold text-xs leading-tight">
                  {OUTLET_RULES[kind].words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rooms.map(({ room, floor }, at) => (
              <tr key={room.id} className="border-b">
                <th scope="row" className="truncate py-0.5 text-left font-semibold">
                  {room.name}
                  {(at === 0 || rooms[at - 1]?.floor !== floor) && (
                    <span className="ml-1.5 font-normal text-soft text-xs">{floor}</span>
                  )}
                </th>
                {WISH_KINDS.map((kind) => (
                  <td key={kind} className="px-0.5">
                    <WishCell room={room} kind={kind} scope={scope} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Proposal />
    </div>
  );
}

function WishCell({ room, kind, scope }: { room: Room; kind: WishKind; scope: Scope }) {
  const wishes = useSession((session) => session.job.wishes);
  const { keep, drop } = useRows();
  const wish = Object.values(wishes).find((one) => one.roomId === room.id && one.kind === kind && one.scope === scope);
  const value = wish ? String(wish.count) : '';
  const commit = (input: HTMLInputElement) => {
    const text = input.value.trim();
    if (text === value) return;
    const count = text === '' ? 0 : Number(text);
    if (!Number.isInteger(count) || count < 0 || count > 99) {
      toast.error(
        `${OUTLET_RULES[kind].words} in ${room.name}: found “${text}”, expected a whole number from 0 to 99. The cell is as it was.`,
      );
      input.value = value;
      return;
    }
    if (count === 0 && wish) drop('wishes', wish.id);
    else if (count > 0) {
      const record = wish ?? { id: newRowId('wish'), roomId: room.id, kind, count, coax: false, scope, note: '' };
      keep({ table: 'wishes', record: { ...record, count } });
    }
  };
  return (
    <input
      key={value}
      defaultValue={value}
      inputMode="numeric"
      maxLength={2}
      autoComplete="off"
      aria-label={`${OUTLET_RULES[kind].words} in ${room.name}, ${scope}`}
      className={`h-7 w-full rounded-[3px] border text-center font-mono ${value ? 'border-strong bg-face font-bold' : 'border-rule bg-transparent'}`}
      onBlur={(event) => commit(event.currentTarget)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit(event.currentTarget);
        if (event.key === 'Escape') event.currentTarget.value = value;
      }}
    />
  );
}

/** Runs that the wishes ask for and that are not there yet. */
function Proposal() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { keep } = useRows();
  const proposal = useMemo(() => proposeRuns(job), [job]);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const open = proposal.wishes.filter((one) => one.missing.length > 0);
  const chosen = open.filter(({ wish }) => !left.has(wish.id));
  const count = chosen.reduce((sum, one) => sum + one.missing.length, 0);
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  return (
    <section
      aria-label="Runs asked for"
      className="flex shrink-0 flex-col border-strong border-t bg-sheet xl:w-[340px] xl:border-t-0 xl:border-l"
    >
      <header className="border-b px-3 py-2">
        <h2 className="wide font-bold">Runs asked for</h2>
        <p className="text-soft">
          {proposal.wishes.length === 0
            ? 'No wishes yet.'
            : open.length === 0
              ? 'Every run that the wishes ask for is in the schedule.'
              : `${counted(proposal.missing, 'run')} not in the schedule yet. Labels follow the highest number in use.`}
        </p>
        <div className="mt-1.5 flex flex-wrap gap-2">
          <Button
            look="main"
            disabled={count === 0}
            onClick={() => dispatch(acceptCommands(job, new Set(chosen.map(({ wish }) => wish.id)), newRunId))}
          >
            {count === 0 ? 'Nothing to add' : `Add ${counted(count, 'run')}`}
          </Button>
        </div>
      </header>
      <ul className="min-h-0 flex-1 overflow-auto">
        {proposal.wishes.map(({ wish, place, words, outlets, runs, reason, missing }) => (
          <li key={wish.id} className="border-b px-3 py-1.5">
            <div className="flex items-start gap-2">
              {missing.length > 0 ? (
                <input
                  type="checkbox"
                  className="mt-1"
                  aria-label={`Take ${words} in ${place}`}
                  checked={!left.has(wish.id)}
                  onChange={() => toggle(wish.id)}
                />
              ) : (
                <span aria-hidden className="w-[13px] font-bold text-good">
                  ✓
                </span>
              )}
              <div className="min-w-0 flex-1">
                <p className="leading-tight">
                  <b>{place}</b>: {outlets} × {words}
                  {wish.scope === 'later' && <span className="text-soft"> (later)</span>}
                </p>
                <p className="narrow text-soft text-xs leading-tight">{reason}</p>
                {wish.kind === 'television' && (
                  <label className="narrow flex items-center gap-1 text-xs">
                    <input
                      type="checkbox"
                      checked={wish.coax}
                      onChange={() => keep({ table: 'wishes', record: { ...wish, coax: !wish.coax } })}
                    />
                    a coax run as well
                  </label>
                )}
              </div>
              <span className="whitespace-nowrap text-right font-mono text-xs">
                {counted(runs, 'run')}
                {missing.length > 0 && <b className="block text-bite">+ {missing.length}</b>}
              </span>
            </div>
          </li>
        ))}
        {proposal.surplus.length > 0 && (
          <li className="px-3 py-2">
            <p className="font-semibold">
              {counted(proposal.surplus.length, 'run')} no longer asked for:{' '}
              <span className="font-mono text-xs">{proposal.surplus.map(({ run }) => run.label).join(', ')}</span>
            </p>
            <p className="narrow text-soft text-xs">Those not pulled yet go; those that are there stay as spares.</p>
            <Button className="mt-1" onClick={() => dispatch(surplusCommands(job))}>
              Take {proposal.surplus.length === 1 ? 'it' : 'them'} out
            </Button>
          </li>
        )}
      </ul>
    </section>
  );
}
