import { useEffect, useState } from 'react';
import { CODE_WORDS, type End, MARK_WORDS, type Mark, type Meeting } from '@/core/exchange/wire/meeting';
import { indexJob } from '@/core/job/document/jobIndex';
import { Button } from '../kit/Button';
import { useAnnounce } from '../kit/useAnnounce';
import { sayWord, useMeetings, usePresence } from '../session/meeting';
import { useSession } from '../session/session';
import { goTo } from './place';

const END_WORDS: Record<Exclude<End, ''>, string> = { panel: 'Panel end', room: 'Room end' };
const PRESSED: Exclude<Mark, 'here' | 'gone'>[] = ['this', 'tone', 'landed', 'passed', 'failed'];
const PRESS_WORDS: Record<(typeof PRESSED)[number], string> = {
  this: 'I am at this one',
  tone: 'I hear the tone',
  landed: 'Landed',
  passed: 'It passes',
  failed: 'It fails',
};

/** Two telephones at the two ends of one cable: what one marks, the other sees at once. */
export function EndsView() {
  const job = useSession((session) => session.job);
  const runId = useSession((session) => session.selectedRunId);
  const select = useSession((session) => session.select);
  const announce = useAnnounce();
  const [code, setCode] = useState<Meeting['code']>('');
  const [end, setEnd] = useState<End>('');
  const [lost, setLost] = useState(false);
  usePresence(job.id, { place: 'at the rack', code, end });
  const { others, last } = useMeetings();
  const offered = [...new Set(Object.values(others).flatMap((one) => (one.code === '' ? [] : [one.code])))];
  const partner = Object.values(others).find((one) => code !== '' && one.code === code);
  const heard = last && code !== '' && last.code === code ? last : null;
  const words = heard ? `${heard.name || 'The other'} ${MARK_WORDS[heard.mark]}` : '';
  const heardAt = heard?.heardAt;
  // biome-ignore lint/correctness/useExhaustiveDependencies: said once for each word that comes in
  useEffect(() => {
    if (!heard) return;
    announce(`${words}: ${job.runs[heard.runId ?? '']?.label ?? ''}`);
    navigator.vibrate?.(heard.mark === 'failed' ? [120, 80, 120] : 120);
  }, [heardAt]);
  if (code === '')
    return (
      <div className="grid gap-3">
        <p>Both choose the same word. Whoever is first makes one, the other taps it.</p>
        {offered.map((one) => (
          <Button key={one} big className="min-h-16! text-2xl!" onClick={() => setCode(one)}>
            {one}
          </Button>
        ))}
        <Button
          big
          look={offered.length === 0 ? 'main' : 'plain'}
          className="min-h-16! text-xl!"
          onClick={() => setCode(CODE_WORDS[Math.floor(Math.random() * CODE_WORDS.length)] ?? CODE_WORDS[0])}
        >
          Make a word
        </Button>
      </div>
    );
  const run = job.runs[runId ?? ''];
  const say = async (mark: Mark) => {
    setLost(!(await sayWord(job.id, { place: 'at the rack', code, end, mark, runId })));
  };
  return (
    <div className="grid gap-3">
      <p className="border-2 border-strong bg-sheet p-3 text-center">
        <span className="wide block break-words font-extrabold text-5xl leading-tight">{code}</span>
        <span role="status" className="text-base text-soft">
          {partner
            ? `${partner.name || 'The other'} is here${partner.end === '' ? '' : `, ${END_WORDS[partner.end].toLowerCase()}`}`
            : 'Waiting for the other telephone'}
        </span>
      </p>
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="text-base">I am at the</legend>
        {(['panel', 'room'] as const).map((one) => (
          <Button
            key={one}
            big
            look={end === one ? 'main' : 'plain'}
            aria-pressed={end === one}
            onClick={() => setEnd(one)}
          >
            {END_WORDS[one]}
          </Button>
        ))}
      </fieldset>
      {heard && (
        <section aria-label="The other end" className="border-2 border-act bg-sheet p-3">
          <p className="font-bold text-2xl">{words}</p>
          {heard.runId && <RunWords runId={heard.runId} />}
          {heard.runId && heard.runId !== runId && (
            <Button big className="mt-2" onClick={() => select(heard.runId)}>
              Go to it
            </Button>
          )}
        </section>
      )}
      <section aria-label="This end" className="border-2 border-strong bg-sheet p-3">
        {run ? <RunWords runId={run.id} /> : <p>No run is chosen: find one first.</p>}
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Button big onClick={() => goTo(`/jobs/${job.id}/rack/find`)}>
            Find another
          </Button>
          <NextRun />
        </div>
      </section>
      <div className="grid grid-cols-2 gap-2">
        {PRESSED.map((mark) => (
          <Button
            key={mark}
            big
            className={`min-h-16! text-xl! ${mark === 'this' ? 'col-span-2' : ''}`}
            look={mark === 'this' ? 'main' : 'plain'}
            disabled={!run}
            onClick={() => void say(mark)}
          >
            {PRESS_WORDS[mark]}
          </Button>
        ))}
      </div>
      {lost && (
        <p role="alert" className="font-semibold text-wont">
          It did not arrive: there is no network here. Say it aloud.
        </p>
      )}
      <p className="text-base text-soft">This is said and not written. A test is logged at “Log a test”.</p>
      <Button big onClick={() => setCode('')}>
        Another word
      </Button>
    </div>
  );
}

/** A run as both ends know it: its label, the jack, the port. */
function RunWords({ runId }: { runId: string }) {
  const job = useSession((session) => session.job);
  const run = job.runs[runId];
  if (!run) return <p>A run that is gone.</p>;
  const landing = indexJob(job).landingOfRun.get(runId);
  const panel = job.gear[landing?.panelId ?? ''];
  return (
    <p>
      <b className="block break-words font-mono text-4xl">{run.label || 'no label'}</b>
      <span className="block break-words">
        {[run.floor, run.room, run.outlet].filter(Boolean).join(', ') || 'no room'}
      </span>
      <span className="block break-words">
        {panel && landing ? `${panel.name}, port ${landing.port}` : 'not landed'}
      </span>
    </p>
  );
}

/** The next run in the order of the schedule. */
function NextRun() {
  const job = useSession((session) => session.job);
  const runId = useSession((session) => session.selectedRunId);
  const select = useSession((session) => session.select);
  const { runsInOrder } = indexJob(job);
  const at = runsInOrder.findIndex(({ id }) => id === runId);
  const next = runsInOrder[at + 1];
  return (
    <Button big disabled={!next} onClick={() => next && select(next.id)}>
      Next run
    </Button>
  );
}
