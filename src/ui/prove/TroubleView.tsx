import { useMemo, useState } from 'react';
import { percent } from '@/core/base/units/percent';
import { indexJob } from '@/core/job/document/jobIndex';
import { mends, SYMPTOM_WORDS, SYMPTOMS, type Symptom } from '@/core/job/records/mend';
import { isNow, type Run } from '@/core/job/records/run';
import type { Suspect } from '@/core/trade/testing/suspects';
import {
  type Answer,
  contradictingAnswers,
  leftAfter,
  planTrouble,
  runsSharingWith,
  troubleOf,
} from '@/core/trade/testing/trouble';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { nowHere } from '../kit/nowHere';
import { newRowId, useRows } from '../kit/useRows';
import { Heading, Scroll } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { FoundBefore } from './FoundBefore';
import { OddsTable } from './OddsTable';
import { useFinds } from './useFinds';

const MOST_OTHERS = 12;
type Said = Answer & { words: string; minutes: number };

/** From what is seen to the fault: what to test or to mend next, each answer narrowing it. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one page, from what is seen to what to do next
export function TroubleView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const finds = useFinds(job.id);
  const runs = useMemo(() => indexJob(job).runsInOrder.filter((run) => isNow(run)), [job]);
  const [runId, setRunId] = useState<string | null>(null);
  const [symptom, setSymptom] = useState<Symptom>('dark');
  const [others, setOthers] = useState<ReadonlyMap<string, 'dead' | 'sound'>>(new Map());
  const [answers, setAnswers] = useState<Said[]>([]);
  const [found, setFound] = useState<string | null>(null);
  const run = runs.find(({ id }) => id === runId) ?? runs[0];
  const begin = (change: () => void) => {
    change();
    setAnswers([]);
    setFound(null);
  };
  const trouble = useMemo(() => {
    if (!run) return null;
    const of = (wanted: 'dead' | 'sound') => [...others].flatMap(([id, state]) => (state === wanted ? [id] : []));
    return troubleOf(job, run, symptom, of('dead'), of('sound'), finds);
  }, [job, run, symptom, others, finds]);
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
  const say = (one: Said) => setAnswers([...answers, one]);
  const wasIt = ({ part, words, mend: what, mendMin }: Suspect) => {
    const minutes = answers.reduce((sum, one) => sum + one.minutes, 0) + mendMin;
    const record = mends.make({
      id: newRowId('mend'),
      runId: run.id,
      symptom,
      part,
      words: `${words}: ${what}`.slice(0, 300),
      minutes,
      by: actorHere().name,
      at: nowHere(),
    });
    if (keep({ table: 'mends', record })) setFound(words);
  };
  return (
    <Scroll label="Trouble">
      <div className="grid items-start gap-3 sm:grid-cols-2">
        <CommitSelect
          label="Run"
          value={run.id}
          options={runs.map((one) => ({
            value: one.id,
            words: [one.label, one.room, one.device].filter(Boolean).join(' · '),
          }))}
          onCommit={(value) =>
            begin(() => {
              setRunId(value);
              setOthers(new Map());
            })
          }
        />
        <CommitSelect
          label="What is seen"
          value={symptom}
          options={SYMPTOMS.map((value) => ({ value, words: SYMPTOM_WORDS[value] }))}
          onCommit={(value) => begin(() => setSymptom(value as Symptom))}
        />
      </div>
      <Others run={run} others={others} onSay={(next) => begin(() => setOthers(next))} />
      {found ? (
        <p role="status" className="border-2 border-good p-3 font-semibold text-base">
          Found: {found}. It is kept with the run. Test the run once more, and log it.
        </p>
      ) : contradiction ? (
        <Clash answers={contradictingAnswers(trouble, answers).flatMap((at) => answers[at] ?? [])} />
      ) : (
        <article aria-label="What to do next" className="grid max-w-2xl gap-3 border-2 border-strong bg-sheet p-3">
          <h2 className="wide font-bold text-lg leading-tight">{test ? test.words : mend ? mend.mend : ''}</h2>
          <p className="text-[13px] text-soft">
            {test
              ? `About ${test.minutes} min.`
              : mend
                ? `About ${mend.mendMin} min. It is ${mend.words.charAt(0).toLowerCase()}${mend.words.slice(1)} with ${percent(mend.odds, all)}.`
                : ''}{' '}
            Until the fault is mended {plan.expectedMin.toFixed(0)} min are to be expected
            {plan.proven ? '; no other way takes fewer, by these odds' : ''}.
          </p>
          <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
            {test && (
              <>
                <Button
                  look="main"
                  big
                  onClick={() =>
                    say({ id: test.id, yes: true, words: `${test.words} ${test.yes}`, minutes: test.minutes })
                  }
                >
                  {test.yes}
                </Button>
                <Button
                  big
                  onClick={() =>
                    say({ id: test.id, yes: false, words: `${test.words} ${test.no}`, minutes: test.minutes })
                  }
                >
                  {test.no}
                </Button>
              </>
            )}
            {mend && (
              <>
                <Button look="main" big onClick={() => wasIt(mend)}>
                  That was it
                </Button>
                <Button
                  big
                  onClick={() =>
                    say({ id: mend.id, yes: false, words: `${mend.mend}: it did not help`, minutes: mend.mendMin })
                  }
                >
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
              <li key={id}>
                {words}{' '}
                <button
                  type="button"
                  className="min-h-8 underline"
                  onClick={() => setAnswers(answers.filter((one) => one.id !== id))}
                >
                  take back
                </button>
              </li>
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
                <b className="text-right font-mono text-xs">{odds < all * 0.005 ? '< 1 %' : percent(odds, all)}</b>
              </li>
            ))}
        </ul>
      </section>
      <FoundBefore run={run} />
      <OddsTable symptom={symptom} finds={finds} />
    </Scroll>
  );
}

/** Other runs that hang on something that this one hangs on too: whether they work or have the same trouble. */
function Others({
  run,
  others,
  onSay,
}: {
  run: Run;
  others: ReadonlyMap<string, 'dead' | 'sound'>;
  onSay: (others: ReadonlyMap<string, 'dead' | 'sound'>) => void;
}) {
  const job = useSession((session) => session.job);
  const near = useMemo(() => runsSharingWith(job, run), [job, run]);
  if (near.length === 0) return null;
  const set = (id: string, state: 'dead' | 'sound') => {
    const next = new Map(others);
    if (next.get(id) === state) next.delete(id);
    else next.set(id, state);
    onSay(next);
  };
  return (
    <details className="text-[13px]" open={others.size > 0}>
      <summary className="min-h-8 cursor-pointer py-1">
        <b>What about others that hang on the same things?</b>{' '}
        <span className="text-soft">
          {others.size === 0 ? 'Nobody looked yet.' : `${others.size} of ${near.length} looked at.`}
        </span>
      </summary>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {near.slice(0, MOST_OTHERS).map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-2 border-b py-1">
            <b className="font-mono">{one.label}</b>
            <span className="min-w-0 flex-1">{[one.room, one.device].filter(Boolean).join(', ')}</span>
            <Button
              aria-pressed={others.get(one.id) === 'sound'}
              look={others.get(one.id) === 'sound' ? 'main' : 'plain'}
              onClick={() => set(one.id, 'sound')}
            >
              works
            </Button>
            <Button
              aria-pressed={others.get(one.id) === 'dead'}
              look={others.get(one.id) === 'dead' ? 'main' : 'plain'}
              onClick={() => set(one.id, 'dead')}
            >
              the same trouble
            </Button>
          </li>
        ))}
      </ul>
      {near.length > MOST_OTHERS && (
        <p className="text-soft">and {near.length - MOST_OTHERS} more, which share less with it</p>
      )}
    </details>
  );
}

/** Answers that cannot all be true. */
const Clash = ({ answers }: { answers: readonly Said[] }) => (
  <div role="alert" className="border-2 border-wont p-3 text-base">
    <p>
      <b className="text-wont">
        {answers.length === 2 ? 'Two answers contradict each other:' : 'The answers contradict each other:'}
      </b>{' '}
      nothing is left that fits them all. Take one of these back, or two things are broken at once.
    </p>
    <ul className="mt-1 list-inside list-disc text-[13px]">
      {answers.map(({ id, words }) => (
        <li key={id}>{words}</li>
      ))}
    </ul>
  </div>
);
