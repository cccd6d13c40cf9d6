import { useState } from 'react';
import { formatMinutes } from '@/core/base/units/minutes';
import type { Alternative } from '@/core/trade/build/alternatives';
import type { BuildPapers } from '@/core/trade/build/buildPapers';
import { Button } from '../kit/Button';
import { Heading } from '../kit/viewParts';
import { usePlanner } from '../session/usePlanner';
import { useBuild } from './useBuild';

/** What was planned and what it took, by kind of step and by person: what is left goes by it. */
export function Paces({ plan }: { plan: BuildPapers['plan'] }) {
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
export function Alternatives() {
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
                    {one.cost === null
                      ? one.proven
                        ? 'no order'
                        : 'none found in time'
                      : `${one.cost.toFixed(0)}${one.proven ? '' : ' (not proven)'}`}
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
