import { percent } from '@/core/base/units/percent';
import { type FaultPart, PART_WORDS, SYMPTOM_WORDS, type Symptom } from '@/core/job/records/mend';
import { type Finds, oddsOf } from '@/core/trade/testing/odds';
import { Button } from '../kit/Button';
import { NumberField } from '../kit/NumberField';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

/** The odds that Trouble goes by: the rule of thumb, what it was changed to, and what was found. */
export function OddsTable({ symptom, finds }: { symptom: Symptom; finds: Finds }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const odds = oddsOf(job, symptom, finds);
  const changed = Object.values(job.partOdds).filter((one) => one.symptom === symptom);
  const set = (part: FaultPart, weight: number): boolean => {
    const there = changed.find((one) => one.part === part);
    return keep({ table: 'partOdds', record: { id: there?.id ?? newRowId('odds'), symptom, part, weight } });
  };
  const found = odds.reduce((sum, one) => sum + one.found, 0);
  return (
    <details className="text-[13px]">
      <summary className="min-h-8 cursor-pointer py-1">
        <b>Where the odds are from</b>{' '}
        <span className="text-soft">
          {changed.length > 0 ? 'changed for this job' : 'rule of thumb, no source: cord and device before the wall'}
          {found > 0 && `, and ${found} found here and in your other jobs`}
        </span>
      </summary>
      <table className="max-w-2xl">
        <caption className="py-1 text-left text-soft">
          {SYMPTOM_WORDS[symptom]}. Shares of a hundred can be changed; twenty finds of your own weigh as much as the
          rule.
        </caption>
        <thead>
          <tr className="text-left">
            <th className="pr-4">Part</th>
            <th className="pr-4">Rule</th>
            <th className="pr-4 text-right">Found</th>
            <th className="text-right">Odds now</th>
          </tr>
        </thead>
        <tbody>
          {odds.map(({ part, rule, share, found: times }) => (
            <tr key={part} className="border-t">
              <td className="pr-4">{PART_WORDS[part]}</td>
              <td className="w-24 pr-4">
                <NumberField
                  label={`Odds of ${PART_WORDS[part]}`}
                  hideLabel
                  value={Math.round(rule * 1000) / 10}
                  onCommit={(weight) => set(part, weight)}
                />
              </td>
              <td className="pr-4 text-right font-mono">{times}</td>
              <td className="text-right font-mono">{percent(share, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {changed.length > 0 && (
        <Button className="mt-1" onClick={() => drop('partOdds', ...changed.map(({ id }) => id))}>
          Back to the rule of thumb
        </Button>
      )}
    </details>
  );
}
