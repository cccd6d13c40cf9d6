import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { z } from 'zod';
import { VersionsAnswer } from '@/core/exchange/wire/wire';
import { indexJob } from '@/core/job/document/jobIndex';
import { CUTOVER_SCHOOLS, type Cutover } from '@/core/job/records/cutover';
import type { Gear } from '@/core/job/records/gear';
import { SERVICE_DAYS, type UpHours, upHours } from '@/core/job/records/upHours';
import { type Visit, visits } from '@/core/job/records/visit';
import { cutoverOf } from '@/core/trade/build/buildPlan';
import { idFor } from '@/core/trade/build/tickId';
import { servicesOf } from '@/core/trade/power/dependencies/services';
import { serviceWeight } from '@/core/trade/power/dependencies/singlePoints';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { NumberField } from '../kit/NumberField';
import { newRowId, useRows } from '../kit/useRows';
import { Heading, Scroll } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession, useSessionStore } from '../session/session';
import { todayHere } from '../session/today';
import { askServer } from '../session/wireClient';

const NOT_TAKEN = 'It could not be taken.';
/** From which version of the job, by how many, in which windows, and when services must be up. */
export function TermsView() {
  return (
    <Scroll label="From what, when">
      <FromWhat />
      <Visits />
      <Services />
    </Scroll>
  );
}

function FromWhat() {
  const job = useSession((session) => session.job);
  const session = useSessionStore();
  const revision = useSession(({ confirmed }) => confirmed.point.revision);
  const waiting = useSession(({ pending }) => pending.length);
  const { keep } = useRows();
  const cutover = cutoverOf(job);
  const change = (changes: Partial<Cutover>): boolean =>
    keep({ table: 'cutovers', record: { ...cutover, ...changes } });
  const [known, setKnown] = useState<z.infer<typeof VersionsAnswer> | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const url = `/api/jobs/${job.id}/versions`;
  useEffect(() => {
    askServer(url, VersionsAnswer).then(setKnown, (wrong: Error) => setFault(wrong.message));
  }, [url]);
  const nameToday = async () => {
    const body = {
      id: crypto.randomUUID(),
      revision,
      name: 'Today',
      note: 'What stands before the build',
      actor: actorHere(),
    };
    try {
      setKnown(await askServer(url, VersionsAnswer, { method: 'POST', body }));
      setFault(null);
      const { job: latest } = session.getState();
      keep({ table: 'cutovers', record: { ...cutoverOf(latest), todayRevision: revision, todayName: 'Today' } });
    } catch (wrong) {
      setFault((wrong as Error).message);
    }
  };
  const versions = known?.versions ?? [];
  const listed = versions.some((one) => one.revision === cutover.todayRevision);
  const number = (
    label: string,
    of: 'parkLimit' | 'learning' | 'breakEveryMin' | 'breakMin' | 'verifyMin' | 'sparePercent',
    unit: string,
    help: string,
  ) => (
    <NumberField
      label={label}
      unit={unit}
      help={help}
      value={cutover[of]}
      onCommit={(value) => change({ [of]: value })}
    />
  );
  return (
    <section aria-label="From what" className="grid gap-2">
      <Heading>From what</Heading>
      {fault && (
        <p role="alert" className="font-semibold text-wont">
          {fault}
        </p>
      )}
      <div className="grid grid-cols-1 items-start gap-3 sm:grid-cols-2 xl:grid-cols-4">
        <CommitSelect
          label="What stands today"
          help="A named version of this job. What differs from it becomes steps."
          value={cutover.todayRevision === null ? 'none' : String(cutover.todayRevision)}
          options={[
            { value: 'none', words: 'nothing: a new site' },
            ...(cutover.todayRevision !== null && !listed
              ? [
                  {
                    value: String(cutover.todayRevision),
                    words: `${cutover.todayName || 'a version'} (step ${cutover.todayRevision})`,
                  },
                ]
              : []),
            ...versions.map((one) => ({ value: String(one.revision), words: `${one.name} (step ${one.revision})` })),
          ]}
          onCommit={(value) => {
            const chosen = versions.find((one) => String(one.revision) === value);
            change({ todayRevision: value === 'none' ? null : Number(value), todayName: chosen?.name ?? '' });
          }}
        />
        <div className="grid content-start gap-0.5">
          <span className="font-semibold text-[13px] leading-tight">Or</span>
          <Button onClick={() => void nameToday()} disabled={waiting > 0}>
            What this job shows now stands today
          </Button>
          <span className="narrow text-soft text-xs">Then change the job to what it is to be.</span>
        </div>
        <CommitSelect
          label="People at the cabinet"
          value={String(cutover.hands)}
          options={[
            { value: '1', words: 'one' },
            { value: '2', words: 'two' },
          ]}
          onCommit={(value) => change({ hands: Number(value) })}
        />
        <CommitSelect
          label="School"
          help="In phases work may stop wherever all is up; all at once it is one night."
          value={cutover.school}
          options={CUTOVER_SCHOOLS.map((value) => ({ value, words: value === 'phases' ? 'in phases' : 'all at once' }))}
          onCommit={(value) => change({ school: value as Cutover['school'] })}
        />
        {number('May stand out at once', 'parkLimit', 'devices', 'Where there is room to set gear down.')}
        {number('Learning', 'learning', '0.7 to 1', 'Each doubling of like work takes this share of the time.')}
        {number('A break every', 'breakEveryMin', 'min', 'of work')}
        {number('A break takes', 'breakMin', 'min', '')}
        {number('To verify at the end', 'verifyMin', 'min', 'Before leaving, all is seen to be up.')}
        {number('Spare small parts', 'sparePercent', '%', '')}
        <CommitSelect
          label="Electrician"
          value={cutover.electrician ? 'yes' : 'no'}
          options={[
            { value: 'no', words: 'not engaged' },
            { value: 'yes', words: 'engaged' },
          ]}
          onCommit={(value) => change({ electrician: value === 'yes' })}
        />
      </div>
    </section>
  );
}

