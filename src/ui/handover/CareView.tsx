import { useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { commonPractice } from '@/core/base/standards/source';
import { addDays } from '@/core/base/text/days';
import { indexJob } from '@/core/job/document/jobIndex';
import { type CareItem, careItems } from '@/core/job/records/careItem';
import { careDates, USUAL_CARE_DATES } from '@/core/trade/build/care/careDates';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { NumberField } from '../kit/NumberField';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { todayHere } from '../session/today';

const A_YEAR = 366;

/** What is to be looked after: batteries, calibrations, and whatever else comes round, with what is due in a year. */
export function CareView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const today = todayHere();
  const dates = careDates(job, today);
  const overdue = dates.filter((one) => one.overdue);
  const soon = dates.filter(({ due, overdue: late }) => due !== null && !late && due <= addDays(today, A_YEAR));
  const later = dates.filter(({ due }) => due !== null && due > addDays(today, A_YEAR));
  const unknown = dates.filter(({ due }) => due === null);
  const missing = USUAL_CARE_DATES.filter(
    ({ usual }) => !Object.values(job.careItems).some((item) => item.usual === usual),
  );
  return (
    <Scroll label="Care">
      <Figures>
        <Figure name="Overdue">{overdue.length}</Figure>
        <Figure name="Due within a year">{soon.length}</Figure>
        <Figure name="Date not known">{unknown.length}</Figure>
      </Figures>
      <div>
        <TakeawayLink of="care.ics" />
      </div>
      <Dates title="Overdue" rows={overdue} look="text-wont" />
      <Dates title="Within a year" rows={soon} />
      <Dates title="Later" rows={later} />
      <Dates title="Date not known: say when it was done last" rows={unknown} look="text-bite" />
      {dates.length === 0 && <p>Nothing is to be looked after yet.</p>}
      <section aria-label="What comes round">
        <Heading
          aside={
            <Button
              onClick={() =>
                keep({ table: 'careItems', record: careItems.make({ id: newRowId('care'), what: 'New date' }) })
              }
            >
              Add a date
            </Button>
          }
        >
          What comes round
        </Heading>
        <ul>
          {Object.values(job.careItems).map((item) => (
            <ItemRow key={item.id} item={item} />
          ))}
        </ul>
        {missing.length > 0 && (
          <div className="pt-2 text-[13px]">
            <p className="text-soft">Usual, to be added where it applies ({citeFor(commonPractice, job.rules)}):</p>
            <div className="flex flex-wrap gap-2 pt-1">
              {missing.map(({ usual, what, everyMonths }) => (
                <Button
                  key={usual}
                  onClick={() =>
                    keep({
                      table: 'careItems',
                      record: careItems.make({ id: newRowId('care'), usual, what, everyMonths }),
                    })
                  }
                >
                  {what}, every {everyMonths} months
                </Button>
              ))}
            </div>
          </div>
        )}
      </section>
    </Scroll>
  );
}

function Dates({ title, rows, look = '' }: { title: string; rows: ReturnType<typeof careDates>; look?: string }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <Heading>{title}</Heading>
      <ul className="text-[13px]">
        {rows.map(({ id, what, due, why, source, kind }) => {
          const item = job.careItems[id];
          return (
            <li key={id} className="flex flex-wrap items-baseline gap-x-3 border-b py-1">
              <b className={`w-24 font-mono ${look}`}>{due ?? 'not known'}</b>
              <span className="min-w-0 flex-1">
                <b>{what}</b> <span className="text-soft">{why}</span>
                {source && <span className="narrow text-soft text-xs"> {citeFor(source, job.rules)}</span>}
              </span>
              {kind === 'item' && item && (
                <Button
                  onClick={() => keep({ table: 'careItems', record: { ...item, lastOn: todayHere(), dueOn: null } })}
                >
                  Done today
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function ItemRow({ item }: { item: CareItem }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const change = (changes: Partial<CareItem>): boolean => keep({ table: 'careItems', record: { ...item, ...changes } });
  const [day, setDay] = useState<string | null>(null);
  return (
    <li className="grid items-end gap-2 border-b py-2 sm:grid-cols-[2fr_1fr_0.7fr_1fr_1fr_auto]">
      <CommitField
        label="What"
        value={item.what}
        onCommit={(what) => (change({ what: what.trim() }) ? null : 'It could not be taken.')}
      />
      <CommitSelect
        label="Of"
        value={item.gearId ?? ''}
        options={[
          { value: '', words: 'the whole' },
          ...indexJob(job).gearInOrder.map(({ id, name }) => ({ value: id, words: name })),
        ]}
        onCommit={(id) => change({ gearId: id || null })}
      />
      <NumberField
        label="Every (months)"
        empty
        value={item.everyMonths}
        onCommit={(everyMonths) => change({ everyMonths: everyMonths === null ? null : Math.round(everyMonths) })}
      />
      {(
        [
          ['lastOn', 'Last done on'],
          ['dueOn', 'Or due once on'],
        ] as const
      ).map(([field, label]) => (
        <label key={field} className="grid font-semibold text-[13px]">
          {label}
          <input
            type="date"
            className={inputLook}
            value={day !== null && field === 'lastOn' ? day : (item[field] ?? '')}
            onChange={(event) => {
              setDay(null);
              change({ [field]: event.target.value === '' ? null : event.target.value });
            }}
          />
        </label>
      ))}
      <Button look="quiet" onClick={() => drop('careItems', item.id)}>
        Take out
      </Button>
    </li>
  );
}
