import { useState } from 'react';
import { firstPassYield } from '@/core/proving/figures';
import { type Proof, type ProofState, proofs } from '@/core/proving/proof';
import { sampleFinds } from '@/core/proving/yields';
import { percent } from '@/core/units/percent';
import { actorHere } from '../job/actor';
import { useSession } from '../job/session';
import { TakeawayLink } from '../job/TakeawayLink';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { nowHere } from '../kit/nowHere';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Scroll, StateMark } from '../kit/viewParts';

const STATES: readonly ProofState[] = ['failed', 'partly', 'not tested', 'accepted', 'proven'];

/** What keeps the job from being handed over: every run that is not proven, and who accepts it so. */
export function BoardView() {
  const job = useSession((session) => session.job);
  const [filter, setFilter] = useState<'open' | ProofState>('open');
  const all = proofs(job);
  const open = all.filter(({ state }) => state !== 'proven' && state !== 'accepted');
  const shown = (filter === 'open' ? open : all.filter(({ state }) => state === filter)).sort(
    (a, b) => STATES.indexOf(a.state) - STATES.indexOf(b.state),
  );
  const { tested, passedFirst, low, high, retests } = firstPassYield(job);
  const left = all.length - tested;
  return (
    <Scroll label="What is open">
      <Figures>
        <Figure name="Proven or accepted">
          {all.length - open.length} of {all.length}
        </Figure>
        <Figure name="Passed at first">{tested === 0 ? 'none tested' : `${passedFirst} of ${tested}`}</Figure>
        <Figure name="Fail at first, 95 %">
          {tested === 0 ? 'not known' : `${percent(low, 1)} to ${percent(high, 1)}`}
        </Figure>
        <Figure name="Tested again">{retests}</Figure>
      </Figures>
      {open.length === 0 && all.length > 0 ? (
        <p className="font-semibold text-good">Nothing keeps the job from being handed over, as far as its runs go.</p>
      ) : (
        tested > 0 &&
        left > 0 && (
          <p className="max-w-[70ch] text-[13px]">
            Testing a sample is not proof: had 2 of the {all.length} runs a fault, testing {tested} of them would find
            one with {percent(sampleFinds(all.length, Math.min(2, all.length), tested), 1)} only.
          </p>
        )
      )}
      <div className="flex flex-wrap items-end gap-3">
        <CommitSelect
          label="Show"
          className="w-60"
          value={filter}
          options={[{ value: 'open', words: 'what is open' }, ...STATES.map((value) => ({ value, words: value }))]}
          onCommit={(value) => setFilter(value as typeof filter)}
        />
        <TakeawayLink of="tests.pdf" />
        <TakeawayLink of="tests.csv" />
      </div>
      <ul className="text-[13px]">
        {shown.map((proof) => (
          <BoardRow key={proof.run.id} proof={proof} />
        ))}
      </ul>
      {shown.length === 0 && <p className="text-[13px] text-soft">None.</p>}
    </Scroll>
  );
}

function BoardRow({ proof: { run, state, words, results, acceptance } }: { proof: Proof }) {
  const { keep, drop } = useRows();
  const select = useSession((session) => session.select);
  const [why, setWhy] = useState<string | null>(null);
  const [by, setBy] = useState(() => actorHere().name);
  return (
    <li className="grid gap-1 border-b py-1">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <button type="button" className="font-bold font-mono underline" onClick={() => select(run.id)}>
          {run.label}
        </button>
        <span className="min-w-0 flex-1">
          {[run.floor, run.room, run.outlet].filter(Boolean).join(', ')}
          <span className="text-soft"> · {words}</span>
          {results.length > 1 && <span className="text-soft"> · tested {results.length} times</span>}
        </span>
        <StateMark state={state} />
        {acceptance ? (
          <Button look="quiet" onClick={() => drop('acceptances', acceptance.id)}>
            No longer
          </Button>
        ) : (
          state !== 'proven' && (
            <Button look="quiet" aria-expanded={why !== null} onClick={() => setWhy(why === null ? '' : null)}>
              Accept …
            </Button>
          )
        )}
      </div>
      {why !== null && (
        <form
          className="flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const record = { id: newRowId('accepted'), runId: run.id, by: by.trim(), why: why.trim(), at: nowHere() };
            if (record.by !== '' && record.why !== '' && keep({ table: 'acceptances', record })) setWhy(null);
          }}
        >
          <label className="grid text-[13px]">
            By whom
            <input
              required
              value={by}
              maxLength={60}
              onChange={(event) => setBy(event.target.value)}
              className={inputLook}
            />
          </label>
          <label className="grid min-w-48 flex-1 text-[13px]">
            Why it is handed over so
            <input
              required
              value={why}
              maxLength={300}
              onChange={(event) => setWhy(event.target.value)}
              className={inputLook}
            />
          </label>
          <Button type="submit">Accept {run.label}</Button>
        </form>
      )}
    </li>
  );
}
