import { ArrowDown, ArrowUp, Pin, Users, Zap } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import { ACTION_WORDS } from '@/core/base/text/actionWords';
import { rowCommands } from '@/core/job/commands/rowCommands';
import type { Planned } from '@/core/trade/build/buildPlan';
import { idFor } from '@/core/trade/build/tickId';
import { Button } from '../kit/Button';
import { useAnnounce } from '../kit/useAnnounce';
import { useSessionStore } from '../session/session';
import { darkList, oneDigit } from './words';

const PHASES = { before: 'beforehand', cutover: 'cut-over', after: 'afterwards' } as const;

export function StepList({ planned, all }: { planned: readonly Planned[]; all: readonly Planned[] }) {
  const session = useSessionStore();
  const announce = useAnnounce();
  const pinned = new Set(Object.values(session.getState().job.orderPins).flatMap(({ first, next }) => [first, next]));
  /** Pin a step before another one. */
  const before = (first: Planned, next: Planned) => {
    const { job, dispatch } = session.getState();
    const [a, b] = [first.entry.step.id, next.entry.step.id];
    const against = Object.values(job.orderPins).filter((pin) => pin.first === b && pin.next === a);
    if (against.length > 0) dispatch([{ type: 'dropRows', table: 'orderPins', ids: against.map(({ id }) => id) }]);
    dispatch(rowCommands(job, [{ table: 'orderPins', record: { id: idFor('pin', `${a} ${b}`), first: a, next: b } }]));
    announce(`${first.entry.step.words} goes before ${next.entry.step.words}.`);
  };
  const shift = (one: Planned, by: 1 | -1) => {
    const at = all.indexOf(one);
    // The halves of one step go together.
    let other = all[at + by];
    for (let step = 2; other && other.entry.step.id === one.entry.step.id; step++) other = all[at + by * step];
    if (!other) return;
    if (by < 0) before(one, other);
    else before(other, one);
  };
  const press = (event: KeyboardEvent, one: Planned) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    shift(one, event.key === 'ArrowUp' ? -1 : 1);
  };
  return (
    <ol className="text-[13px]">
      {planned.map((one) => {
        const { entry, minutes, dark, safe, startsAt } = one;
        const { step, action } = entry;
        return (
          <li
            key={one.key + action}
            className="grid grid-cols-[3.2rem_minmax(0,1fr)_auto] items-baseline gap-x-2 border-b py-0.5 lg:grid-cols-[3.2rem_minmax(0,1.6fr)_minmax(0,1.4fr)_5.5rem_auto]"
          >
            <span className="font-mono text-soft text-xs">{startsAt?.slice(-5) ?? ''}</span>
            <span className="min-w-0">
              <b>
                {ACTION_WORDS[action]}
                {step.words}
              </b>
              {step.who === 'two' && (
                <span className="ml-1.5 whitespace-nowrap text-bite">
                  <Users size={13} aria-hidden className="inline" /> two lift
                </span>
              )}
              {step.who === 'electrician' && (
                <span className="ml-1.5 whitespace-nowrap text-bite">
                  <Zap size={13} aria-hidden className="inline" /> electrician
                </span>
              )}
              {step.kind === 'gear' && step.turn === 'move' && (
                <span className="text-soft">
                  {' '}
                  {action === 'fetch' ? 'set aside' : step.from} → {action === 'park' ? 'set aside' : step.to}
                </span>
              )}
            </span>
            <span className="col-span-3 col-start-2 lg:col-span-1 lg:col-start-3">
              {dark.length > 0 ? (
                <span className="font-semibold text-wont">down: {darkList(dark)}</span>
              ) : (
                <span className="text-soft">{PHASES[entry.phase]}</span>
              )}
            </span>
            <span className="hidden whitespace-nowrap font-mono text-xs lg:inline">
              {oneDigit(minutes)} min{' '}
              <span
                title={safe ? 'from here one may go on, or back' : 'not yet a place to stop'}
                className={safe ? 'text-good' : 'text-bite'}
              >
                {safe ? '○' : '◐'}
                <span className="sr-only">{safe ? 'safe to stop' : 'not yet safe to stop'}</span>
              </span>
            </span>
            <span className="col-start-3 row-start-1 flex lg:col-start-5">
              {pinned.has(step.id) && <Pin size={14} aria-label="pinned" className="self-center" />}
              <Button
                look="quiet"
                className="px-1"
                aria-label={`${step.words} earlier`}
                onClick={() => shift(one, -1)}
                onKeyDown={(event) => press(event, one)}
              >
                <ArrowUp size={14} aria-hidden />
              </Button>
              <Button
                look="quiet"
                className="px-1"
                aria-label={`${step.words} later`}
                onClick={() => shift(one, 1)}
                onKeyDown={(event) => press(event, one)}
              >
                <ArrowDown size={14} aria-hidden />
              </Button>
            </span>
          </li>
        );
      })}
    </ol>
  );
}
