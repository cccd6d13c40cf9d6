'use client';

import { useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { formatMinutes } from '@/core/base/units/minutes';
import { RUN_TIME_UNKNOWN, singlePointsOf, tripNow } from '@/core/findings/stations/powerReport';
import {
  MAINS,
  type Part,
  type PartKind,
  partKey,
  partName,
  partOfKey,
  partsOf,
} from '@/core/trade/power/dependencies/parts';
import { lostWords, type Trip } from '@/core/trade/power/dependencies/trip';
import { CabinetDrawing } from '../drawing/CabinetDrawing';
import { Button } from '../kit/Button';
import { Input } from '../kit/Field';
import { useTripped } from '../kit/tripped';
import { Heading, NotKnown, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePower } from './usePower';

const KINDS: Readonly<Record<PartKind, string>> = {
  mains: 'The mains',
  circuit: 'Circuits',
  wall: 'Wall outlets',
  gear: 'Devices',
  plug: 'Supplies',
  uplink: 'Uplinks',
  cord: 'Cords',
  run: 'Runs',
};
/** So many of a kind are shown until more are asked for. */
const FEW = 14;

/** Fail any part, and see what goes dark: at once, and when the batteries end. */
export function TripView() {
  const { job, today } = usePower();
  const { jobId, failed: keys, fail } = useTripped();
  const failed = jobId === job.id ? keys : [];
  const setFailed = (next: readonly string[]) => fail(job.id, next);
  const parts = failed.flatMap((key) => partOfKey(key) ?? []);
  const made = parts.length > 0 ? tripNow(job, parts, today) : null;
  const toggle = (part: Part) => {
    const key = partKey(part);
    setFailed(failed.includes(key) ? failed.filter((one) => one !== key) : [...failed, key]);
  };
  return (
    <Scroll label="Trip it">
      <div className="grid items-start gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
        <Choice failed={failed} onToggle={toggle} />
        <section
          aria-label="What goes dark"
          aria-live="polite"
          className="order-first grid gap-3 lg:sticky lg:top-0 lg:order-none"
        >
          {made ? (
            <Outcome made={made} onBack={() => setFailed([])} />
          ) : (
            <p className="max-w-[60ch]">
              Choose what fails: a breaker, a strip, a battery unit, a supply, a switch, an uplink, a cord or a run, or
              the mains as a whole. Here it says what goes dark at once, what lasts on battery and for how long, and
              what people will notice. Several can fail together.
            </p>
          )}
        </section>
      </div>
      <SinglePoints onTrip={(part) => setFailed([partKey(part)])} />
    </Scroll>
  );
}

function Choice({ failed, onToggle }: { failed: readonly string[]; onToggle: (part: Part) => void }) {
  const job = useSession((session) => session.job);
  const [text, setText] = useState('');
  const [more, setMore] = useState<readonly PartKind[]>([]);
  const wanted = text.trim().toLowerCase();
  const all = partsOf(job).map((part) => ({ part, name: partName(job, part) }));
  const shown = wanted === '' ? all : all.filter(({ name }) => name.toLowerCase().includes(wanted));
  return (
    <section aria-label="What fails">
      <Input
        type="search"
        aria-label="Find a part"
        placeholder="find a part: a label, a device, a circuit"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {(Object.keys(KINDS) as PartKind[]).map((kind) => {
        const here = shown.filter(({ part }) => part.kind === kind);
        if (here.length === 0) return null;
        const few = more.includes(kind) ? here : here.slice(0, FEW);
        return (
          <div key={kind} className="mt-2">
            <h3 className="narrow text-soft text-xs">{KINDS[kind]}</h3>
            <div className="flex flex-wrap gap-1.5">
              {few.map(({ part, name }) => (
                <Button
                  key={partKey(part)}
                  aria-pressed={failed.includes(partKey(part))}
                  onClick={() => onToggle(part)}
                  className={`text-left ${failed.includes(partKey(part)) ? 'border-2 border-wont bg-well line-through' : ''}`}
                >
                  {name}
                </Button>
              ))}
              {few.length < here.length && (
                <Button look="quiet" onClick={() => setMore([...more, kind])}>
                  {here.length - few.length} more
                </Button>
              )}
            </div>
          </div>
        );
      })}
    </section>
  );
}

function Outcome({ made, onBack }: { made: Trip; onBack: () => void }) {
  const job = useSession((session) => session.job);
  const dark = new Set(made.darkNow);
  return (
    <>
      <Heading aside={<Button onClick={onBack}>All back</Button>}>
        Without {made.parts.map((part) => partName(job, part)).join(' and ')}
      </Heading>
      {made.now.length === 0 ? (
        <p className="font-semibold">Nothing that people use goes at once.</p>
      ) : (
        <ul className="flex flex-wrap gap-1.5">
          {made.now.map((lost) => (
            <li key={lost.service} className="border-2 border-wont px-2 py-0.5 font-semibold text-wont">
              <span aria-hidden>✕ </span>
              {lostWords(lost)}
            </li>
          ))}
        </ul>
      )}
      <p className="text-[13px]">
        {counted(made.darkNow.length, 'device')} dark at once
        {made.darkNow.length > 0 && `: ${made.darkNow.map((id) => job.gear[id]?.name).join(', ')}`}.{' '}
        {counted(made.cutNow.length, 'run')} without effect.
      </p>
      <TimeLine made={made} />
      <NotKnown things={made.unknown.map((words) => words.replace(/\.$/, ''))} />
      <CabinetDrawing
        job={job}
        className="max-h-72 w-full max-w-md"
        markOf={(id) => (dark.has(id) ? { letter: '✕', ink: 'var(--wont)', dash: '14 8' } : null)}
      />
    </>
  );
}

/** Mains lost at 0: who lives on a battery for how long, and what goes with it. Drawn to scale. */
function TimeLine({ made }: { made: Trip }) {
  if (made.onBattery.length === 0 && made.later.length === 0) return null;
  const last = Math.max(1, ...made.later.map(({ minutes }) => minutes ?? 0));
  return (
    <section aria-label="Time line">
      <h3 className="narrow text-soft text-xs">From the moment it fails</h3>
      <ul className="grid gap-1 text-[13px]">
        {made.onBattery.map(({ unit, minutes }) => (
          <li key={unit.id} className="grid grid-cols-[minmax(0,10rem)_1fr] items-center gap-2">
            <span className="font-semibold">{unit.name}</span>
            <span className="flex items-center gap-1.5">
              <span
                aria-hidden
                className={`h-3 shrink rounded-[2px] border border-ink ${minutes === null ? 'border-dashed bg-well' : 'bg-good'}`}
                style={{ width: minutes === null ? '30%' : `${Math.max(3, (60 * minutes) / last)}%` }}
              />
              <b className="whitespace-nowrap font-mono text-xs">
                {minutes === null ? 'not known' : formatMinutes(minutes)}
              </b>
            </span>
          </li>
        ))}
        {made.later.map((event) => (
          <li key={`${event.minutes} ${event.what} ${event.units.join(' ')}`} className="border-b py-0.5">
            <b className="font-mono">{event.minutes === null ? RUN_TIME_UNKNOWN : formatMinutes(event.minutes)}</b>{' '}
            {event.what === 'generator'
              ? 'the generator carries its circuits'
              : event.what === 'unknown'
                ? `${event.units.join(', ')} may be empty at any moment`
                : `${event.units.join(', ')} ${event.units.length === 1 ? 'is' : 'are'} empty`}
            {event.lost.length > 0 && `; gone then ${event.lost.map(lostWords).join(', ')}`}
            {event.back.length > 0 && `; there again ${event.back.map(lostWords).join(', ')}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

function SinglePoints({ onTrip }: { onTrip: (part: Part) => void }) {
  const job = useSession((session) => session.job);
  const [all, setAll] = useState(false);
  const points = singlePointsOf(job).filter(({ part }) => part.kind !== MAINS.kind);
  const shown = all ? points : points.slice(0, 12);
  return (
    <section aria-label="Single points of failure">
      <Heading>Single points of failure, gravest first</Heading>
      {points.length === 0 && (
        <p className="mt-1 text-soft">None, as far as the plan goes: no service rests on one part alone.</p>
      )}
      <ul className="text-[13px]">
        {shown.map(({ part, name, lost, remedy, removes }) => (
          <li
            key={partKey(part)}
            className="grid items-baseline gap-x-3 border-b py-1 sm:grid-cols-[minmax(0,1.1fr)_minmax(0,1.4fr)_minmax(0,1.5fr)_auto]"
          >
            <b>{name}</b>
            <span className="text-wont">{lost.map(lostWords).join(', ')}</span>
            <span>
              <span className={removes ? 'font-semibold text-good' : 'text-soft'}>
                {removes ? 'Takes it away: ' : 'Shortens it: '}
              </span>
              {remedy}
            </span>
            <Button look="quiet" onClick={() => onTrip(part)} aria-label={`Trip ${name}`}>
              Trip
            </Button>
          </li>
        ))}
      </ul>
      {shown.length < points.length && (
        <Button look="quiet" onClick={() => setAll(true)}>
          {points.length - shown.length} more
        </Button>
      )}
    </section>
  );
}
