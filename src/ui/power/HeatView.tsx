'use client';

import { citeFor } from '@/core/base/standards/cite';
import {
  airSource,
  intakeSource,
  MATERIALS,
  POSITIONS,
  surfaceHeatSource,
  surfaceSource,
} from '@/core/base/standards/cooling';
import { counted } from '@/core/base/text/counted';
import { atLeastWords } from '@/core/base/units/atLeast';
import { formatWatts } from '@/core/base/units/power';
import { shownUnit } from '@/core/job/rack/units';
import type { Rack } from '@/core/job/records/rack';
import { type CabinetHeat, riseOf } from '@/core/trade/power/cooling/cabinetHeat';
import { cheapestMeasures, effects, measuresFor } from '@/core/trade/power/cooling/measures';
import { btuPerHour } from '@/core/trade/power/mainsCurrent';
import { answerOf, figureOf } from '@/core/trade/survey/answers/answers';
import { AnswerField } from '../kit/AnswerField';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { axis, useChart } from '../kit/useChart';
import { Figure, Figures, Heading, NotKnown, round, Scroll, StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePower } from './usePower';

const POSITION_WORDS: Readonly<Record<string, string>> = {
  alone: 'alone, free on all sides',
  'alone-wall': 'alone, back to a wall',
  end: 'end of a row, back free',
  'end-wall': 'end of a row, back to a wall',
  middle: 'within a row, back free',
  'middle-wall': 'within a row, back to a wall',
};

/** How warm each cabinet gets, device by device, and what would cool it. */
export function HeatView() {
  const { job, report } = usePower();
  return (
    <Scroll label="Heat">
      <div className="grid items-end gap-2 sm:grid-cols-3 xl:grid-cols-6">
        <AnswerField id="room-c" label="Room, usually" />
        <AnswerField id="room-summer-c" label="Room, warmest days" />
        <AnswerField id="room-kind" label="Stands in" />
        {answerOf(job, 'room-kind') === 'cupboard' && (
          <>
            <AnswerField id="room-m3" label="Cupboard" />
            <AnswerField id="room-changes" label="Its air changes an hour" />
            <AnswerField id="room-m2" label="Its walls and door" />
          </>
        )}
        <AnswerField id="height-m" label="Above the sea" />
      </div>
      {report.cabinets.length === 0 && <p>This job has no rack yet.</p>}
      {report.cabinets.map((heat) => (
        <HeatCard key={heat.rack.id} heat={heat} />
      ))}
      <ul className="narrow list-disc pl-5 text-soft text-xs">
        <li>
          Surface: {citeFor(surfaceSource, job.rules)}. Heat through it: {citeFor(surfaceHeatSource, job.rules)}. Air:{' '}
          {citeFor(airSource, job.rules)}; behind filters and mesh half of what a fan moves in the open, a rule of
          thumb. Intake: {citeFor(intakeSource, job.rules)}.
        </li>
        <li>What PoE carries away turns to heat where it ends; what the supplies lose on the way stays here.</li>
        <li>
          A cupboard warms up with its door shut. Damp places want an enclosed cabinet and no fan that draws damp air
          in.
        </li>
      </ul>
    </Scroll>
  );
}

function HeatCard({ heat }: { heat: CabinetHeat }) {
  const job = useSession((session) => session.job);
  const { rack, watts, state, limitC, limitKnown } = heat;
  const least = watts.unknown > 0 ? 'at least ' : '';
  const c = (value: number) => `${least}${round(value)} °C`;
  return (
    <section aria-label={rack.name} className="grid gap-2">
      <Heading aside={<StateMark state={state} words={state === 'too little' ? 'too warm' : state} />}>
        {rack.name}
      </Heading>
      <Figures>
        <Figure name="Heat">
          {atLeastWords(watts, formatWatts)}
          {watts.sum > 0 && ` (${round(btuPerHour(watts.sum))} BTU/h)`}
        </Figure>
        <Figure name="Inside, idle">{c(heat.usualC)}</Figure>
        <Figure name="Inside, at full">{c(heat.insideC)}</Figure>
        <Figure name="In summer">{c(heat.summerC)}</Figure>
        <Figure name={`In ${counted(figureOf(job, 'growth-years'), 'year')}`}>{c(heat.grownC)}</Figure>
        <Figure name="Its gear stands">{`${limitC} °C${limitKnown ? '' : ', as is usual'}`}</Figure>
        <Figure name="Air through it">{round(heat.airM3h)} m³/h</Figure>
        <Figure name="Air wanted in summer">
          {Number.isFinite(heat.needM3h) ? `${round(heat.needM3h)} m³/h` : 'no air does it'}
        </Figure>
      </Figures>
      <NotKnown of={rack.name} things={heat.unknown} />
      <ShellFields rack={rack} />
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <Rows heat={heat} />
        <div className="grid gap-3">
          <Curve heat={heat} />
          <Measures heat={heat} />
        </div>
      </div>
    </section>
  );
}

