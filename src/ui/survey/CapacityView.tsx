'use client';

import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { percent } from '@/core/base/units/percent';
import { answerCommand, figureOf } from '@/core/trade/survey/answers/answers';
import { type Capacity, capacities } from '@/core/trade/survey/capacity';
import { Why } from '../handbook/Why';
import { CommitField, committing } from '../kit/CommitField';
import { useSession } from '../session/session';
import { CapacityChart } from './CapacityChart';

const show = (value: number) => String(Math.round(value * 10) / 10);
const STATES: Record<Capacity['state'], { mark: string; look: string }> = {
  enough: { mark: '○', look: 'text-good' },
  'nearly full': { mark: '◐', look: 'font-bold text-bite' },
  'too little': { mark: '●', look: 'font-bold text-wont' },
  'not judged': { mark: '?', look: 'font-bold text-bite' },
};

function runsOut({ has, used, reserved, fullInYears }: Capacity): string {
  if (used + reserved > has + 1e-9) return 'now';
  return fullInYears === null ? 'not in 30 years' : `in ${counted(fullInYears, 'year')}`;
}

/** What can run out: used, reserved, grown, and what there is; as a chart and as a table. */
export function CapacityView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const rows = capacities(job);
  const years = figureOf(job, 'growth-years');
  const take = (id: 'growth-percent' | 'growth-years') =>
    committing((text) => dispatch([answerCommand(job, id, text)]));
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-end gap-3">
        <CommitField
          label="Growth in a year"
          unit="%"
          inputMode="decimal"
          className="w-36"
          value={String(figureOf(job, 'growth-percent'))}
          onCommit={take('growth-percent')}
        />
        <CommitField
          label="Years to look ahead"
          inputMode="decimal"
          className="w-36"
          value={String(years)}
          onCommit={take('growth-years')}
        />
        <p className="max-w-[56ch] flex-1 text-soft">
          Need grows by that share each year and is warned of at 80 % of what there is: a rule of thumb. Reserved is
          what later wishes and the pile will take.
        </p>
      </div>
      <CapacityChart rows={rows} years={years} />
      <table className="w-full text-[13px]">
        <thead>
          <tr className="border-strong border-b text-left">
            <th className="py-1">What can run out</th>
            {['There is', 'Used', 'Reserved', 'Free', `In ${counted(years, 'year')}`, 'Filled then'].map((words) => (
              <th key={words} className="px-2 text-right">
                {words}
              </th>
            ))}
            <th className="px-2">Runs out</th>
            <th className="px-2">State then</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id} className="border-b">
              <th scope="row" className="py-0.5 text-left font-semibold">
                {row.name} <span className="font-normal text-soft">({row.unit})</span>
                {row.unknown > 0 && (
                  <span className="narrow block font-normal text-bite text-xs">
                    at least: {counted(row.unknown, 'device')} without a figure
                  </span>
                )}
                {row.unsaid && (
                  <span className="narrow block font-normal text-bite text-xs">
                    not answered at Questions: reckoned with a default
                  </span>
                )}
                {row.source.mark !== 'common practice' && (
                  <span className="narrow block font-normal text-soft text-xs">{citeFor(row.source, job.rules)}</span>
                )}
              </th>
              {(['has', 'used', 'reserved', 'free', 'grown'] as const).map((field) => (
                <td
                  key={field}
                  className={`px-2 text-right font-mono text-xs ${row[field] < 0 ? 'font-bold text-wont' : ''}`}
                >
                  {show(row[field])}
                  {field === 'grown' && (
                    <Why of={`${row.name} in ${counted(years, 'year')}`} reckoning={row.reckoning} />
                  )}
                </td>
              ))}
              <td className="px-2 text-right font-mono text-xs">
                {Number.isFinite(row.share) ? percent(row.share) : 'none there'}
              </td>
              <td className="px-2">{runsOut(row)}</td>
              <td className={`whitespace-nowrap px-2 ${STATES[row.state].look}`}>
                <span aria-hidden>{STATES[row.state].mark}</span> {row.state}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
