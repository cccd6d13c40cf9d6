import { useMemo, useState } from 'react';
import { formatMinutes } from '@/core/base/units/minutes';
import { percent } from '@/core/base/units/percent';
import type { Vouch } from '@/core/job/records/vouch';
import { firstPassYield, testPace, type Yield, yieldsBy } from '@/core/trade/testing/figures';
import { GATE_KINDS, type GateKind, type GateThing, gateOf, vouchFor } from '@/core/trade/testing/gate';
import { proofs } from '@/core/trade/testing/proof';
import { sampleFinds } from '@/core/trade/testing/yields';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { nowHere, secondHere } from '../kit/nowHere';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll, StateMark } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { useSession } from '../session/session';
import { todayHere } from '../session/today';
import { ResultDetails } from './ResultDetails';

const STATES: readonly GateThing['state'][] = [
  'failed',
  'changed',
  'incomplete',
  'not judged',
  'not tested',
  'not signed off',
  'accepted',
  'passed',
  'signed off',
];
const KIND_WORDS: Record<GateKind, string> = { run: 'runs', cord: 'cords', uplink: 'uplinks', feed: 'power feeds' };
const MOST_SHOWN = 400;

/** What keeps the job from being handed over: every run, cord, uplink and feed that is not proven, and who accepts it so. */
export function BoardView() {
  const job = useSession((session) => session.job);
  const [filter, setFilter] = useState<'open' | GateThing['state']>('open');
  const [kind, setKind] = useState<'all' | GateKind>('run');
  const all = useMemo(() => gateOf(job), [job]);
  const open = all.filter((one) => one.open);
  const shown = all
    .filter((one) => (kind === 'all' || one.kind === kind) && (filter === 'open' ? one.open : one.state === filter))
    .sort((a, b) => STATES.indexOf(a.state) - STATES.indexOf(b.state));
  const runs = all.filter((one) => one.kind === 'run');
  const { tested, passedFirst, low, high, retests } = firstPassYield(job);
  const pace = testPace(job, todayHere());
  const left = runs.length - tested;
  const of = (one: GateKind) => all.filter((thing) => thing.kind === one);
  return (
    <Scroll label="What is open">
      <Figures>
        {GATE_KINDS.filter((one) => of(one).length > 0).map((one) => (
          <Figure key={one} name={`${KIND_WORDS[one].charAt(0).toUpperCase()}${KIND_WORDS[one].slice(1)}`}>
            {of(one).filter((thing) => !thing.open).length} of {of(one).length}
          </Figure>
        ))}
        <Figure name="Passed at first">{tested === 0 ? 'none tested' : `${passedFirst} of ${tested}`}</Figure>
        <Figure name="Fail at first, 95 %">
          {tested === 0 ? 'not known' : `${percent(low, 1)} to ${percent(high, 1)}`}
        </Figure>
        <Figure name="Tested again">{retests}</Figure>
        <Figure name="Testing left">
          {pace.left === 0
            ? 'none'
            : pace.minutesLeft === null
              ? 'not known'
              : `about ${formatMinutes(pace.minutesLeft)}`}
        </Figure>
        {pace.left > 0 && pace.doneOn && pace.aDay !== null && (
          <Figure name={`Done, at ${pace.aDay.toFixed(0)} a day`}>{pace.doneOn}</Figure>
        )}
      </Figures>
      {open.length === 0 && all.length > 0 ? (
        <p className="font-semibold text-good">Nothing here keeps the job from being handed over.</p>
      ) : (
        tested > 0 &&
        left > 0 && (
          <p className="max-w-[70ch] text-[13px]">
            Testing a sample is not proof: had 2 of the {runs.length} runs a fault, testing {tested} of them would find
            one with {percent(sampleFinds(runs.length, Math.min(2, runs.length), tested), 1)} only.
          </p>
        )
      )}
      <div className="flex flex-wrap items-end gap-3">
        <CommitSelect
          label="Of"
          className="w-40"
          value={kind}
          options={[
            { value: 'all', words: 'everything' },
            ...GATE_KINDS.map((value) => ({ value, words: KIND_WORDS[value] })),
          ]}
          onCommit={(value) => setKind(value as typeof kind)}
        />
        <CommitSelect
          label="Show"
          className="w-48"
          value={filter}
          options={[{ value: 'open', words: 'what is open' }, ...STATES.map((value) => ({ value, words: value }))]}
          onCommit={(value) => setFilter(value as typeof filter)}
        />
        <TakeawayLink of="tests.pdf" />
        <TakeawayLink of="tests.csv" />
        <TakeawayLink of="tests.json" />
        {runs.some(({ state }) => state === 'failed') && (
          <>
            <TakeawayLink of="fault-cards.pdf" />
            <TakeawayLink of="failed-labels.pdf" />
          </>
        )}
      </div>
      <VouchMany things={shown.filter((one) => one.open && one.kind !== 'run')} />
      <ul className="text-[13px]">
        {shown.slice(0, MOST_SHOWN).map((thing) => (
          <BoardRow key={`${thing.kind} ${thing.id}`} thing={thing} />
        ))}
      </ul>
      {shown.length > MOST_SHOWN && (
        <p className="text-[13px] text-soft">and {shown.length - MOST_SHOWN} more: choose what to show.</p>
      )}
      {shown.length === 0 && <p className="text-[13px] text-soft">None.</p>}
      {tested > 0 && (
        <div className="grid gap-4 lg:grid-cols-3">
          <Yields title="By kind of jack" rows={yieldsBy(job, 'jack')} />
          <Yields title="By who ended it" rows={yieldsBy(job, 'person')} />
          <Yields title="By day" rows={yieldsBy(job, 'day')} />
        </div>
      )}
    </Scroll>
  );
}