/** Device by device from the bottom up. */
function Rows({ heat }: { heat: CabinetHeat }) {
  const warm = heat.rows.filter(({ watts }) => watts !== 0);
  if (warm.length === 0) return <p className="text-soft">Nothing in it draws any power.</p>;
  return (
    <table className="w-full text-[13px]">
      <caption className="narrow pb-0.5 text-left text-soft text-xs">On the warmest days, from the bottom up</caption>
      <thead>
        <tr className="border-b text-left">
          <th className="pr-2">Unit</th>
          <th className="pr-2">Device</th>
          <th className="pr-2 text-right">Heat</th>
          <th className="pr-2 text-right">Draws in</th>
          <th className="text-right">Stands</th>
        </tr>
      </thead>
      <tbody>
        {warm.map(({ gear, bottomU, watts, intakeC, mostC, mostKnown }) => (
          <tr key={gear.id} className="border-b align-top">
            <td className="pr-2 font-mono text-xs leading-5">U{shownUnit(heat.rack, bottomU)}</td>
            <td className="pr-2">{gear.name}</td>
            <td className="whitespace-nowrap pr-2 text-right font-mono text-xs leading-5">
              {watts === null ? 'not known' : formatWatts(watts)}
            </td>
            <td
              className={`whitespace-nowrap pr-2 text-right font-mono text-xs leading-5 ${intakeC !== null && intakeC > mostC ? 'font-bold text-wont' : ''}`}
            >
              {intakeC === null ? '–' : `${round(intakeC)} °C`}
            </td>
            <td className="whitespace-nowrap text-right font-mono text-xs leading-5">
              {mostC} °C{mostKnown ? '' : ' ?'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Temperature inside over watts, on the warmest days, with where it stands and the limit. */
function Curve({ heat }: { heat: CabinetHeat }) {
  const job = useSession((session) => session.job);
  const top = Math.max(50, Math.ceil((heat.watts.sum * 1.6) / 50) * 50);
  const points = Array.from({ length: 21 }, (_, at) => {
    const watts = (top * at) / 20;
    return [
      watts,
      Math.round((heat.summerRoomC + riseOf(heat.shell, watts, heat.summerRoomC, figureOf(job, 'height-m'))) * 10) / 10,
    ];
  });
  const host = useChart(
    (ink) => ({
      grid: { left: 8, right: 24, top: 24, bottom: 8, containLabel: true },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'value',
        max: top,
        ...axis(ink),
        axisLabel: { formatter: '{value} W', color: ink('--soft'), hideOverlap: true },
      },
      yAxis: {
        type: 'value',
        min: (value: { min: number }) => Math.floor(value.min / 5) * 5,
        ...axis(ink, '°C inside'),
      },
      series: [
        {
          type: 'line',
          data: points,
          showSymbol: false,
          smooth: true,
          lineStyle: { color: ink('--act'), width: 2.5 },
          markLine: {
            symbol: 'none',
            silent: true,
            lineStyle: { color: ink('--wont'), type: 'dashed', width: 1.6 },
            label: { color: ink('--ink') },
            data: [
              { yAxis: heat.limitC, label: { formatter: 'limit', position: 'insideStartTop' } },
              { xAxis: Math.round(heat.watts.sum), label: { formatter: 'here', position: 'insideEndTop' } },
            ],
          },
        },
      ],
    }),
    `${JSON.stringify(points)} ${heat.limitC}`,
  );
  return (
    <div
      ref={host}
      role="img"
      aria-label={`Temperature inside ${heat.rack.name} over its watts on the warmest days; the figures say where it stands`}
      className="h-48 w-full"
    />
  );
}

/** What each measure brings, and the cheapest set that is enough. */
function Measures({ heat }: { heat: CabinetHeat }) {
  const job = useSession((session) => session.job);
  if (heat.watts.sum === 0) return null;
  const measures = measuresFor(job, heat.rack);
  const each = effects(job, heat, measures).filter(({ lessK }) => lessK > 0.05);
  const best = cheapestMeasures(job, heat, measures);
  return (
    <section aria-label={`What would cool ${heat.rack.name}`}>
      <h3 className="wide font-bold text-[13px]">What would cool it, on the warmest days</h3>
      <ul className="text-[13px]">
        {each.map(({ measure, lessK, summerC }) => (
          <li key={measure.id} className="flex flex-wrap gap-x-2 border-b py-0.5">
            <span className="min-w-0 flex-1">{measure.words}</span>
            <b className="whitespace-nowrap font-mono text-xs leading-5">
              −{round(lessK, 1)} K, {round(summerC)} °C
            </b>
            <span className="narrow whitespace-nowrap text-soft text-xs leading-5">
              {measure.noiseDbA === null
                ? 'no noise'
                : measure.noiseDbA === 0
                  ? 'lets noise out'
                  : `${measure.noiseDbA} dB(A) at 1 m`}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px]">
        {heat.summerC <= heat.limitC ? (
          'Nothing is needed, as far as it is known.'
        ) : best.enough ? (
          <>
            Cheapest that is enough: <b>{best.chosen.map(({ words }) => words).join('; ')}</b>, {round(best.summerC)}{' '}
            °C.
          </>
        ) : (
          <b className="text-wont">
            All of it together brings it to {round(best.summerC)} °C: gear must go elsewhere, or the room must be
            cooled.
          </b>
        )}{' '}
        <span className="text-soft">
          Prices and effects of measures are rules of thumb. For gear set apart, and for a brush closed so that air does
          not go round it, no published figure is held: do both, count on neither.
        </span>
      </p>
    </section>
  );
}

function ShellFields({ rack }: { rack: Rack }) {
  const dispatch = useSession((session) => session.dispatch);
  const change = (changes: Partial<Rack>): boolean => dispatch([{ type: 'editRack', rackId: rack.id, changes }]);
  const open = (label: string, of: 'ventLowCm2' | 'ventHighCm2') => (
    <CommitField
      label={label}
      unit="cm²"
      inputMode="decimal"
      placeholder="not known"
      value={rack[of] === null ? '' : String(rack[of])}
      onCommit={(text) => {
        const value = text.trim() === '' ? null : Number(text.trim().replace(',', '.'));
        if (value !== null && (!Number.isInteger(value) || value < 0)) return 'Expected whole cm², or nothing.';
        return change({ [of]: value }) ? null : 'It could not be taken.';
      }}
    />
  );
  return (
    <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4 xl:grid-cols-6">
      <CommitSelect
        label="Made of"
        value={rack.material ?? ''}
        options={[{ value: '', words: 'not known' }, ...MATERIALS.map((value) => ({ value, words: value }))]}
        onCommit={(value) => change({ material: (value || null) as Rack['material'] })}
      />
      <CommitSelect
        label="Stands"
        value={rack.position ?? ''}
        options={[
          { value: '', words: 'not known' },
          ...POSITIONS.map((value) => ({ value, words: POSITION_WORDS[value] ?? value })),
        ]}
        onCommit={(value) => change({ position: (value || null) as Rack['position'] })}
      />
      <CommitSelect
        label="Its top is covered"
        value={String(rack.topCovered)}
        options={[
          { value: 'false', words: 'no' },
          { value: 'true', words: 'yes' },
        ]}
        onCommit={(value) => change({ topCovered: value === 'true' })}
      />
      {open('Openings below', 'ventLowCm2')}
      {open('Openings above', 'ventHighCm2')}
      <CommitSelect
        label="Filters"
        value={String(rack.filtered)}
        options={[
          { value: 'false', words: 'no' },
          { value: 'true', words: 'yes' },
        ]}
        onCommit={(value) => change({ filtered: value === 'true' })}
      />
    </div>
  );
}
