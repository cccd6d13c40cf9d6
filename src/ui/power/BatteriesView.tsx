'use client';

import { useState } from 'react';
import {
  CHEMISTRIES,
  chemistryNames,
  endOfLifeSource,
  halvingSource,
  peukertSource,
  TOPOLOGIES,
  topologies,
  topologySource,
} from '@/core/base/standards/batteries';
import { citeFor } from '@/core/base/standards/cite';
import { generatorCaution } from '@/core/base/standards/generators';
import { refuse } from '@/core/base/text/refusal';
import { formatMass } from '@/core/base/units/force';
import { formatMinutes } from '@/core/base/units/minutes';
import { percent } from '@/core/base/units/percent';
import { formatWatts } from '@/core/base/units/power';
import { Battery, type Gear } from '@/core/job/records/gear';
import {
  minutesWanted,
  type Shedding,
  shedding,
  sheddingCurve,
  type UnitFacts,
  unitsFor,
} from '@/core/trade/power/batteries';
import { wantedKva } from '@/core/trade/power/generator';
import { answerOf } from '@/core/trade/survey/answers/answers';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { type FieldGroup, RecordForm } from '../kit/RecordForm';
import { Sheet } from '../kit/Sheet';
import { axis, useChart } from '../kit/useChart';
import { Figure, Figures, Heading, NotKnown, round, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePower } from './usePower';

/** Battery units: how long they last, what to drop, when their blocks are due; and the generator behind them. */
export function BatteriesView() {
  const { job, report } = usePower();
  const there = answerOf(job, 'generator');
  return (
    <Scroll label="Batteries">
      <div className="grid items-end gap-2 sm:grid-cols-3 xl:grid-cols-6">
        <AnswerField id="minutes-wanted" label="Minutes wanted without mains" />
        <AnswerField id="judged-on" label="Snags judge batteries on" />
        <AnswerField id="generator" />
        {(there === 'hand' || there === 'automatic') && (
          <>
            <AnswerField id="generator-kva" label="Generator" />
            <AnswerField id="generator-delay" label="First tried after" />
            <AnswerField id="generator-attempts" label="Attempts" />
            <AnswerField id="generator-warm" label="Warms up" />
            <AnswerField id="generator-transfer" label="Transfers" />
            <AnswerField id="generator-regulated" label="Holds its frequency" />
          </>
        )}
      </div>
      {report.generator.gapMin !== null && <Bridge />}
      {report.units.length === 0 && (
        <p className="max-w-[70ch]">
          There is no battery unit in this job. A second supply on another circuit is not a battery: it helps when a
          breaker trips, not when the street is dark. Battery units come from the library at Stack.
        </p>
      )}
      {report.units.map((facts) => (
        <UnitCard key={facts.gear.id} facts={facts} />
      ))}
      <ul className="narrow list-disc pl-5 text-soft text-xs">
        <li>
          Minutes: {citeFor(peukertSource, job.rules)}; a maker’s table goes before any formula. Life:{' '}
          {citeFor(halvingSource, job.rules)}; {citeFor(endOfLifeSource, job.rules)}. Classes:{' '}
          {citeFor(topologySource, job.rules)}.
        </li>
        <li>Laser printers and heaters do not go on a battery unit: their peaks switch it off.</li>
        <li>
          Batteries can drive a very high current: no metal on their poles, and blocks are changed by the maker’s
          instructions. They are heavy: see Lifting at Stack.
        </li>
        <li>
          {generatorCaution.words} Source: {citeFor(generatorCaution.source, job.rules)}.
        </li>
      </ul>
    </Scroll>
  );
}

function Bridge() {
  const { report } = usePower();
  const { gapMin, bridgeMin, kva, regulated } = report.generator;
  const va = report.units.reduce((sum, { ratedVa }) => sum + (ratedVa ?? 0), 0);
  const known = report.units.every(({ ratedVa }) => ratedVa !== null);
  return (
    <p className="text-[13px]">
      The generator carries its circuits after <b>{gapMin === null ? 'not known' : formatMinutes(gapMin)}</b>; batteries
      are planned for twice that, {bridgeMin === null ? 'not known' : formatMinutes(bridgeMin)}: a rule of thumb.{' '}
      {va > 0 &&
        `For battery units of ${round(va)} VA${known ? '' : ' at least'} it should have ${round(wantedKva(va, true), 1)} kVA, ${round(wantedKva(va, false), 1)} kVA where their input is not corrected; `}
      {va > 0 && (kva === null ? 'its size is not known.' : `it has ${kva} kVA.`)}
      {regulated !== true && ' A line-interactive unit may refuse a generator whose frequency wanders.'}
    </p>
  );
}

