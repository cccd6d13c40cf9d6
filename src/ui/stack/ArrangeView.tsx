'use client';

import { useMemo, useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { formatLength, formatSize } from '@/core/base/units/length';
import { formatMinutes } from '@/core/base/units/minutes';
import { applyCommands } from '@/core/job/commands/apply';
import type { Job } from '@/core/job/document/job';
import { type ChoiceQuestion, type QuestionId, questionOf } from '@/core/job/records/questions';
import type { Arrangement } from '@/core/trade/rack/arrange/arrange';
import { PRIORITIES, SCHOOLS, schoolReasons, schoolSource, wishOf } from '@/core/trade/rack/arrange/arrangeWish';
import { answerCommand, answerOf } from '@/core/trade/survey/answers/answers';
import { CabinetDrawing } from '../drawing/CabinetDrawing';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { useSession } from '../session/session';
import { useArrange } from './useArrange';

const WISHES: readonly QuestionId[] = [
  'arrange-distribution',
  ...PRIORITIES.map((priority): QuestionId => `arrange-${priority}`),
];

/** Proposals for the whole elevation, one a school, side by side with their figures and reasons. */
export function ArrangeView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { slots, busy, start, cancel, putAway } = useArrange(job);
  const [open, setOpen] = useState<string | null>(null);
  const wish = wishOf(job);
  const pinned = Object.values(job.placements).filter((row) => row.pinned);
  const pairs = Object.values(job.neighbours);
  const inOrder = [wish.school, ...SCHOOLS.filter((school) => school !== wish.school)];
  const chosen = slots.find((slot) => slot.made && slot.wish.school === open)?.made ?? null;
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-end gap-2">
        {WISHES.map((id) => (
          <Wish key={id} id={id} />
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button
          look={slots.length === 0 ? 'main' : 'plain'}
          disabled={busy}
          onClick={() => start(inOrder.map((school) => ({ ...wish, school })))}
        >
          Show three layouts
        </Button>
        {busy && (
          <>
            <output className="text-soft">
              Looking: {slots.filter((slot) => slot.made).length} of {slots.length} done …
            </output>
            <Button onClick={cancel}>Stop, keep the best so far</Button>
          </>
        )}
        {!busy && slots.length > 0 && <Button onClick={putAway}>Close</Button>}
        <p className="text-soft">
          {pinned.length > 0
            ? `${pinned.map((row) => job.gear[row.gearId]?.name).join(', ')} stay pinned. `
            : 'Nothing is pinned. '}
          {pairs.length > 0 && `${counted(pairs.length, 'pair')} must touch. `}
          Rear, upright and shelved gear keeps its place.
        </p>
      </div>
      {slots.length === 0 && <Schools />}
      <div className="mt-3 grid gap-3 lg:grid-cols-3">
        {slots.map(({ wish: { school }, made, better }) => (
          <section
            key={school}
            aria-label={schoolReasons[school].name}
            className="flex flex-col rounded-[3px] border-2 border-strong bg-sheet p-2.5"
          >
            <h2 className="wide font-bold leading-tight">{schoolReasons[school].name}</h2>
            {made ? (
              <Proposal
                job={job}
                made={made}
                open={open === school}
                onOpen={() => setOpen(open === school ? null : school)}
                onTake={() => {
                  const keep = answerCommand(job, 'arrange-school', school);
                  if (dispatch([...made.commands, keep])) putAway();
                }}
              />
            ) : (
              <p className="text-soft">{better ? `Best so far: ${better.cost.toFixed(1)} points.` : 'Waiting.'}</p>
            )}
          </section>
        ))}
      </div>
      {chosen && <Reasons made={chosen} />}
    </div>
  );
}

function Wish({ id }: { id: QuestionId }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const question = questionOf(id) as ChoiceQuestion;
  const short = id === 'arrange-distribution' ? 'Distribution unit' : question.words;
  return (
    <CommitSelect
      label={short}
      value={answerOf(job, id)}
      options={question.options}
      onCommit={(value) => dispatch([answerCommand(job, id, value)])}
    />
  );
}

/** Before anything is proposed: what the schools are. */
function Schools() {
  const rules = useSession((session) => session.job.rules);
  return (
    <dl className="mt-4 grid gap-4 lg:grid-cols-3">
      {SCHOOLS.map((school) => (
        <div key={school} className="rounded-[3px] border bg-sheet p-3">
          <dt className="wide font-bold">{schoolReasons[school].name}</dt>
          <dd className="mt-1">For it: {schoolReasons[school].for}</dd>
          <dd className="mt-1 text-soft">Against it: {schoolReasons[school].against}</dd>
          <dd className="narrow mt-1 text-soft text-xs">Source: {citeFor(schoolSource, rules)}</dd>
        </div>
      ))}
    </dl>
  );
}

function Proposal({
  job,
  made,
  open,
  onOpen,
  onTake,
}: {
  job: Job;
  made: Arrangement;
  open: boolean;
  onOpen: () => void;
  onTake: () => void;
}) {
  const after = useMemo(() => (made.commands.length > 0 ? applyCommands(job, made.commands).job : job), [job, made]);
  const { cordsMm, gravityMm, hotPairs, freeU, moves, minutes } = made.figures;
  const moved = made.places.filter((place) => place.moved).length;
  const gap = made.cost - made.bound;
  const proof = made.proven
    ? 'proven best'
    : Number.isFinite(gap)
      ? `at most ${gap.toFixed(0)} points above the best`
      : 'best so far; how far from the best is not known';
  const figures: [string, string][] = [
    ['Points by its own measure', `${made.cost.toFixed(1)}, ${proof}`],
    ['Cords, about', formatLength(cordsMm, job.units)],
    ['Centre of gravity', formatSize(Math.round(gravityMm), job.units)],
    ['Hot pairs that touch', String(hotPairs)],
    ['Free in one piece', `${freeU}U`],
    ['Moved', moves === 0 ? 'nothing that stands' : `${counted(moves, 'device')}, about ${formatMinutes(minutes)}`],
  ];
  return (
    <>
      <div className="flex gap-3">
        <CabinetDrawing job={after} className="mt-1 h-[250px] shrink-0" />
        <dl className="min-w-0 flex-1 text-[13px] leading-tight">
          {figures.map(([name, value]) => (
            <div key={name} className="border-b py-0.5">
              <dt className="narrow text-soft text-xs">{name}</dt>
              <dd className="font-semibold">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
      {[...made.notes, ...made.left.map(({ why }) => why)].map((words) => (
        <p key={words} className="mt-1 text-bite text-xs">
          {words}
        </p>
      ))}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="main" disabled={moved === 0} onClick={onTake}>
          {moved === 0 ? 'Nothing to change' : 'Use this layout'}
        </Button>
        <Button aria-expanded={open} onClick={onOpen}>
          Why?
        </Button>
      </div>
    </>
  );
}

/** Device by device: where, from where, why, and what the next best place would cost. */
function Reasons({ made }: { made: Arrangement }) {
  return (
    <section aria-label="Reasons" className="mt-3">
      <h2 className="wide font-bold">{schoolReasons[made.wish.school].name}: why each stands where it does</h2>
      <table className="mt-1 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-2">Place</th>
            <th className="pr-2">Device</th>
            <th className="pr-2">Now</th>
            <th className="pr-2">Why</th>
            <th>Next best place</th>
          </tr>
        </thead>
        <tbody>
          {made.places.map((place) => (
            <tr key={place.gearId} className="border-b align-top">
              <td className="whitespace-nowrap pr-2 font-mono text-xs leading-5">{place.place}</td>
              <th scope="row" className="pr-2 text-left font-semibold">
                {place.name}
              </th>
              <td className="whitespace-nowrap pr-2 font-mono text-xs leading-5">
                {place.moved ? (place.was ?? 'pile') : 'stays'}
              </td>
              <td className="pr-2">{place.why}</td>
              <td>
                {place.second
                  ? `${place.second.place}: ${place.second.points.toFixed(1)} points more, ${place.second.why}`
                  : 'no other place'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
