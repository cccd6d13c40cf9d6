import { ArrowDown, ArrowUp, Pin, Users, Zap } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import type { Alternative } from '@/core/build/alternatives';
import type { BuildPapers } from '@/core/build/buildPapers';
import type { Planned } from '@/core/build/buildPlan';
import { idFor } from '@/core/build/tickId';
import { rowCommands } from '@/core/commands/rowCommands';
import { learningSource, threePointSource } from '@/core/standards/buildMinutes';
import { citeSource } from '@/core/standards/source';
import { ACTION_WORDS } from '@/core/text/actionWords';
import { counted } from '@/core/text/counted';
import { formatMinutes } from '@/core/units/minutes';
import { useSessionStore } from '../job/session';
import { TakeawayLink } from '../job/TakeawayLink';
import { usePlanner } from '../job/usePlanner';
import { Button } from '../kit/Button';
import { GradeMark } from '../kit/GradeMark';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { useAnnounce } from '../kit/useAnnounce';
import { useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { TimeLanes } from './TimeLanes';
import { useBuild } from './useBuild';
import { darkList, oneDigit } from './words';

/** Steps on a time line, what is dark meanwhile, visits as sections; a step can be moved, and what that costs is seen. */
export function OrderView({ papers }: { papers: BuildPapers }) {
  const { busy } = useBuild();
  const { base } = useJobPath();
  const { plan, findings } = papers;
  const { order, range } = plan;
  const [worst] = findings;
  if (plan.steps.length === 0)
    return (
      <Scroll label="Order">
        <p className="max-w-[70ch]">
          Nothing is to be done: what stands today is the plan. Say at{' '}
          <JobLink className="underline" href={`${base}/build/terms`}>
            From what, when
          </JobLink>{' '}
          which version of this job stands today; what differs becomes steps, in the order that keeps most up.
        </p>
      </Scroll>
    );
  return (
    <Scroll label="Order">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <Figures>
          <Figure name="Steps left">{plan.planned.length}</Figure>
          <Figure name="Work">
            {formatMinutes(range.least)} to {formatMinutes(range.most)}
          </Figure>
          <Figure name="Dark, weighted minutes">
            {order.cost === null ? (
              <span className="text-wont">no order</span>
            ) : (
              <>
                {order.cost.toFixed(0)}{' '}
                <span className={order.proven ? 'text-good' : 'text-bite'}>
                  {order.proven ? 'proven least' : `at least ${order.bound.toFixed(0)}`}
                </span>
              </>
            )}
          </Figure>
          {plan.freeCost !== null && (
            <Figure name="Pins cost">
              {order.cost === null ? (
                <span className="text-wont">no order with them</span>
              ) : (
                Math.max(0, order.cost - plan.freeCost).toFixed(0)
              )}
            </Figure>
          )}
          <Figure name="Set aside">{order.parked}</Figure>
          <Figure name="Ends">{plan.endsAt?.replace('T', ' ') ?? 'no visit yet'}</Figure>
        </Figures>
        <span className="flex flex-wrap gap-2">
          {busy && (
            <span role="status" className="self-center text-[13px] text-soft">
              Solving anew …
            </span>
          )}
          <TakeawayLink of="build.pdf" />
        </span>
      </div>
      {findings.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-2 text-[13px]">
          {worst && <GradeMark grade={worst.grade} />}
          <b>
            {counted(findings.length, 'thing')} {findings.length === 1 ? 'stands' : 'stand'} against it
          </b>
          <span className="text-soft">the gravest: {worst?.what} The docket lists them all.</span>
        </p>
      )}
      {order.cost === null && <Lets plan={plan} />}
      <Pins plan={plan} />
      <TimeLanes plan={plan} />
      {plan.visits.map((visit) => (
        <section key={visit.visit.id} aria-label={visit.visit.name}>
          <Heading
            aside={
              <span className="text-[13px] text-soft">
                {visit.planned.length === 0
                  ? 'nothing fits'
                  : `${formatMinutes(visit.wholeMin)} of ${formatMinutes(visit.visit.minutes)}`}
                {visit.lastMin !== null &&
                  ` · last moment to go on: ${visit.lastMin < 0 ? 'none' : `${formatMinutes(visit.lastMin)} after the beginning`}`}
              </span>
            }
          >
            {visit.visit.name}, {visit.visit.on}, {visit.visit.from}
          </Heading>
          <Steps planned={visit.planned} all={plan.planned} />
        </section>
      ))}
      {plan.planned.some(({ visit }) => visit === null) && (
        <section aria-label="In no visit">
          <Heading>{plan.visits.length === 0 ? 'In order' : 'In no visit yet'}</Heading>
          <Steps planned={plan.planned.filter(({ visit }) => visit === null)} all={plan.planned} />
        </section>
      )}
      <Paces plan={plan} />
      <Alternatives />
      <p className="narrow text-soft text-xs">
        Minutes are rules of thumb until ticks correct them; each doubling of like work takes{' '}
        {Math.round(plan.cutover.learning * 100)} % of the time. {citeSource(learningSource)};{' '}
        {citeSource(threePointSource)}. Mains work and new circuits are for a licensed electrician, by local code.
      </p>
    </Scroll>
  );
}

