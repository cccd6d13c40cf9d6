import { useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { newResult } from '@/core/trade/testing/newResult';
import { type Proof, type ProofState, proofs } from '@/core/trade/testing/proof';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { secondHere } from '../kit/nowHere';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useAnnounce } from '../kit/useAnnounce';
import { useDropFile } from '../kit/useDropFile';
import { newRowId, useRows } from '../kit/useRows';
import { Scroll, StateMark } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { ImportResultsSheet } from './ImportResultsSheet';
import { TesterFields } from './TesterFields';

const SHOW = ['all', 'not tested', 'failed', 'incomplete', 'not judged', 'passed', 'accepted'] as const;

const fits = ({ run }: Proof, words: string): boolean => {
  const text = [run.label, run.floor, run.room, run.outlet, run.device].join(' ').toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
};

/** Many results at a desk: filter, choose, pass or fail all that are chosen; or a tester's file. */
export function ManyView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const announce = useAnnounce();
  const [testerId, setTesterId] = useState<string | null>(null);
  const [show, setShow] = useState<(typeof SHOW)[number]>('all');
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [given, setGiven] = useState<{ name: string; bytes: Uint8Array } | null>(null);
  const tester = job.testers[testerId ?? ''] ?? Object.values(job.testers)[0] ?? null;
  const all = useMemo(() => proofs(job), [job]);
  const shown = all.filter((one) => (show === 'all' || one.state === (show as ProofState)) && fits(one, words.trim()));
  const picked = shown.filter(({ run }) => chosen.has(run.id));
  const take = async (file: File) => setGiven({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
  const { over, handlers } = useDropFile((file) => void take(file));
  const log = (passed: boolean) => {
    const rows = picked.map(({ run }, at) => ({
      table: 'results' as const,
      record: newResult(
        job,
        tester,
        { id: newRowId('result'), runId: run.id, passed, at: secondHere(), by: actorHere().name },
        { at },
      ),
    }));
    if (!keep(...rows)) return;
    announce(`${counted(rows.length, 'run')} ${passed ? 'passed' : 'failed'}.`);
    setChosen(new Set());
  };
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <Scroll label="Many at once">
      <div {...handlers} className={`grid gap-3 ${over ? 'outline-2 outline-act' : ''}`}>
        <div className="grid grid-cols-1 items-start gap-3 sm:grid-cols-3">
          <label className="grid gap-1 text-[13px]">
            <b>A tester’s file: any CSV, or drop it here</b>
            <input
              type="file"
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              className={inputLook}
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file) void take(file);
              }}
            />
          </label>
          <TesterFields tester={tester} onChoose={setTesterId} />
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <CommitSelect
            label="Show"
            className="w-44"
            value={show}
            options={SHOW.map((value) => ({ value, words: value }))}
            onCommit={(value) => setShow(value as typeof show)}
          />
          <label className="grid min-w-40 flex-1 text-[13px]">
            With these words
            <input
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className={inputLook}
              placeholder="room, label, device"
            />
          </label>
          <TakeawayLink of="tests.csv" />
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => setChosen(new Set(shown.map(({ run }) => run.id)))}>Choose all {shown.length}</Button>
          <Button disabled={chosen.size === 0} onClick={() => setChosen(new Set())}>
            None
          </Button>
          <Button look="main" disabled={picked.length === 0} onClick={() => log(true)}>
            {picked.length} passed
          </Button>
          <Button disabled={picked.length === 0} onClick={() => log(false)}>
            {picked.length} failed
          </Button>
          <span className="text-[13px] text-soft">
            {tester
              ? `With ${tester.name}, now, by ${actorHere().name || 'somebody without a name'}.`
              : 'By a tester that is not on the list: continuity only.'}
          </span>
        </div>
        <ul className="text-[13px]">
          {shown.map(({ run, state, words: why }) => (
            <li key={run.id} className="border-b">
              <label className="flex min-h-8 items-baseline gap-2 py-0.5">
                <input
                  type="checkbox"
                  checked={chosen.has(run.id)}
                  onChange={() => toggle(run.id)}
                  className="size-4 translate-y-0.5 accent-act"
                />
                <b className="font-mono">{run.label}</b>
                <span className="min-w-0 flex-1">
                  {[run.floor, run.room, run.outlet].filter(Boolean).join(', ')}
                  <span className="text-soft"> · {why}</span>
                </span>
                <StateMark state={state} />
              </label>
            </li>
          ))}
        </ul>
        {shown.length === 0 && <p className="text-[13px] text-soft">None.</p>}
      </div>
      {given && <ImportResultsSheet given={given} tester={tester} onClose={() => setGiven(null)} />}
    </Scroll>
  );
}