function Yields({ title, rows }: { title: string; rows: readonly Yield[] }) {
  return (
    <section aria-label={title}>
      <Heading>{title}</Heading>
      <ul className="text-[13px]">
        {rows.map(({ of, tested, passedFirst, low, high }) => (
          <li key={of} className="flex flex-wrap gap-x-2 border-b py-0.5">
            <b className="min-w-0 flex-1">{of}</b>
            <span className="font-mono">
              {passedFirst} of {tested}
            </span>
            <span className="text-soft">
              {percent(low, 1)} to {percent(high, 1)} fail
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Somebody looked at all cords, uplinks or feeds that are shown. */
function VouchMany({ things }: { things: readonly GateThing[] }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const by = actorHere().name;
  if (things.length < 2 || by === '') return null;
  const rows = things.flatMap(({ kind, id, vouch }) =>
    kind === 'run'
      ? []
      : [
          {
            table: 'vouches' as const,
            record: vouchFor(job, kind, id, {
              id: vouch?.id ?? newRowId('vouch'),
              how: 'eye',
              by,
              why: '',
              at: nowHere(),
            }),
          },
        ],
  );
  return (
    <p className="flex flex-wrap items-center gap-2 text-[13px]">
      <Button onClick={() => keep(...rows)}>
        {by} looked at all {things.length}: they are as planned
      </Button>
      <span className="text-soft">Cords and uplinks are also proven by a switch, in Compare.</span>
    </p>
  );
}

function BoardRow({ thing }: { thing: GateThing }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const select = useSession((session) => session.select);
  const [asking, setAsking] = useState<'eye' | 'accepted' | null>(null);
  const [why, setWhy] = useState('');
  const [shown, setShown] = useState(false);
  const [by, setBy] = useState(() => actorHere().name);
  const { kind, id, name, state, words, vouch } = thing;
  const run = kind === 'run' ? job.runs[id] : undefined;
  const acceptance = run && Object.values(job.acceptances).find(({ runId }) => runId === id);
  const vouchBy = (how: Vouch['how'], who: string, reason: string): boolean =>
    kind !== 'run' &&
    keep({
      table: 'vouches',
      record: vouchFor(job, kind, id, {
        id: vouch?.id ?? newRowId('vouch'),
        how,
        by: who,
        why: reason,
        at: nowHere(),
      }),
    });
  const accept = (): boolean => {
    const [who, reason] = [by.trim(), why.trim()];
    if (who === '') return false;
    if (asking === 'eye') return vouchBy('eye', who, reason);
    if (reason === '') return false;
    return run
      ? keep({
          table: 'acceptances',
          record: { id: newRowId('accepted'), runId: run.id, by: who, why: reason, at: secondHere() },
        })
      : vouchBy('accepted', who, reason);
  };
  const given = acceptance ?? vouch;
  return (
    <li className="grid gap-1 border-b py-1">
      <div className="flex flex-wrap items-baseline gap-x-3">
        {run ? (
          <button type="button" className="min-h-6 font-bold font-mono underline" onClick={() => select(run.id)}>
            {run.label}
          </button>
        ) : (
          <b>{name}</b>
        )}
        <span className="min-w-0 flex-1">
          {run && [run.floor, run.room, run.outlet].filter(Boolean).join(', ')}
          <span className="text-soft"> · {words}</span>
        </span>
        <StateMark state={state} />
        {run && (
          <Button look="quiet" aria-expanded={shown} onClick={() => setShown(!shown)}>
            Tests
          </Button>
        )}
        {!run && thing.open && (
          <Button look="quiet" onClick={() => (by === '' ? setAsking('eye') : vouchBy('eye', by, ''))}>
            Looked at
          </Button>
        )}
        {given ? (
          <Button look="quiet" onClick={() => drop(acceptance ? 'acceptances' : 'vouches', given.id)}>
            No longer
          </Button>
        ) : (
          thing.open && (
            <Button
              look="quiet"
              aria-expanded={asking === 'accepted'}
              onClick={() => setAsking(asking === 'accepted' ? null : 'accepted')}
            >
              Accept …
            </Button>
          )
        )}
      </div>
      {asking !== null && (
        <form
          className="flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (accept()) setAsking(null);
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
            {asking === 'eye' ? 'Note' : 'Why it is handed over so'}
            <input
              required={asking === 'accepted'}
              value={why}
              maxLength={300}
              onChange={(event) => setWhy(event.target.value)}
              className={inputLook}
            />
          </label>
          <Button type="submit">{asking === 'eye' ? 'It is as planned' : `Accept ${run ? run.label : 'it'}`}</Button>
        </form>
      )}
      {shown && run && <ResultDetails run={run} proof={proofs(job).find((one) => one.run.id === run.id) ?? null} />}
    </li>
  );
}
