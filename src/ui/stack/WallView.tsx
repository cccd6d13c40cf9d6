'use client';

import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Rack } from '@/core/job/records/rack';
import { type Lifters, loadingOrder, rackLift } from '@/core/lifting/liftPlan';
import { mountingCautions } from '@/core/mounting/cautions';
import { rackLoad, tipping } from '@/core/mounting/rackLoad';
import { liftingFilterSource, liftingSource, teamSource } from '@/core/standards/lifting';
import { citeSource } from '@/core/standards/source';
import { staticsSource } from '@/core/standards/withdrawal';
import { answerCommand, answerOf } from '@/core/survey/answers';
import { naturalOrder } from '@/core/text/naturalOrder';
import { formatForce, formatMass } from '@/core/units/force';
import { formatSize } from '@/core/units/length';
import { useSession } from '../job/session';
import { FileLink } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { Select } from '../kit/Field';
import { MountForm } from './MountForm';
import { WallVerdictView } from './WallVerdictView';

/** How a cabinet hangs or stands, whether it holds, and how it is loaded. */
export function WallView() {
  const job = useSession((session) => session.job);
  const [chosen, setChosen] = useState<string | null>(null);
  const all = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  const rack = all.find((one) => one.id === chosen) ?? all[0];
  if (!rack) return <p className="p-4">This job has no rack yet.</p>;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
    <section tabIndex={0} aria-label="Hanging and lifting" className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-center gap-2">
        {all.length > 1 && (
          <Select
            aria-label="Cabinet"
            className="max-w-44"
            value={rack.id}
            onChange={(event) => setChosen(event.target.value)}
          >
            {all.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </Select>
        )}
        <FileLink href={`/api/jobs/${job.id}/files/wall.pdf`} look="main">
          <Download size={15} aria-hidden /> Wall sheet and hole template, PDF
        </FileLink>
        <p className="text-soft">
          These figures judge the fixings, not the wall: local codes and licensed practice go first.
        </p>
      </div>
      {rack.standing === 'wall' ? (
        <div className="mt-2 grid gap-4 xl:grid-cols-[300px_minmax(0,1fr)]">
          <MountForm rack={rack} />
          <WallVerdictView rack={rack} />
        </div>
      ) : (
        <Standing rack={rack} />
      )}
      <Lifting rack={rack} />
      <section aria-label="Cautions" className="mt-4">
        <h2 className="wide border-b font-bold">Cautions</h2>
        <ul className="mt-1 list-disc pl-5 text-[13px]">
          {mountingCautions(rack).map(({ words, source }) => (
            <li key={words}>
              {words} <span className="narrow text-soft text-xs">Source: {citeSource(source)}</span>
            </li>
          ))}
        </ul>
      </section>
    </section>
  );
}

/** A rack on floor or table: what makes it tip. */
function Standing({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const load = rackLoad(job, rack);
  const { angleDeg, pullAtTopN, tipsWithDrawnDevice } = tipping(job, rack);
  return (
    <section aria-label="Standing" className="mt-2">
      <h2 className="wide border-b font-bold">Standing</h2>
      <p className="mt-1">
        {formatMass(load.massKg, job.units)}, centre of gravity {formatSize(Math.round(load.heightMm), job.units)} above
        the floor. It tips forwards beyond {angleDeg.toFixed(0)}°, or by a pull of {formatForce(pullAtTopN, job.units)}{' '}
        at its top when it is not secured.
      </p>
      {tipsWithDrawnDevice && (
        <p className="font-bold text-wont">
          With its heaviest device drawn out on its rails it tips by itself: secure it first.
        </p>
      )}
      {!load.emptyKnown && (
        <p className="text-bite">The mass of the empty cabinet is not known: enter it under the rack.</p>
      )}
      <p className="narrow text-soft text-xs">Source: {citeSource(staticsSource)}</p>
    </section>
  );
}

/** Who lifts what where, and in which order. */
function Lifting({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const lifters = answerOf(job, 'lifters') as Lifters;
  const empty = rackLift(rack, lifters);
  return (
    <section aria-label="Lifting" className="mt-4">
      <div className="flex flex-wrap items-end gap-3 border-b pb-1">
        <h2 className="wide flex-1 font-bold">Loading, in this order</h2>
        <CommitSelect
          label="Who lifts"
          value={lifters}
          options={[
            { value: 'women', words: 'anybody: the lower figures' },
            { value: 'men', words: 'men only' },
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
              <td className={lift && lift.people > 1 ? 'font-semibold' : ''}>{words}</td>
              <td className="whitespace-nowrap text-right font-mono text-xs leading-5">
                {lift && formatMass(lift.massKg, job.units)}
              </td>
              <td className="whitespace-nowrap text-right font-mono text-xs leading-5">
                {lift && formatMass(lift.limitKg, job.units)}
              </td>
              <td
                className={`text-right font-mono text-xs leading-5 ${lift && lift.index > 1 ? 'font-bold text-bite' : ''}`}
              >
                {lift && (Number.isFinite(lift.index) ? lift.index.toFixed(2) : 'not to be lifted')}
              </td>
              <td className="pl-3">{lift?.zone}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="narrow mt-1 text-soft text-xs">
        Limit and index: {citeSource(liftingSource)}; at the floor and at the rails, the lower counts; above 1 the risk
        rises, above 3 it is high. One or two people: {citeSource(liftingFilterSource)}, {citeSource(teamSource)}.
      </p>
    </section>
  );
}
