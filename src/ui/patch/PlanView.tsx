'use client';

import { useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { commonPractice } from '@/core/base/standards/source';
import { formatLength } from '@/core/base/units/length';
import type { Job } from '@/core/job/document/job';
import { portKey } from '@/core/job/records/portKey';
import { patchCommands } from '@/core/trade/patching/patchCommands';
import { type PatchMoves, patchSchools, patchWishOf } from '@/core/trade/patching/patchWish';
import type { PatchPlan } from '@/core/trade/patching/planPatching';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { useSession } from '../session/session';
import { usePlanner } from '../session/usePlanner';

type Alternative = { moves: PatchMoves; plan: PatchPlan };

const MOVES: Record<PatchMoves, { name: string; words: string }> = {
  none: { name: 'Leave every cord', words: 'Only what has no cord yet is patched.' },
  few: { name: 'Move few cords', words: 'A cord is moved where that gains more than the trouble.' },
  free: { name: 'Move any cord', words: 'The best map there is, cords fixed by hand excepted.' },
};
const SECONDS = 4;

/** The whole map anew or the rest of it: what each way of planning brings, with the reason for each run. */
export function PlanView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const planner = usePlanner<Alternative[]>(job);
  const [open, setOpen] = useState<PatchMoves>('none');
  const made = planner.plan;
  const shown = made?.find((one) => one.moves === open);
  const { school } = patchWishOf(job);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto px-3 py-2">
      <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-5">
        <AnswerField id="patch-school" label="What matters beside power and speed" />
        <AnswerField id="patch-which" />
        <AnswerField id="patch-power" label="Watts that count" />
        <AnswerField id="patch-spread" label="Critical runs over two switches" />
        <AnswerField id="patch-slower" />
      </div>
      <p className="mt-1 text-[13px]">
        <b>{patchSchools[school].name}.</b> For it: {patchSchools[school].for}{' '}
        <span className="text-soft">
          Against it: {patchSchools[school].against} ({citeFor(commonPractice, job.rules)})
        </span>
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button
          look={made ? 'plain' : 'main'}
          disabled={planner.busy}
          onClick={() => void planner.start((worker) => worker.patchAlternatives(job, {}, SECONDS))}
        >
          Plan the map
        </Button>
        {planner.busy && (
          <>
            <output className="text-soft">Weighing power, speed, networks and cords …</output>
            <Button onClick={planner.cancel}>Cancel</Button>
          </>
        )}
        {made && <Button onClick={planner.putAway}>Close</Button>}
      </div>
      {made && (
        <div className="mt-2 grid gap-3 lg:grid-cols-3">
          {made.map(({ moves, plan }) => (
            <section
              key={moves}
              aria-label={MOVES[moves].name}
              className={`flex flex-col rounded-[3px] border-2 bg-sheet p-2.5 ${moves === open ? 'border-act' : 'border-strong'}`}
            >
              <h2 className="wide font-bold leading-tight">{MOVES[moves].name}</h2>
              <p className="text-[13px] text-soft">{MOVES[moves].words}</p>
              <Figures job={job} plan={plan} />
              <div className="mt-auto flex flex-wrap gap-2 pt-2">
                <Button
                  look={moves === open ? 'main' : 'plain'}
                  disabled={plan.cords.length + plan.unplugged.length + plan.links.length === 0}
                  onClick={() => {
                    if (dispatch(patchCommands(plan))) planner.putAway();
                  }}
                >
                  {plan.cords.length + plan.unplugged.length + plan.links.length === 0
                    ? 'Nothing to change'
                    : 'Use this plan'}
                </Button>
                <Button aria-pressed={moves === open} onClick={() => setOpen(moves)}>
                  Why?
                </Button>
              </div>
            </section>
          ))}
        </div>
      )}
      {shown && <Reasons job={job} plan={shown.plan} />}
    </div>
  );
}

function Figures({ job, plan }: { job: Job; plan: PatchPlan }) {
  const short = plan.points - plan.bound;
  const figures: [string, string][] = [
    ['Runs with a port', String(plan.patched)],
    ['Left out', String(plan.left.length)],
    ['Cords moved', String(plan.moved.length)],
    ['Cord in all', formatLength(plan.cordMm, job.units)],
    ['Links planned', String(plan.links.length)],
    [
      'Proof',
      plan.proven
        ? 'proven best'
        : plan.cutOff
          ? 'gateway not reached'
          : `best found, at most ${short.toFixed(1)} points off`,
    ],
  ];
  return (
    <>
      {plan.short !== null && <p className="mt-1 font-semibold text-[13px] text-wont">{plan.short}</p>}
      <dl className="mt-1 text-[13px]">
        {figures.map(([name, value]) => (
          <div key={name} className="flex justify-between border-b py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

function Reasons({ job, plan }: { job: Job; plan: PatchPlan }) {
  const select = useSession((session) => session.select);
  const runAt = new Map(Object.values(job.landings).map((row) => [portKey(row.panelId, row.port), row.runId]));
  const moved = new Map(plan.moved.map((one) => [one.runId, one]));
  return (
    <section aria-label="Reasons" className="mt-3">
      {plan.kept.length > 0 && (
        <>
          <h2 className="wide font-bold">Ports kept back</h2>
          <ul className="mb-2 grid gap-0.5 text-[13px]">
            {plan.kept.map(({ words, gearId, port }) => (
              <li key={`${gearId} ${port}`}>
                {words}: {job.gear[gearId]?.name} {port}
              </li>
            ))}
          </ul>
        </>
      )}
      {plan.left.length > 0 && (
        <>
          <h2 className="wide font-bold">Left out</h2>
          <ul className="mb-2 grid gap-0.5 text-[13px]">
            {plan.left.map(({ runId, why, letsIn }) => (
              <li key={runId}>
                {why} {letsIn.length > 0 && <b>To let it in: {letsIn.join('; or ')}.</b>}
              </li>
            ))}
          </ul>
        </>
      )}
      <h2 className="wide font-bold">Why each came to its port</h2>
      <table className="mt-1 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-2">Run</th>
            <th className="pr-2">Panel port</th>
            <th className="pr-2">Switch port</th>
            <th className="pr-2">Now</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          {plan.cords.map((cord) => {
            const runId = runAt.get(portKey(cord.panelId, cord.panelPort)) ?? '';
            return (
              <tr key={runId} className="border-b align-top">
                <th scope="row" className="pr-2 text-left">
                  <button type="button" className="font-bold font-mono underline" onClick={() => select(runId)}>
                    {job.runs[runId]?.label}
                  </button>
                </th>
                <td className="whitespace-nowrap pr-2 font-mono text-xs leading-5">
                  {job.gear[cord.panelId]?.name} {cord.panelPort}
                </td>
                <td className="whitespace-nowrap pr-2 font-mono text-xs leading-5">
                  {job.gear[cord.switchId]?.name} {cord.switchPort}
                </td>
                <td className="whitespace-nowrap pr-2 font-mono text-xs leading-5">{moved.get(runId)?.from ?? '–'}</td>
                <td>{plan.why[runId]}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
