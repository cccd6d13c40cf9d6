import { useCallback, useEffect, useState } from 'react';
import type { z } from 'zod';
import { VersionsAnswer } from '@/core/exchange/wire/wire';
import { actorWords } from '@/core/job/document/step';
import { Comparison } from '../drawing/Comparison';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { formatMoment } from '../kit/dates';
import { Field, Input } from '../kit/Field';
import { goInJob } from '../kit/jobPath';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { askServer } from '../session/wireClient';

type Versions = z.infer<typeof VersionsAnswer>;

/** Versions with a name: make one, open one, compare two. */
export function VersionsList({ onClose }: { onClose: () => void }) {
  const jobId = useSession((session) => session.job.id);
  const rules = useSession((session) => session.job.rules);
  const here = useSession((session) => session.confirmed.point.revision);
  const waiting = useSession((session) => session.pending.length);
  const [known, setKnown] = useState<Versions | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [note, setNote] = useState('');
  const [pair, setPair] = useState<[string, string]>(['0', 'now']);
  const [compared, setCompared] = useState<[number, number] | null>(null);
  const url = `/api/jobs/${jobId}/versions`;

  const take = useCallback(async (asked: Promise<Versions>) => {
    try {
      setKnown(await asked);
      setFault(null);
      return true;
    } catch (wrong) {
      setFault((wrong as Error).message);
      return false;
    }
  }, []);
  useEffect(() => {
    void take(askServer(url, VersionsAnswer));
  }, [take, url]);

  const keep = async () => {
    const body = { id: crypto.randomUUID(), revision: here, name, note, actor: actorHere() };
    if (await take(askServer(url, VersionsAnswer, { method: 'POST', body }))) {
      setName('');
      setNote('');
    }
  };
  const today = known?.revision ?? here;
  const options = [
    { value: 'now', words: 'as it is now' },
    ...(known?.versions ?? []).map((one) => ({
      value: String(one.revision),
      words: `${one.name} (step ${one.revision})`,
    })),
    { value: '0', words: 'the beginning' },
  ];
  const revisionOf = (value: string) => (value === 'now' ? today : Number(value));
  const open = (revision: number) => {
    goInJob(`/jobs/${jobId}/at/${revision}/runs`);
    onClose();
  };
  return (
    <>
      <form
        className="grid items-start gap-3 sm:grid-cols-[1fr_1.4fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field label="Name for how it is now" help="As tendered, before the move, as built …">
          {(ids) => <Input {...ids} value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />}
        </Field>
        <Field label="Note">
          {(ids) => <Input {...ids} value={note} maxLength={500} onChange={(event) => setNote(event.target.value)} />}
        </Field>
        <Button look="main" type="submit" className="sm:mt-6" disabled={name.trim() === '' || waiting > 0}>
          Keep this version
        </Button>
      </form>
      {waiting > 0 && <p className="text-soft text-xs">What waits to be saved has to arrive first.</p>}
      {fault && <p className="font-semibold text-wont">{fault}</p>}
      <ul className="mt-3">
        {known?.versions.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-3 border-b py-1.5">
            <span className="min-w-0 flex-1 break-words">
              <span className="font-semibold">{one.name}</span>
              {one.note && <span className="text-soft"> · {one.note}</span>}
            </span>
            <span className="text-soft text-xs">
              step {one.revision}, {actorWords(one.actor)}, {formatMoment(one.at, rules)}
            </span>
            <Button onClick={() => open(one.revision)}>Open</Button>
            <Button
              look="quiet"
              onClick={() => void take(askServer(`${url}/${one.id}`, VersionsAnswer, { method: 'DELETE' }))}
              aria-label={`Take the name ${one.name} off`}
              title="The name goes, the step itself stays"
            >
              Take the name off
            </Button>
          </li>
        ))}
        {known?.versions.length === 0 && (
          <li className="py-2 text-soft">
            No version has a name yet. Any step can be looked at all the same, under What was done.
          </li>
        )}
      </ul>
      <section aria-label="Compare" className="mt-5">
        <h3 className="wide mb-2 border-strong border-b font-bold">Compare</h3>
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
          <CommitSelect label="From" value={pair[0]} options={options} onCommit={(from) => setPair([from, pair[1]])} />
          <CommitSelect label="To" value={pair[1]} options={options} onCommit={(to) => setPair([pair[0], to])} />
          <Button onClick={() => setCompared([revisionOf(pair[0]), revisionOf(pair[1])])}>Compare them</Button>
        </div>
        {compared && <Comparison key={compared.join()} jobId={jobId} from={compared[0]} to={compared[1]} />}
      </section>
    </>
  );
}
