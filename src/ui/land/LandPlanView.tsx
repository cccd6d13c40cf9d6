'use client';

import { useEffect, useRef, useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { commonPractice } from '@/core/base/standards/source';
import { formatSize } from '@/core/base/units/length';
import { formatMinutes } from '@/core/base/units/minutes';
import type { Job } from '@/core/job/document/job';
import { landOrders, landWishOf } from '@/core/trade/panels/landWish';
import type { LandingPlan, PanelPort, WayOut } from '@/core/trade/panels/planLanding';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { useSession } from '../session/session';
import { usePlanner } from '../session/usePlanner';

const SECONDS = 5;

/** A plan for the runs that wait, or for all of them anew, with what it costs before it is taken. */
export function LandPlanView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const planner = usePlanner<LandingPlan>(job);
  const [anew, setAnew] = useState(false);
  const [again, setAgain] = useState(false);
  const { order } = landWishOf(job);
  const { plan } = planner;
  const make = () => void planner.start((worker) => worker.land(job, { anew }, SECONDS));
  const latest = useRef(make);
  useEffect(() => {
    latest.current = make;
  });
  useEffect(() => {
    if (!again) return;
    setAgain(false);
    latest.current();
  }, [again]);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto px-3 py-2">
      <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
        <AnswerField id="land-order" label="Order on the panels" />
        <AnswerField id="land-apart" label="Outdoor runs apart" />
        <AnswerField id="land-spares" label="Left free behind each room" />
        <AnswerField id="land-loop" label="Service loop of each tail" />
      </div>
      <p className="mt-1 text-[13px]">
        <b>{landOrders[order].name}.</b> For it: {landOrders[order].for}{' '}
        <span className="text-soft">
          Against it: {landOrders[order].against} ({citeFor(commonPractice, job.rules)})
        </span>
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button look={plan ? 'plain' : 'main'} disabled={planner.busy} onClick={make}>
          {anew ? 'Plan all anew' : 'Plan the rest'}
        </Button>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-[var(--act)]"
            checked={anew}
            onChange={(event) => {
              setAnew(event.target.checked);
              planner.putAway();
            }}
          />
          runs that are landed may move
        </label>
        {planner.busy && (
          <>
            <output className="text-soft">Looking for the order that every tail reaches …</output>
            <Button onClick={planner.cancel}>Cancel</Button>
          </>
        )}
        {plan && <Button onClick={planner.putAway}>Close</Button>}
      </div>
      {plan && (
        <Proposal
          job={job}
          plan={plan}
          onTake={() => {
            if (dispatch([{ type: 'landRuns', landings: plan.landings }])) planner.putAway();
          }}
          onLonger={(landing) => {
            // The rest of the plan goes with it: its port is the nearest of those that the plan leaves. What is left after
            // that is planned anew, so that the next one can be mended.
            const landings = [...plan.landings, landing];
            if (dispatch([{ type: 'landRuns', landings }])) setAgain(true);
          }}
        />
      )}
    </div>
  );
}

type LongerLanding = { runId: string } & NonNullable<WayOut['landing']>;

function Proposal({
  job,
  plan,
  onTake,
  onLonger,
}: {
  job: Job;
  plan: LandingPlan;
  onTake: () => void;
  onLonger: (landing: LongerLanding) => void;
}) {
  const select = useSession((session) => session.select);
  const minutes = plan.moved.reduce((sum, one) => sum + one.minutes, 0);
  const moved = new Map(plan.moved.map((one) => [one.runId, one]));
  const words = ({ panelId, port }: PanelPort) => `${job.gear[panelId]?.name} ${port}`;
  const figures: [string, string][] = [
    ['Runs that get a port', String(plan.landings.length)],
    ['Left without', String(plan.left.length)],
    ['Re-landed', plan.moved.length === 0 ? 'none' : `${plan.moved.length}, about ${formatMinutes(minutes)}`],
    ['Out of order', plan.disorder === 0 ? 'nothing' : `${plan.disorder} points`],
    ['Least spare tail', plan.spareMm === null ? 'no tail measured' : formatSize(plan.spareMm, job.units)],
    ['Proof', plan.proven ? 'proven: no plan lands more or keeps better order' : 'best found, not proven'],
  ];
  return (
    <section aria-label="Proposed landing" className="mt-2 rounded-[3px] border-2 border-act bg-sheet p-2.5">
      <dl className="grid gap-x-6 text-[13px] sm:grid-cols-2 lg:grid-cols-3">
        {figures.map(([name, value]) => (
          <div key={name} className="flex justify-between gap-2 border-b py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="text-right font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <Button look="main" className="mt-2" disabled={plan.landings.length === 0} onClick={onTake}>
        {plan.landings.length === 0 ? 'Nothing to change' : 'Use this plan'}
      </Button>
      {plan.left.length > 0 && (
        <ul className="mt-2 grid gap-1 text-[13px]">
          {plan.left.map(({ runId, why, waysOut }) => (
            <li key={runId} className="text-wont">
              <b>{why}</b>{' '}
              {waysOut.length > 0 && <span className="text-ink">{waysOut.map((way) => way.words).join('; or ')}.</span>}
              {waysOut.map(
                ({ landing }) =>
                  landing && (
                    <Button key={landing.joint} className="ml-1" onClick={() => onLonger({ runId, ...landing })}>
                      Land {job.runs[runId]?.label} with a {landing.joint}
                    </Button>
                  ),
              )}
            </li>
          ))}
        </ul>
      )}
      {plan.landings.length > 0 && (
        <table className="mt-2 w-full text-[13px]">
          <thead>
            <tr className="border-b text-left">
              <th className="pr-2">Run</th>
              <th className="pr-2">Room, outlet</th>
              <th className="pr-2">Port</th>
              <th className="pr-2">Now</th>
              <th className="text-right">Minutes</th>
            </tr>
          </thead>
          <tbody>
            {plan.landings.map((row) => {
              const run = job.runs[row.runId];
              const move = moved.get(row.runId);
              return (
                <tr key={row.runId} className="border-b">
                  <th scope="row" className="pr-2 text-left">
                    <button type="button" className="font-bold font-mono underline" onClick={() => select(row.runId)}>
                      {run?.label}
                    </button>
                  </th>
                  <td className="pr-2">{[run?.room, run?.outlet].filter(Boolean).join(', ')}</td>
                  <td className="pr-2 font-mono text-xs">{words(row)}</td>
                  <td className="pr-2 font-mono text-xs">{move ? words(move.from) : '–'}</td>
                  <td className="text-right font-mono text-xs">{move ? move.minutes : ''}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
