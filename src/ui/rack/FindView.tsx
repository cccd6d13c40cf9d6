import { Camera } from 'lucide-react';
import { useContext, useEffect, useRef, useState } from 'react';
import { find } from '@/core/trade/trace/find';
import { runOfScan } from '@/core/trade/trace/readScan';
import { readSpoken } from '@/core/trade/trace/spoken';
import { traceParts, traceRun } from '@/core/trade/trace/traceRun';
import { Button } from '../kit/Button';
import { CameraScan } from '../kit/CameraScan';
import { inputLook } from '../kit/Field';
import { Photographs } from '../kit/Photographs';
import { useSession } from '../session/session';
import { goTo } from './place';
import { Unlocked } from './unlocked';

const MOST_SHOWN = 12;

/** A label, a room, a port or a device, typed, said to the keyboard or scanned; and the whole way of its run, to be read from afar. */
export function FindView() {
  const job = useSession((session) => session.job);
  const selected = useSession((session) => session.selectedRunId);
  const select = useSession((session) => session.select);
  const [text, setText] = useState('');
  const [looking, setLooking] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  // A code on a label leads here: its run is shown at once.
  const began = useRef(false);
  useEffect(() => {
    if (began.current) return;
    began.current = true;
    const label = new URLSearchParams(window.location.search).get('trace');
    const run = label === null ? null : runOfScan(job, label);
    if (run) select(run.id);
  }, [job, select]);
  const query = readSpoken(text).trim();
  const found = query === '' ? [] : find(job, query).slice(0, MOST_SHOWN);
  const run = job.runs[selected ?? ''];
  const show = (id: string | undefined) => {
    select(id ?? null);
    setText('');
  };
  const scan = (code: string) => {
    const scanned = runOfScan(job, code);
    setLooking(false);
    setWrong(scanned ? null : `There is no run “${code.slice(0, 80)}” in this job.`);
    if (scanned) show(scanned.id);
  };
  return (
    <div className="grid gap-3">
      <div className="flex gap-2">
        <input
          value={text}
          onChange={(event) => setText(event.target.value)}
          autoComplete="off"
          autoCapitalize="none"
          spellCheck={false}
          enterKeyHint="search"
          aria-label="Label, room, port or device"
          placeholder="Type it, or say it"
          className={`${inputLook} min-h-14 min-w-0 flex-1 text-xl!`}
          onKeyDown={(event) => event.key === 'Enter' && found[0] && show(found[0].runIds[0])}
        />
        <Button
          big
          className="min-h-14!"
          aria-label="Scan the label with the camera"
          aria-pressed={looking}
          onClick={() => setLooking(!looking)}
        >
          <Camera size={26} aria-hidden />
        </Button>
      </div>
      {looking && <CameraScan onCode={scan} onClose={() => setLooking(false)} />}
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
      {query !== '' && found.length === 0 && <p role="status">Nothing in this job holds “{query}”.</p>}
      {found.length > 0 && (
        <ul aria-label="Found" className="grid gap-2">
          {found.map(({ key, words, detail, runIds, kind }) => (
            <li key={key}>
              <button
                type="button"
                disabled={runIds.length === 0}
                onClick={() => show(runIds[0])}
                className="flex min-h-14 w-full flex-col justify-center rounded-md border border-strong bg-sheet px-3 py-1 text-left hover:bg-well disabled:opacity-60"
              >
                <span className="break-words font-bold font-mono">{words}</span>
                <span className="break-words text-base text-soft">
                  {kind}: {detail}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {run && query === '' && <Way key={run.id} />}
    </div>
  );
}

/** The way of the selected run, one line each. */
function Way() {
  const unlocked = useContext(Unlocked);
  const job = useSession((session) => session.job);
  const run = useSession((session) => session.job.runs[session.selectedRunId ?? '']);
  if (!run) return null;
  return (
    <section aria-label="Trace" aria-live="polite" className="grid gap-3">
      <h2 className="wide break-words font-extrabold font-mono text-4xl">{run.label || 'no label'}</h2>
      <dl className="grid gap-2">
        {traceParts(job, traceRun(job, run)).map(({ kind, words, missing }) => (
          <div key={kind} className="border-b pb-1">
            <dt className="text-base text-soft">{kind}</dt>
            <dd className={`break-words ${missing ? 'text-soft italic' : 'font-bold text-xl'}`}>{words}</dd>
          </div>
        ))}
        {run.notes !== '' && (
          <div className="border-b pb-1">
            <dt className="text-base text-soft">Note</dt>
            <dd className="break-words">{run.notes}</dd>
          </div>
        )}
      </dl>
      <div className="grid grid-cols-2 gap-2">
        {(['test', 'note', 'photo', 'ends'] as const).map((view) => (
          <Button key={view} big onClick={() => goTo(`/jobs/${job.id}/rack/${view}`)}>
            {{ test: 'Log a test', note: 'Note', photo: 'Photograph', ends: 'Two ends' }[view]}
          </Button>
        ))}
      </div>
      <fieldset disabled={!unlocked} className="min-w-0">
        <legend className="sr-only">Photographs</legend>
        <Photographs about={run.id} of={run.label || 'a run'} big />
      </fieldset>
    </section>
  );
}
