import { useCallback, useEffect, useState } from 'react';
import { ChangeLog } from '@/core/exchange/wire/handover';
import { FileLink } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { formatMoment } from '../kit/dates';
import { inputLook } from '../kit/Field';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { askServer } from '../session/wireClient';

const MOST_SHOWN = 300;

/** Who did what, when and why; a reason can be said later. */
export function ChangeLogView() {
  const job = useSession((session) => session.job);
  const point = useSession((session) => session.confirmed.point.revision);
  const [log, setLog] = useState<ChangeLog | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [words, setWords] = useState('');
  const [who, setWho] = useState('anybody');
  const [only, setOnly] = useState<'all' | 'with' | 'without'>('all');
  const url = `/api/jobs/${job.id}/log`;
  const take = useCallback(async (asked: Promise<ChangeLog>): Promise<boolean> => {
    try {
      setLog(await asked);
      setFault(null);
      return true;
    } catch (wrong) {
      setFault(wrong instanceof Error ? wrong.message : 'It could not be read.');
      return false;
    }
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read anew with every step that was confirmed
  useEffect(() => {
    void take(askServer(url, ChangeLog));
  }, [take, url, point]);
  const people = [...new Set((log ?? []).map((one) => one.who))].sort();
  const shown = (log ?? []).filter(
    (one) =>
      (who === 'anybody' || one.who === who) &&
      (only === 'all' || (only === 'with') === (one.why !== '')) &&
      `${one.what} ${one.why}`.toLowerCase().includes(words.toLowerCase()),
  );
  const say = (revision: number, reason: string): string | null => {
    void take(askServer(url, ChangeLog, { method: 'POST', body: { revision, reason: reason.trim() } }));
    return null;
  };
  return (
    <Scroll label="Change log">
      {fault && (
        <p role="alert" className="font-semibold text-wont">
          {fault}
        </p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid min-w-40 flex-1 font-semibold text-[13px]">
          With these words
          <input value={words} onChange={(event) => setWords(event.target.value)} className={inputLook} />
        </label>
        <CommitSelect
          label="By"
          className="w-44"
          value={who}
          options={[
            { value: 'anybody', words: 'anybody' },
            ...people.map((value) => ({ value, words: value || 'somebody without a name' })),
          ]}
          onCommit={setWho}
        />
        <CommitSelect
          label="Reasons"
          className="w-44"
          value={only}
          options={[
            { value: 'all', words: 'with or without' },
            { value: 'with', words: 'with a reason' },
            { value: 'without', words: 'without one' },
          ]}
          onCommit={(value) => setOnly(value as typeof only)}
        />
        <FileLink href={`${url}?as=csv`}>Change log, CSV</FileLink>
      </div>
      <Heading>{log === null ? 'Reading …' : `${shown.length} of ${log.length} steps`}</Heading>
      <ol className="text-[13px]">
        {shown.slice(0, MOST_SHOWN).map(({ revision, at, who: by, what, why }) => (
          <li key={revision} className="grid items-center gap-x-3 border-b py-1 sm:grid-cols-[9rem_8rem_1fr_18rem]">
            <span className="text-soft">{formatMoment(at, job.rules)}</span>
            <span>{by || 'somebody'}</span>
            <b className="min-w-0">{what}</b>
            <CommitField
              label={`Why: ${what}`}
              hideLabel
              placeholder="why"
              maxLength={300}
              value={why}
              onCommit={(reason) => say(revision, reason)}
            />
          </li>
        ))}
      </ol>
      {shown.length > MOST_SHOWN && <p className="text-soft">and {shown.length - MOST_SHOWN} more: filter them.</p>}
      {log !== null && shown.length === 0 && <p>None.</p>}
    </Scroll>
  );
}