function Visits() {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const list = Object.values(job.visits).sort((a, b) => a.on.localeCompare(b.on) || a.from.localeCompare(b.from));
  const add = () => {
    let at = list.length + 1;
    while (list.some(({ name }) => name === `Visit ${at}`)) at += 1;
    keep({
      table: 'visits',
      record: visits.make({ id: newRowId('visit'), name: `Visit ${at}`, on: list.at(-1)?.on ?? todayHere() }),
    });
  };
  return (
    <section aria-label="Visits" className="grid gap-2">
      <Heading aside={<Button onClick={add}>Add a visit</Button>}>When work may be done</Heading>
      {list.length === 0 && (
        <p className="text-[13px] text-soft">
          No visit yet. Say when work may be done: each is then filled with what fits, and ends where all is up.
        </p>
      )}
      {list.map((visit) => {
        const change = (changes: Partial<Visit>): boolean =>
          keep({ table: 'visits', record: { ...visit, ...changes } });
        return (
          <fieldset
            key={visit.id}
            className="grid grid-cols-2 items-start gap-2 border-b pb-2 sm:grid-cols-4 xl:grid-cols-[1.4fr_1fr_0.8fr_0.8fr_0.7fr_1fr_1.6fr_auto]"
          >
            <legend className="sr-only">{visit.name}</legend>
            <CommitField
              label="Name"
              value={visit.name}
              onCommit={(name) => (change({ name: name.trim() }) ? null : NOT_TAKEN)}
            />
            <CommitField
              label="Day"
              type="date"
              value={visit.on}
              onCommit={(on) => (change({ on }) ? null : 'Expected a day.')}
            />
            <CommitField
              label="From"
              type="time"
              value={visit.from}
              onCommit={(from) => (change({ from: from.slice(0, 5) }) ? null : 'Expected an hour.')}
            />
            <NumberField label="Lasts" unit="min" value={visit.minutes} onCommit={(minutes) => change({ minutes })} />
            <NumberField label="People" value={visit.people} onCommit={(people) => change({ people })} />
            <CommitSelect
              label="Electrician"
              value={visit.electrician ? 'yes' : 'no'}
              options={[
                { value: 'no', words: 'not there' },
                { value: 'yes', words: 'there' },
              ]}
              onCommit={(value) => change({ electrician: value === 'yes' })}
            />
            <CommitField
              label="Note"
              value={visit.notes}
              onCommit={(notes) => (change({ notes: notes.trim() }) ? null : NOT_TAKEN)}
            />
            <Button
              look="quiet"
              className="mt-4 px-1 text-soft"
              aria-label={`Remove ${visit.name}`}
              onClick={() => drop('visits', visit.id)}
            >
              <Trash2 size={15} aria-hidden />
            </Button>
          </fieldset>
        );
      })}
    </section>
  );
}

