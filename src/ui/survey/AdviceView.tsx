'use client';

import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { formatMinutes } from '@/core/base/units/minutes';
import type { Advice, AdviceOption } from '@/core/trade/survey/advice/advice';
import { adviceFor, chooseCommands } from '@/core/trade/survey/advice/advisers';
import { choiceId, chosenOption } from '@/core/trade/survey/advice/chosen';
import { moneyOf } from '@/core/trade/survey/answers/money';
import { Button } from '../kit/Button';
import { CommitField } from '../kit/CommitField';
import { useRows } from '../kit/useRows';
import { useSession } from '../session/session';

/** Decisions with both sides' reasons and what each costs in this job; the choice is kept. */
export function AdviceView() {
  const job = useSession((session) => session.job);
  const advice = adviceFor(job);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <p className="mb-2 max-w-[80ch] text-soft">
        {advice.length === 0
          ? 'There is nothing to decide yet: add wishes, runs or gear first.'
          : 'Money and minutes are computed from this job and from what things cost under Questions. They compare the ways with each other; they are not a quotation.'}
      </p>
      <div className="grid gap-4">
        {advice.map((one) => (
          <Decision key={one.id} advice={one} />
        ))}
      </div>
    </div>
  );
}

function Decision({ advice }: { advice: Advice }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const chosen = chosenOption(job, advice.id);
  const answer = job.answers[choiceId(advice.id)];
  return (
    <section aria-label={advice.question} className="rounded-[3px] border border-strong bg-sheet">
      <header className="flex flex-wrap items-baseline gap-x-3 border-b px-3 py-1.5">
        <h2 className="wide font-bold">{advice.question}</h2>
        <p className="flex-1 text-soft">
          {advice.why} <span className="narrow text-xs">({citeFor(advice.source, job.rules)})</span>
        </p>
      </header>
      <div
        className="grid gap-px bg-rule"
        style={{
          gridTemplateColumns: `repeat(auto-fit, minmax(min(100%, ${advice.options.length > 3 ? 210 : 260}px), 1fr))`,
        }}
      >
        {advice.options.map((option) => (
          <Side key={option.id} advice={advice} option={option} chosen={chosen === option.id} />
        ))}
      </div>
      {answer && (
        <div className="border-t px-3 py-1.5">
          <CommitField
            label="Why, for the record"
            value={answer.note}
            placeholder="who decided, and what spoke for it"
            onCommit={(note) =>
              keep({ table: 'answers', record: { ...answer, note } }) ? null : 'It could not be kept.'
            }
          />
        </div>
      )}
    </section>
  );
}

const Reason = ({ mark, look, spoken, words }: { mark: string; look: string; spoken: string; words: string }) => (
  <li className="flex gap-1.5">
    <span className={`font-bold ${look}`} aria-hidden>
      {mark}
    </span>
    <span>
      <span className="sr-only">{spoken}</span>
      {words}
    </span>
  </li>
);

function Side({ advice, option, chosen }: { advice: Advice; option: AdviceOption; chosen: boolean }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const suggested = advice.suggested === option.id;
  return (
    <div className={`flex flex-col gap-1.5 p-3 ${chosen ? 'bg-well' : 'bg-sheet'}`}>
      <h3 className="font-bold leading-tight">
        {option.words}
        {suggested && <span className="ml-1.5 font-semibold text-good text-xs">suggested</span>}
      </h3>
      <p className="font-mono text-xs">
        {option.money === null ? 'cost not known: no run has a length' : moneyOf(job, option.money)} ·{' '}
        {formatMinutes(option.minutes)} · {counted(option.ports, 'port')}
      </p>
      <ul className="flex-1 text-[13px] leading-snug">
        {option.pros.map((words) => (
          <Reason key={words} mark="+" look="text-good" spoken="For: " words={words} />
        ))}
        {option.cons.map((words) => (
          <Reason key={words} mark="−" look="text-wont" spoken="Against: " words={words} />
        ))}
      </ul>
      <div>
        <Button
          look={chosen ? 'main' : 'plain'}
          aria-pressed={chosen}
          aria-label={`${chosen ? 'Chosen' : 'Choose'}: ${option.words}`}
          onClick={() => dispatch(chooseCommands(job, advice, option.id))}
        >
          {chosen ? 'Chosen' : 'Choose'}
        </Button>
      </div>
    </div>
  );
}