/** Where there is no order: the single changes that would let it be done. */
function Lets({ plan }: { plan: BuildPapers['plan'] }) {
  const { keep } = useRows();
  const { order, cutover } = plan;
  return (
    <section aria-label="What would let it be done">
      <Heading>No order: {order.proven ? 'the steps block each other' : 'none was found in the time'}</Heading>
      {order.lets.length === 0 ? (
        <p className="text-[13px]">No single change was found that lets it be done: park more, or plan other places.</p>
      ) : (
        <ul className="text-[13px]">
          {order.lets.map(({ words, parkLimit }) => (
            <li key={words} className="flex flex-wrap items-center gap-2 border-b py-1">
              <span className="min-w-0 flex-1">{words}</span>
              {parkLimit !== null && (
                <Button onClick={() => keep({ table: 'cutovers', record: { ...cutover, parkLimit } })}>
                  Let {parkLimit} stand out
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What somebody wants before what, each to be let go. */
function Pins({ plan }: { plan: BuildPapers['plan'] }) {
  const { job } = useBuild();
  const { drop } = useRows();
  const pins = Object.values(job.orderPins);
  const words = new Map(plan.steps.map((step) => [step.id, step.words]));
  if (pins.length === 0) return null;
  return (
    <section aria-label="Pins">
      <Heading>Pinned</Heading>
      <ul className="text-[13px]">
        {pins.map(({ id, first, next }) => (
          <li key={id} className="flex items-center gap-2 border-b py-0.5">
            <Pin size={14} aria-hidden />
            <span className="min-w-0 flex-1">
              {words.get(first) ?? first} <span className="text-soft">before</span> {words.get(next) ?? next}
            </span>
            <Button look="quiet" onClick={() => drop('orderPins', id)}>
              Let go
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const PHASES = { before: 'beforehand', cutover: 'cut-over', after: 'afterwards' } as const;

function Steps({ planned, all }: { planned: readonly Planned[]; all: readonly Planned[] }) {
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

/** What was planned and what it took, by kind of step and by person: what is left goes by it. */
function Paces({ plan }: { plan: BuildPapers['plan'] }) {
  if (plan.paces.length === 0) return null;
  return (
    <section aria-label="Pace">
      <Heading>Pace so far</Heading>
      <div className="overflow-x-auto">
        <table className="mt-1 text-[13px]">
          <thead>
            <tr className="text-left text-soft">
              {['Kind of step', 'By', 'Done', 'Planned', 'Took', 'First against plan', 'Each doubling'].map((head) => (
                <th key={head} scope="col" className="pr-5 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plan.paces.map(({ pace, by, done, plannedMin, tookMin, factor, learning }) => (
              <tr key={`${pace} ${by}`} className="border-t">
                <th scope="row" className="pr-5 text-left">
                  {pace}
                </th>
                <td className="pr-5">{by || 'all'}</td>
                <td className="pr-5 font-mono">{done}</td>
                <td className="pr-5 font-mono">{formatMinutes(plannedMin)}</td>
                <td className="pr-5 font-mono">{formatMinutes(tookMin)}</td>
                <td className="pr-5 font-mono">× {factor.toFixed(2)}</td>
                <td className="font-mono">× {learning.toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const SCHOOL_WORDS = { phases: 'in phases', 'one-night': 'all at once' } as const;

/** All at once or in phases, by one or by two, with the figures of each. */
function Alternatives() {
  const { job, today } = useBuild();
  const { plan, busy, start } = usePlanner<Alternative[]>(job);
  const [asked, setAsked] = useState(false);
  return (
    <section aria-label="Alternatives">
      <Heading
        aside={
          <Button
            disabled={busy || today === undefined}
            onClick={() => {
              setAsked(true);
              void start((planner) => planner.buildAlternatives(today ?? null, job));
            }}
          >
            {busy ? 'Reckoning …' : 'Compare'}
          </Button>
        }
      >
        All at once or in phases, by one or by two
      </Heading>
      {plan === null ? (
        <p className="mt-1 text-[13px] text-soft">
          {asked && !busy
            ? 'The job has changed: compare anew.'
            : 'In phases, work may stop wherever all is up; all at once, the cut-over is one night’s work and done.'}
        </p>
      ) : (
        <div className="overflow-x-auto">
          <table className="mt-1 text-[13px]">
            <thead>
              <tr className="text-left text-soft">
                {['School', 'By', 'Work', 'Longest dark', 'Weighted', 'Visits used', 'In no visit', 'Ends'].map(
                  (head) => (
                    <th key={head} scope="col" className="pr-5 font-semibold">
                      {head}
                    </th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {plan.map((one) => (
                <tr key={`${one.school} ${one.hands}`} className="border-t">
                  <th scope="row" className="pr-5 text-left">
                    {SCHOOL_WORDS[one.school]}
                  </th>
                  <td className="pr-5">{one.hands}</td>
                  <td className="pr-5 font-mono">{formatMinutes(one.workMin)}</td>
                  <td className="pr-5 font-mono">{formatMinutes(one.darkMin)}</td>
                  <td className="pr-5 font-mono">
                    {one.cost === null ? 'no order' : `${one.cost.toFixed(0)}${one.proven ? '' : ' (not proven)'}`}
                  </td>
                  <td className="pr-5 font-mono">{one.visits}</td>
                  <td className="pr-5 font-mono">{formatMinutes(one.unplacedMin)}</td>
                  <td className="font-mono">{one.endsAt?.replace('T', ' ') ?? '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
