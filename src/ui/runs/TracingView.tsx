'use client';

import { useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import type { Jack } from '@/core/job/records/jack';
import { isUntraced } from '@/core/job/records/run';
import type { Scheme } from '@/core/trade/labels/labelScheme';
import { jackFindings, openRuns, settleCommands } from '@/core/trade/runs/unlabelled/findings';
import { planWalks } from '@/core/trade/runs/unlabelled/walks';
import { answerCommand, answerOf, figureOf } from '@/core/trade/survey/answers/answers';
import { answersAt, simulatedBuilding } from '@/simulators/toneSet';
import { Button } from '../kit/Button';
import { CommitField, committing } from '../kit/CommitField';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { JackEntry, TailEntry } from './TracingEntry';

const STATES = {
  'not asked': { mark: '○', words: 'not asked', look: 'text-soft' },
  found: { mark: '●', words: 'found', look: 'font-bold text-good' },
  labelled: { mark: '✓', words: 'labelled', look: 'font-bold text-good' },
  silent: { mark: '×', words: 'silent', look: 'font-bold text-bite' },
  contradiction: { mark: '◆', words: 'contradiction', look: 'font-bold text-wont' },
} as const;

const placeOf = (jack: Jack) => [jack.floor, jack.room, jack.outlet].filter(Boolean).join(', ');
/** The same building every time for one job. */
const seedOf = (text: string) => [...text].reduce((sum, one) => (sum * 31 + one.charCodeAt(0)) >>> 0, 7);

/** Unlabelled cables: which unlabelled cable ends at which jack, walk by walk. */
export function TracingView() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const findings = useMemo(() => jackFindings(job), [job]);
  const plan = useMemo(() => planWalks(job), [job]);
  const tails = openRuns(job);
  const found = findings.filter((finding) => finding.state === 'found');
  const settled = useMemo(() => settleCommands(job, answerOf(job, 'label-scheme') as Scheme), [job]);
  const asked = findings.filter((finding) => finding.state !== 'not asked').length;
  if (findings.length === 0 && !Object.values(job.runs).some(isUntraced)) {
    return (
      <div className="grid gap-4 p-3 lg:grid-cols-2">
        <p className="text-soft lg:col-span-2">
          For cables that nobody labelled: list the jacks in the rooms and the cable ends in the cabinet. The walks with
          your tone set are then put in order, and what answers is written down here.
        </p>
        <JackEntry />
        <TailEntry />
      </div>
    );
  }
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <CommitField
          label="Remotes at hand"
          inputMode="numeric"
          className="w-28"
          value={String(figureOf(job, 'remotes'))}
          onCommit={committing((text) => dispatch([answerCommand(job, 'remotes', text)]))}
        />
        <p className="min-w-56 flex-1">
          <b>{plan.walks.length === 0 ? 'No walk left.' : `${counted(plan.walks.length, 'walk')} left`}</b>
          {plan.walks.length > 0 && (
            <span className="text-soft">
              , {plan.proven ? 'proven the fewest' : `at least ${plan.leastWalks}`}: each open jack needs a remote once.
            </span>
          )}
          <span className="block text-soft">
            {asked} of {counted(findings.length, 'jack')} asked, {found.length} found, {counted(tails.length, 'cable')}{' '}
            without an answer.
          </span>
        </p>
        <Button look="main" disabled={settled.length === 0} onClick={() => dispatch(settled)}>
          {found.length === 0 ? 'Nothing to label yet' : `Label ${counted(found.length, 'cable')}`}
        </Button>
      </div>
      <div className="grid gap-x-6 gap-y-4 lg:grid-cols-2">
        <section aria-label="Next walk">
          {plan.walks[0] && <Walk key={plan.walks[0].map((jack) => jack.id).join()} jacks={plan.walks[0]} />}
          {plan.walks.slice(1).length > 0 && (
            <details className="mt-2">
              <summary className="font-semibold">Then: {counted(plan.walks.length - 1, 'more walk')}</summary>
              <ol className="list-decimal pl-6">
                {plan.walks.slice(1).map((walk) => (
                  <li key={walk[0]?.id}>{walk.map(placeOf).join(' · ')}</li>
                ))}
              </ol>
            </details>
          )}
          {findings.length === 0 && tails.length > 0 && (
            <p>No jack is listed yet: list those in the rooms, and the walks are put in order.</p>
          )}
          {findings.length > 0 && plan.walks.length === 0 && tails.length > 0 && (
            <p>
              <b>{tails.map((run) => run.label).join(', ')}</b> answered nowhere: cut, spliced away, or ending at a jack
              that is hidden. They stay open.
            </p>
          )}
        </section>
        <section aria-label="What was heard">
          <h2 className="wide mb-1 border-strong border-b font-bold">What was heard</h2>
          <ul>
            {findings.map((finding) => (
              <HeardRow key={finding.jack.id} finding={finding} />
            ))}
          </ul>
        </section>
        <JackEntry />
        <TailEntry />
      </div>
    </div>
  );
}

