import { useMemo } from 'react';
import { formatMinutes } from '@/core/base/units/minutes';
import { costOf, minorWords } from '@/core/exchange/handover/cost';
import { kitItems } from '@/core/job/records/kitItem';
import { AnswerField } from '../kit/AnswerField';
import { NumberField } from '../kit/NumberField';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';

/** Parts and hours, as planned and as they came to. */
export function CostView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const { lines, plannedMinor, realMinor, unknown, plannedMin, realMin } = useMemo(() => costOf(job), [job]);
  const itemOf = (what: string) => Object.values(job.kitItems).find(({ item }) => item === what);
  const set = (what: string, changes: { priceMinor?: number | null; paidMinor?: number | null }) => {
    const there = itemOf(what) ?? kitItems.make({ id: newRowId('kit'), item: what });
    return keep({ table: 'kitItems', record: { ...there, ...changes } });
  };
  const inMoney = (minor: number | null) => (minor === null ? null : minor / 100);
  const inMinor = (money: number | null) => (money === null ? null : Math.round(money * 100));
  return (
    <Scroll label="Cost">
      <Figures>
        <Figure name={unknown > 0 ? 'Planned, at least' : 'Planned'}>{minorWords(job, plannedMinor)}</Figure>
        <Figure name="Work planned">{formatMinutes(plannedMin)}</Figure>
        <Figure name="Taken down so far">{minorWords(job, realMinor)}</Figure>
        <Figure name="Work taken down">{formatMinutes(realMin)}</Figure>
        {unknown > 0 && <Figure name="Prices not known">{unknown}</Figure>}
      </Figures>
      <div className="flex flex-wrap items-end gap-3">
        <AnswerField id="cost-hour" />
        <AnswerField id="currency" />
        <TakeawayLink of="cost.csv" />
        <TakeawayLink of="cost.pdf" />
      </div>
      <p className="text-[13px] text-soft">
        Without tax. It is in the pack only where it is chosen. Minutes are rules of thumb, those taken down at the
        steps of Build are real.
      </p>
      <Heading>Parts and hours</Heading>
      <div className="overflow-x-auto">
        <table className="min-w-140 max-w-4xl text-[13px]">
          <thead>
            <tr className="text-left">
              <th className="pr-4">What</th>
              <th className="pr-4 text-right">How much</th>
              <th className="pr-4 text-right">Planned</th>
              <th className="pr-4">A pack costs</th>
              <th>Paid for all</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ kind, what, count, unit, plannedMinor: planned, realMinor: real }) => (
              <tr key={`${kind} ${what}`} className="border-t">
                <td className="pr-4">{what}</td>
                <td className="whitespace-nowrap pr-4 text-right font-mono">
                  {kind === 'hours' ? formatMinutes(count) : `${Number(count.toFixed(1))}${unit ? ` ${unit}` : ''}`}
                </td>
                <td className={`pr-4 text-right font-mono ${planned === null ? 'text-bite' : ''}`}>
                  {minorWords(job, planned)}
                </td>
                {kind === 'part' ? (
                  <>
                    <td className="w-28 pr-4">
                      <NumberField
                        label={`Price of a pack of ${what}`}
                        hideLabel
                        empty
                        value={inMoney(itemOf(what)?.priceMinor ?? null)}
                        onCommit={(money) => set(what, { priceMinor: inMinor(money) })}
                      />
                    </td>
                    <td className="w-28">
                      <NumberField
                        label={`Paid for ${what}`}
                        hideLabel
                        empty
                        value={inMoney(real)}
                        onCommit={(money) => set(what, { paidMinor: inMinor(money) })}
                      />
                    </td>
                  </>
                ) : (
                  <>
                    <td />
                    <td className="font-mono">{real === null ? '' : minorWords(job, real)}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {lines.length === 0 && <p>There is nothing yet that costs.</p>}
    </Scroll>
  );
}