function UnitCard({ facts }: { facts: UnitFacts }) {
  const job = useSession((session) => session.job);
  const [open, setOpen] = useState(false);
  const { gear, onBattery, ratedW, ratedVa, minutes, aged, due, overdue, share } = facts;
  const wanted = minutesWanted(job);
  const least = onBattery.unknown > 0 ? 'at least ' : '';
  const lasts = (one: typeof minutes) =>
    one === null ? 'not known' : `${one.bound === 'exact' ? '' : `${one.bound} `}${formatMinutes(one.minutes)}`;
  const now = (aged ?? minutes)?.minutes;
  const plan = now !== undefined && now < wanted ? shedding(job, gear, wanted, share ?? 1) : null;
  return (
    <section aria-label={gear.name} className="grid gap-2">
      <Heading
        aside={
          <Button look="quiet" onClick={() => setOpen(true)}>
            Change its battery
          </Button>
        }
      >
        {gear.name}
      </Heading>
      <Figures>
        <Figure name="On battery">
          {least}
          {formatWatts(onBattery.w)}
          {ratedW !== null && ` of ${formatWatts(ratedW)} (${percent(onBattery.w, ratedW)})`}
        </Figure>
        <Figure name="Apparent power">
          {least}
          {round(onBattery.va)} VA{ratedVa !== null && ` of ${ratedVa} VA`}
        </Figure>
        <Figure name={`As new${minutes ? `, by ${minutes.by}` : ''}`}>{lasts(minutes)}</Figure>
        <Figure name="Today, by age and warmth">{lasts(aged)}</Figure>
        <Figure name="Wanted">{formatMinutes(wanted)}</Figure>
        <Figure name="Blocks due">
          {due === null ? 'not known' : due}
          {overdue ? ', overdue' : ''}
        </Figure>
        <Figure name="Blocks weigh">
          {facts.blocksKg === null ? 'not known' : formatMass(facts.blocksKg, job.units)}
        </Figure>
        <Figure name="Recharge from empty">
          {facts.rechargeH === null ? 'not known' : `${round(facts.rechargeH, 1)} h`}
        </Figure>
        <Figure name="Comes over in">{facts.transferMs === null ? 'not known' : `${facts.transferMs} ms`}</Figure>
      </Figures>
      <NotKnown things={facts.unknown} />
      {plan && <DropList plan={plan} wanted={wanted} />}
      {gear.battery && onBattery.w > 0 && <DropCurve gear={gear} share={share ?? 1} />}
      {onBattery.w > 0 && <StockUnits facts={facts} />}
      {open && <BatterySheet gear={gear} onClose={() => setOpen(false)} />}
    </section>
  );
}

function DropList({ plan, wanted }: { plan: Shedding; wanted: number }) {
  return (
    <p className="text-[13px]">
      {plan.fails ? (
        <b className="text-wont">Even with all of it dropped it does not last {formatMinutes(wanted)}.</b>
      ) : (
        <>
          To last {formatMinutes(wanted)} drop, in this order:{' '}
          <b>{plan.dropped.map(({ name, watts }) => `${name} (${formatWatts(watts)})`).join(', ')}</b>.{' '}
          {formatWatts(plan.keptW)} stay on.{' '}
          {plan.proven ? 'Proven: no other choice keeps more of what is wanted.' : ''}
        </>
      )}
    </p>
  );
}