function HeardRow({ finding }: { finding: ReturnType<typeof jackFindings>[number] }) {
  const job = useSession((session) => session.job);
  const { drop } = useRows();
  const { jack, state, runs, simulated, why } = finding;
  const { mark, words, look } = STATES[state];
  const tones = Object.values(job.tones).filter((tone) => tone.jackId === jack.id);
  return (
    <li className="flex items-start gap-2 border-b py-1">
      <span className={`w-[104px] shrink-0 text-[13px] ${look}`}>
        <span aria-hidden>{mark}</span> {words}
      </span>
      <span className="min-w-0 flex-1">
        {placeOf(jack)}
        {simulated && <b className="block text-bite text-xs">simulated: made up, not heard</b>}
        {why && <span className="block text-wont text-xs">{why}</span>}
      </span>
      <b className="font-mono">{runs.map((run) => run.label).join(' ')}</b>
      {tones.length > 0 && state !== 'labelled' && (
        <Button
          look="quiet"
          className="min-h-6 px-1.5 py-0 text-xs"
          aria-label={`Ask again at ${placeOf(jack)}`}
          onClick={() => drop('tones', ...tones.map((tone) => tone.id))}
        >
          Ask again
        </Button>
      )}
    </li>
  );
}

/** One walk: a remote into each jack, and what answers at the cabinet. */
function Walk({ jacks }: { jacks: Jack[] }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const [heard, setHeard] = useState<Record<string, string[]>>({});
  const [simulated, setSimulated] = useState(false);
  const walk = Object.values(job.tones).reduce((most, tone) => Math.max(most, tone.walk), 0) + 1;
  const cables = Object.values(job.runs)
    .filter((run) => run.origin === 'found')
    .sort((a, b) => naturalOrder(a.label, b.label));
  const listen = () => {
    const answers = answersAt(
      simulatedBuilding(job, seedOf(job.id)),
      jacks.map((jack) => jack.id),
    );
    setHeard(Object.fromEntries([...answers].map(([id, runs]) => [id, runs.length > 0 ? [...runs] : ['none']])));
    setSimulated(true);
  };
  const ready = jacks.filter((jack) => (heard[jack.id] ?? []).some(Boolean));
  const write = () => {
    const rows = ready.flatMap((jack) => {
      const remote = jacks.indexOf(jack) + 1;
      // What was heard before at this jack no longer holds once it is asked again.
      return (heard[jack.id] ?? []).filter(Boolean).map((answer) => ({
        table: 'tones' as const,
        record: {
          id: newRowId('tone'),
          jackId: jack.id,
          runId: answer === 'none' ? null : answer,
          walk,
          remote,
          simulated,
        },
      }));
    });
    const before = Object.values(job.tones).filter((tone) => ready.some((jack) => jack.id === tone.jackId));
    dispatch([
      ...(before.length > 0
        ? [{ type: 'dropRows' as const, table: 'tones' as const, ids: before.map((tone) => tone.id) }]
        : []),
      { type: 'keepRows', rows },
    ]);
  };
  return (
    <div className="rounded-[3px] border-2 border-act bg-sheet">
      <header className="flex flex-wrap items-center gap-2 border-b px-3 py-1.5">
        <h2 className="wide flex-1 font-bold">Walk {walk}</h2>
        <Button onClick={listen} title="A stand-in that ships with the program: it makes up what is behind the walls">
          Try it with the simulated set
        </Button>
      </header>
      <p className="px-3 pt-1.5 text-soft">
        Put the remotes in, go to the cabinet, and write down which cable answers each.
      </p>
      <ol className="grid gap-2 p-3">
        {jacks.map((jack, at) => {
          const answers = heard[jack.id] ?? [''];
          const set = (next: string[]) => setHeard({ ...heard, [jack.id]: next });
          return (
            <li key={jack.id} className="flex flex-wrap items-center gap-2 border-b pb-2">
              <b
                className="grid h-8 w-8 shrink-0 place-items-center rounded-full border-2 border-ink font-mono"
                title={`remote ${at + 1}`}
              >
                {at + 1}
              </b>
              <span className="min-w-32 flex-1 leading-tight">{placeOf(jack)}</span>
              {answers.map((answer, one) => (
                <select
                  // biome-ignore lint/suspicious/noArrayIndexKey: answers are only ever added behind the others
                  key={one}
                  aria-label={`Cable that answers remote ${at + 1} in ${placeOf(jack)}${one > 0 ? `, ${one + 1}` : ''}`}
                  className="min-h-10 min-w-28 rounded-[3px] border border-strong bg-face px-2 font-mono"
                  value={answer}
                  onChange={(event) => set(answers.map((old, place) => (place === one ? event.target.value : old)))}
                >
                  <option value="">…</option>
                  <option value="none">none</option>
                  {cables.map((run) => (
                    <option key={run.id} value={run.id}>
                      {run.label}
                    </option>
                  ))}
                </select>
              ))}
              {answers.length < 3 && answers[0] !== '' && answers[0] !== 'none' && (
                <Button
                  look="quiet"
                  className="px-1.5"
                  aria-label={`Another cable answers in ${placeOf(jack)} as well`}
                  onClick={() => set([...answers, ''])}
                >
                  +
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      <div className="flex flex-wrap items-center gap-2 px-3 pb-3">
        <Button look="main" className="min-h-10" disabled={ready.length === 0} onClick={write}>
          Write down {counted(ready.length, 'answer')}
        </Button>
        {simulated && <b className="text-bite">Simulated: made up, not heard.</b>}
      </div>
    </div>
  );
}
