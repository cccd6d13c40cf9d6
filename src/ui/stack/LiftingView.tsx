'use client';

import { citeFor } from '@/core/base/standards/cite';
import { liftingFilterSource, liftingSource, teamSource } from '@/core/base/standards/lifting';
import { formatMass } from '@/core/base/units/force';
import type { Rack } from '@/core/job/records/rack';
import { type Lifters, loadingOrder, rackLift } from '@/core/trade/rack/lifting/liftPlan';
import { liftingCautions } from '@/core/trade/rack/mounting/cautions';
import { answerCommand, answerOf } from '@/core/trade/survey/answers/answers';
import { CommitSelect } from '../kit/CommitField';
import { useSession } from '../session/session';
import { Cautions } from './Cautions';
import { RackPicker } from './RackPicker';
import { useRack } from './useRack';

/** Who lifts what where, and in which order a cabinet is loaded. */
export function LiftingView() {
  const { all, rack, onRack } = useRack();
  if (!rack) return <p className="p-4">This job has no rack yet.</p>;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
    <section tabIndex={0} aria-label="Lifting and loading" className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <RackPicker all={all} rack={rack} onRack={onRack} />
      <Lifting rack={rack} />
      <Cautions cautions={liftingCautions} />
    </section>
  );
}

/** Below a quarter of the limit a figure says nothing that anybody would act on. */
const isLight = ({ index, people }: { index: number | null; people: number | null }): boolean =>
  people === 1 && index !== null && index < 0.25;

/** The lifting index; what the equation is not for has none. */
const indexWords = (index: number | null): string =>
  index === null ? 'not judged' : Number.isFinite(index) ? index.toFixed(2) : 'not to be lifted';

/** Who lifts what where, and in which order. */
function Lifting({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const lifters = answerOf(job, 'lifters') as Lifters;
  const empty = rackLift(rack, lifters);
  return (
    <section aria-label="Lifting">
      <div className="flex flex-wrap items-end gap-3 border-b pb-1">
        <h2 className="wide flex-1 font-bold">Loading, in this order</h2>
        <CommitSelect
          label="Who lifts"
          value={lifters}
          options={[
            { value: 'women', words: 'anybody: the lower figures' },
            { value: 'men', words: 'up to 25 kg at the waist' },
          ]}
          onCommit={(value) => dispatch([answerCommand(job, 'lifters', value)])}
        />
      </div>
      {empty && (
        <p className={empty.support ? 'mt-1 font-semibold text-bite' : 'mt-1'}>
          The empty cabinet: {formatMass(empty.massKg, job.units)}. Two people may lift{' '}
          {formatMass(empty.twoKg, job.units)} at arm’s length {empty.zone}
          {empty.support ? ': a prop or a lifting table must carry it while it is screwed.' : '.'}
        </p>
      )}
      <table className="mt-1 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="w-6">#</th>
            <th>Step</th>
            <th className="text-right">Mass</th>
            <th className="text-right">Limit</th>
            <th className="text-right">Index</th>
            <th className="pl-3">Where</th>
          </tr>
        </thead>
        <tbody>
          {loadingOrder(job, rack, lifters).map(({ words, lift }, at) => (
            <tr key={words} className="border-b align-top">
              <td className="font-mono text-soft text-xs leading-5">{at + 1}</td>
              <td className={lift && lift.people !== 1 ? 'font-semibold' : ''}>{words}</td>
              <td className="whitespace-nowrap text-right font-mono text-xs leading-5">
                {lift && (lift.massKg === null ? 'unknown' : formatMass(lift.massKg, job.units))}
              </td>
              <td className="whitespace-nowrap text-right font-mono text-xs leading-5">
                {lift && !isLight(lift) && (lift.limitKg === null ? 'outside' : formatMass(lift.limitKg, job.units))}
              </td>
              <td
                className={`text-right font-mono text-xs leading-5 ${lift && (lift.index ?? 0) > 1 ? 'font-bold text-bite' : ''}`}
              >
                {lift && (isLight(lift) ? 'light' : indexWords(lift.index))}
              </td>
              <td className="pl-3">{lift?.zone}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="narrow mt-1 text-soft text-xs">
        Limit and index: {citeFor(liftingSource, job.rules)}; at the floor and at the rails, the lower counts; above 1
        the risk rises, above 3 it is high. One or two people: {citeFor(liftingFilterSource, job.rules)},{' '}
        {citeFor(teamSource, job.rules)}.
      </p>
    </section>
  );
}