/** Watts that stay on against minutes: the exact choice at each step. */
function DropCurve({ gear, share }: { gear: Gear; share: number }) {
  const job = useSession((session) => session.job);
  const points = sheddingCurve(job, gear, share);
  const host = useChart(
    (ink) => ({
      grid: { left: 8, right: 24, top: 22, bottom: 24, containLabel: true },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'value',
        ...axis(ink, ''),
        axisLabel: { formatter: '{value} min', color: ink('--soft'), hideOverlap: true },
      },
      yAxis: { type: 'value', ...axis(ink, 'W that stay on') },
      series: [
        {
          type: 'line',
          step: 'start',
          data: points.map(({ minutes, keptW }) => [Math.round(minutes * 10) / 10, Math.round(keptW * 10) / 10]),
          lineStyle: { color: ink('--act'), width: 2.5 },
          itemStyle: { color: ink('--act') },
          symbolSize: 7,
        },
      ],
    }),
    points,
  );
  if (points.length < 2) return null;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div
        ref={host}
        role="img"
        aria-label={`Watts that stay on ${gear.name} against the minutes it lasts then; the table beside it says the same`}
        className="h-44 w-full"
      />
      <table className="w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-2 text-right">Lasts</th>
            <th className="pr-2 text-right">Stays on</th>
            <th>Dropped</th>
          </tr>
        </thead>
        <tbody>
          {points.map(({ minutes, keptW, dropped }) => (
            <tr key={keptW} className="border-b align-top">
              <td className="whitespace-nowrap pr-2 text-right font-mono text-xs leading-5">
                {formatMinutes(minutes)}
              </td>
              <td className="whitespace-nowrap pr-2 text-right font-mono text-xs leading-5">{formatWatts(keptW)}</td>
              <td>{dropped.length === 0 ? 'nothing' : dropped.map(({ name }) => name).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function StockUnits({ facts }: { facts: UnitFacts }) {
  const job = useSession((session) => session.job);
  const [smallest] = unitsFor(facts.onBattery, minutesWanted(job));
  return (
    <p className="text-[13px] text-soft">
      {smallest
        ? `The smallest stock unit that carries this load for as long as wanted: ${smallest.name}, ${formatMinutes(smallest.minutes)}${smallest.massKg === null ? '' : `, ${formatMass(smallest.massKg, job.units)}`}.`
        : 'No stock unit carries this load for as long as wanted: drop loads, or add battery packs by the maker’s table.'}
    </p>
  );
}

const orNull = (text: string): string | null => (text.trim() === '' ? null : text.trim());
/** Rows of a maker’s table as `200 W 20 min; 400 W 8 min`. */
const RUNTIME = {
  show: (value: unknown) =>
    (value as Battery['runtime']).map(({ loadW, minutes }) => `${loadW} W ${minutes} min`).join('; '),
  read: (text: string) =>
    text
      .split(/[;\n]/)
      .map((part) => part.trim())
      .filter((part) => part !== '')
      .map((part, at) => {
        const found = /^(\d+(?:[.,]\d+)?)\s*W?[\s:,]+(\d+(?:[.,]\d+)?)\s*(?:min)?$/i.exec(part);
        if (!found)
          return refuse('runtime', `row ${at + 1}, “${part}”: expected watts and minutes, such as 200 W 20 min`);
        return { loadW: Number(found[1]?.replace(',', '.')), minutes: Number(found[2]?.replace(',', '.')) };
      }),
};
const BATTERY_FIELDS: readonly FieldGroup[] = [
  {
    title: 'Unit',
    fields: [
      { name: 'ratedW', label: 'Rated', kind: 'number', unit: 'W', none: true },
      { name: 'ratedVa', label: 'Rated', kind: 'number', unit: 'VA', none: true },
      {
        name: 'topology',
        label: 'Class',
        kind: 'choice',
        none: true,
        options: TOPOLOGIES.map((value) => ({ value, words: topologies[value].name })),
      },
      { name: 'transferMs', label: 'Comes over in', kind: 'number', unit: 'ms', none: true },
    ],
  },
  {
    title: 'Blocks',
    fields: [
      {
        name: 'chemistry',
        label: 'Chemistry',
        kind: 'choice',
        options: CHEMISTRIES.map((value) => ({ value, words: chemistryNames[value] })),
      },
      { name: 'blockV', label: 'Block', kind: 'number', unit: 'V', none: true },
      { name: 'blockAh', label: 'Block', kind: 'number', unit: 'Ah', none: true },
      { name: 'blockKg', label: 'Block', kind: 'mass', none: true },
      { name: 'blocks', label: 'In series', kind: 'number' },
      { name: 'strings', label: 'Strings', kind: 'number' },
      {
        name: 'madeOn',
        label: 'Date on the blocks',
        kind: 'own',
        none: true,
        help: 'Such as 2026-11-27.',
        own: { show: (value) => (value === null ? '' : String(value)), read: orNull },
      },
      { name: 'chargeA', label: 'Charged with', kind: 'number', unit: 'A', none: true },
    ],
  },
  {
    title: 'Maker’s runtime table',
    fields: [
      {
        name: 'runtime',
        label: 'Rows',
        kind: 'own',
        wide: true,
        help: 'Such as 200 W 20 min; 400 W 8 min.',
        own: RUNTIME,
      },
    ],
  },
];

function BatterySheet({ gear, onClose }: { gear: Gear; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const start = gear.battery ?? Battery.parse({});
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={`Battery of ${gear.name}`}
      about="As its plate and its data sheet say. What is not known stays empty."
    >
      <RecordForm
        schema={Battery}
        groups={BATTERY_FIELDS}
        record={start}
        units={job.units}
        submit="Keep it"
        onSubmit={(values) => {
          const battery = Battery.parse({ ...start, ...values });
          if (dispatch([{ type: 'editGear', gearId: gear.id, changes: { battery } }])) onClose();
        }}
      />
    </Sheet>
  );
}
