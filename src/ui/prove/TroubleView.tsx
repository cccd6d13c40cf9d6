import { useMemo, useState } from 'react';
import { indexJob } from '@/core/job/jobIndex';
import { leftAfter, planTrouble, troubleOf } from '@/core/proving/trouble';
import { SYMPTOMS, type Symptom } from '@/core/records/mend';
import { isNow } from '@/core/records/run';
import { percent } from '@/core/units/percent';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { Heading, Scroll } from '../kit/viewParts';

const SYMPTOM_WORDS: Record<Symptom, string> = {
  dark: 'no link at all',
  slow: 'links slower than wanted',
  errors: 'links, with errors',
  'no power': 'no power over the cable',
  restarts: 'the device restarts',
  'half duplex': 'links at half duplex',
  'warm afternoons': 'fails on warm afternoons only',
};

/** From what is seen to the fault: what to test or to mend next, each answer narrowing it. */
export function TroubleView() {
  const job = useSession((session) => session.job);
  const runs = useMemo(() => indexJob(job).runsInOrder.filter((run) => isNow(run)), [job]);
  const [runId, setRunId] = useState<string | null>(null);
  const [symptom, setSymptom] = useState<Symptom>('dark');
  const [others, setOthers] = useState<'unknown' | 'dead' | 'sound'>('unknown');
  const [answers, setAnswers] = useState<{ id: string; yes: boolean; words: string }[]>([]);
  const [found, setFound] = useState<string | null>(null);
  const run = runs.find(({ id }) => id === runId) ?? runs[0];
  const begin = (change: () => void) => {
    change();
    setAnswers([]);
    setFound(null);
  };
  const trouble = useMemo(() => {
    if (!run) return null;
    const all = runs.map(({ id }) => id);
    return troubleOf(job, run, symptom, others === 'dead' ? all : [], others === 'sound' ? all : []);
  }, [job, run, runs, symptom, others]);
  if (!run || !trouble)
    return (
      <Scroll label="Trouble">
        <p>There is no run yet that could give trouble.</p>
      </Scroll>
    );
  const { left, contradiction } = leftAfter(trouble, answers);
  // By steps and not by a clock: the same question gives the same answer.
  let looks = 0;
  const plan = planTrouble({ suspects: left, tests: trouble.tests }, { seed: 1, now: () => looks++, untilMs: 100_000 });
  const all = left.reduce((sum, { odds }) => sum + odds, 0);
  const test = plan.tree && 'test' in plan.tree ? trouble.tests[plan.tree.test] : undefined;
  const mend = plan.tree && 'mend' in plan.tree ? left[plan.tree.mend] : undefined;
  const say = (id: string, yes: boolean, words: string) => setAnswers([...answers, { id, yes, words }]);
  return (
    <Scroll label="Trouble">
      <div className="grid items-start gap-3 sm:grid-cols-3">
        <CommitSelect
          label="Run"
          value={run.id}
          options={runs.map((one) => ({
            value: one.id,
            words: [one.label, one.room, one.device].filter(Boolean).join(' · '),
          }))}
          onCommit={(value) => begin(() => setRunId(value))}
        />
        <CommitSelect
          label="What is seen"
          value={symptom}
          options={SYMPTOMS.map((value) => ({ value, words: SYMPTOM_WORDS[value] }))}
          onCommit={(value) => begin(() => setSymptom(value as Symptom))}
        />
        <CommitSelect
          label="Others on the same switch"
          value={others}
          options={[
            { value: 'unknown', words: 'nobody looked' },
            { value: 'sound', words: 'work' },
            { value: 'dead', words: 'have the same trouble' },
          ]}
          onCommit={(value) => begin(() => setOthers(value as typeof others))}
        />
      </div>
      {found ? (
        <p role="status" className="border-2 border-good p-3 font-semibold text-base">
          Found: {found}. Test the run once more, and log it.
        </p>
      ) : contradiction ? (
        <p role="alert" className="border-2 border-wont p-3 text-base">
          <b className="text-wont">The answers contradict each other:</b> nothing is left that fits them all. Take one
          back that you are least sure of.
        </p>
      ) : (
        <article aria-label="What to do next" className="grid max-w-2xl gap-3 border-2 border-strong bg-sheet p-3">
          <h2 className="wide font-bold text-lg leading-tight">{test ? test.words : mend ? mend.mend : ''}</h2>
          <p className="text-[13px] text-soft">
            {test
              ? `About ${test.minutes} min.`
              : mend
                ? `About ${mend.mendMin} min. It is ${mend.words.toLowerCase()} with ${percent(mend.odds, all)}.`
                : ''}{' '}
            Until the fault is mended {plan.expectedMin.toFixed(0)} min are to be expected
            {plan.proven ? '; no other way takes fewer, by these odds' : ''}.
          </p>
          <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
            {test && (
              <>
                <Button look="main" big onClick={() => say(test.id, true, `${test.words} ${test.yes}`)}>
                  {test.yes}
                </Button>
                <Button big onClick={() => say(test.id, false, `${test.words} ${test.no}`)}>
                  {test.no}
                </Button>
              </>
            )}
            {mend && (
              <>
                <Button look="main" big onClick={() => setFound(mend.words)}>
                  That was it
                </Button>
                <Button big onClick={() => say(mend.id, false, `${mend.mend}: it did not help`)}>
                  It did not help
                </Button>
              </>
            )}
          </div>
        </article>
      )}
      {(answers.length > 0 || found) && (
        <section aria-label="Answers">
          <Heading
            aside={
              <Button
                onClick={() => {
                  if (found) setFound(null);
                  else setAnswers(answers.slice(0, -1));
                }}
              >
                Take the last back
              </Button>
            }
          >
            So far
          </Heading>
          <ol className="list-inside list-decimal text-[13px]">
            {answers.map(({ id, words }) => (
              <li key={id}>{words}</li>
            ))}
          </ol>
        </section>
      )}
      <section aria-label="Suspects">
        <Heading>Suspects left</Heading>
        <ul className="max-w-2xl text-[13px]">
          {[...left]
            .sort((a, b) => b.odds - a.odds)
            .map(({ id, words, odds }) => (
              <li key={id} className="grid grid-cols-[minmax(0,1fr)_8rem_3rem] items-center gap-2 border-b py-0.5">
                <span>{words}</span>
                <span aria-hidden className="h-2.5 rounded-[2px] border border-strong bg-face">
                  <span className="block h-full bg-act" style={{ width: `${Math.max(1, (odds / all) * 100)}%` }} />
                </span>
                <b className="text-right font-mono text-xs">{percent(odds, all)}</b>
              </li>
            ))}
        </ul>
      </section>
      <p className="narrow text-soft text-xs">Odds and minutes are rules of thumb: cord and device before the wall.</p>
    </Scroll>
  );
}