function Services() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const services = servicesOf(indexJob(job));
  const names = services.map(({ name }) => name);
  const rows = Object.values(job.upHours);
  return (
    <section aria-label="Services" className="grid gap-2">
      <Heading>When services must be up</Heading>
      {names.length === 0 && (
        <p className="text-[13px] text-soft">No service is known yet: they come from what hangs on the runs.</p>
      )}
      {names.map((service) => {
        const record =
          rows.find((row) => row.service === service) ?? upHours.make({ id: idFor('up', service), service });
        const change = (changes: Partial<UpHours>): boolean =>
          keep({ table: 'upHours', record: { ...record, ...changes } });
        // Both ends at once: one alone says nothing.
        const hours = (changes: Partial<Pick<UpHours, 'from' | 'to'>>) => {
          const next = { from: record.from, to: record.to, ...changes };
          if ((next.from ?? '') === '' && (next.to ?? '') === '') return change({ from: null, to: null });
          return change({ from: next.from || '00:00', to: next.to || '23:59' });
        };
        return (
          <fieldset
            key={service}
            className="grid grid-cols-2 items-start gap-2 border-b pb-2 sm:grid-cols-3 xl:grid-cols-[1.4fr_0.8fr_0.8fr_1.2fr_1fr_1fr]"
          >
            <legend className="sr-only">{service}</legend>
            <b className="self-center">{service}</b>
            <CommitField
              label="Must be up from"
              type="time"
              value={record.from ?? ''}
              onCommit={(from) => (hours({ from: from.slice(0, 5) || null }) ? null : NOT_TAKEN)}
            />
            <CommitField
              label="to"
              type="time"
              value={record.to ?? ''}
              onCommit={(to) => (hours({ to: to.slice(0, 5) || null }) ? null : NOT_TAKEN)}
            />
            <CommitSelect
              label="On"
              value={record.days}
              options={SERVICE_DAYS.map((value) => ({
                value,
                words: value === 'every' ? 'every day' : 'Monday to Friday',
              }))}
              onCommit={(days) => change({ days: days as UpHours['days'] })}
            />
            <NumberField
              label="Down at most"
              unit="min"
              empty
              value={record.mostMin}
              onCommit={(mostMin) => change({ mostMin })}
            />
            <NumberField
              label="Weight"
              empty
              placeholder={String(serviceWeight(service))}
              value={record.weight}
              onCommit={(weight) => change({ weight })}
            />
            <Needs
              service={service}
              derived={services.find(({ name }) => name === service)?.needs.flat() ?? []}
              record={record}
              onChange={change}
            />
          </fieldset>
        );
      })}
    </section>
  );
}

/** What a service goes over: the devices that were derived, what it needs beside, and what it does not need. */
function Needs({
  service,
  derived,
  record,
  onChange,
}: {
  service: string;
  derived: readonly Gear[];
  record: UpHours;
  onChange: (changes: Partial<UpHours>) => boolean;
}) {
  const job = useSession((session) => session.job);
  const all = indexJob(job).gearInOrder;
  const own = [...new Map(derived.map((gear) => [gear.id, gear])).values()];
  const beside = record.alsoNeeds.flatMap((id) => job.gear[id] ?? []);
  const free = all.filter(({ id }) => !own.some((one) => one.id === id) && !record.alsoNeeds.includes(id));
  return (
    <div className="col-span-full flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
      <span className="text-soft">It needs</span>
      {own.length === 0 && beside.length === 0 && <span>nothing beside its runs, their cords and switches</span>}
      {own.map(({ id, name }) => (
        <label key={id} className="flex min-h-6 items-center gap-1">
          <input
            type="checkbox"
            className="size-4 accent-act"
            checked={!record.without.includes(id)}
            onChange={(event) =>
              onChange({
                without: event.target.checked ? record.without.filter((one) => one !== id) : [...record.without, id],
              })
            }
          />
          {name}
        </label>
      ))}
      {beside.map(({ id, name }) => (
        <Button
          key={id}
          look="quiet"
          onClick={() => onChange({ alsoNeeds: record.alsoNeeds.filter((one) => one !== id) })}
        >
          {name}: take out
        </Button>
      ))}
      <CommitSelect
        label={`${service} needs as well`}
        hideLabel
        className="w-48"
        value=""
        options={[{ value: '', words: 'and as well …' }, ...free.map(({ id, name }) => ({ value: id, words: name }))]}
        onCommit={(id) => id !== '' && onChange({ alsoNeeds: [...record.alsoNeeds, id] })}
      />
    </div>
  );
}
