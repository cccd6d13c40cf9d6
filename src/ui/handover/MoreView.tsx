import { useMemo, useState } from 'react';
import { formatMinutes } from '@/core/base/units/minutes';
import { oneLess } from '@/core/findings/whatIf/oneLess';
import { slipLines } from '@/core/findings/whatIf/slip';
import { type Way, waysFor } from '@/core/findings/whatIf/ways';
import { WHAT_IFS, type WhatIfId, whatIf } from '@/core/findings/whatIf/whatIf';
import { ONE_MORE, type OneMoreWish, roomsOf, sparesIn, wishFor } from '@/core/findings/whatIf/wish';
import { indexJob, sameKey } from '@/core/job/document/jobIndex';
import { moneyOf } from '@/core/trade/survey/answers/money';
import { attempt } from '../kit/attempt';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { NumberField } from '../kit/NumberField';
import { newRowId } from '../kit/useRows';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { printSlip } from './printSlip';

const TASKS = { more: 'One more', less: 'One less', move: 'Move one', 'what-if': 'What if' } as const;
type Task = keyof typeof TASKS;

/** The next device: where it goes, what it costs and what it uses up; one less; one moved; what if. */
export function MoreView() {
  const [task, setTask] = useState<Task>('more');
  return (
    <Scroll label="One more">
      <fieldset className="flex flex-wrap gap-2">
        <legend className="sr-only">What is to be done</legend>
        {(Object.keys(TASKS) as Task[]).map((one) => (
          <Button
            key={one}
            look={one === task ? 'main' : 'plain'}
            aria-pressed={one === task}
            onClick={() => setTask(one)}
          >
            {TASKS[one]}
          </Button>
        ))}
      </fieldset>
      {task === 'more' && <More />}
      {task === 'less' && <Less />}
      {task === 'move' && <Move />}
      {task === 'what-if' && <WhatIfs />}
    </Scroll>
  );
}

/** Rooms to choose from, by their place in the list. */
function useRooms() {
  const job = useSession((session) => session.job);
  return useMemo(
    () =>
      roomsOf(job).map(({ floor, room }) => ({
        value: floor ? `${floor}, ${room}` : room,
        words: floor ? `${floor}, ${room}` : room,
      })),
    [job],
  );
}

function More() {
  const job = useSession((session) => session.job);
  const rooms = useRooms();
  const [what, setWhat] = useState<string>('camera');
  const [where, setWhere] = useState<string | null>(null);
  const [changes, setChanges] = useState<Partial<OneMoreWish>>({});
  // The room to begin with is one that has a run to spare.
  const spare = useMemo(
    () =>
      rooms.find(
        ({ value }) =>
          sparesIn(job, attempt(() => wishFor(job, what, value)).value ?? { floor: '', room: '' }).length > 0,
      ),
    [job, rooms, what],
  );
  const place = where ?? (spare ?? rooms[0])?.value ?? '';
  const base = useMemo(() => (place === '' ? null : attempt(() => wishFor(job, what, place))), [job, what, place]);
  if (rooms.length === 0) return <p>No room is known yet: plan one in Survey, or give a run its room.</p>;
  const wish = base?.value ? { ...base.value, ...changes } : null;
  const set = (more: Partial<OneMoreWish>) => {
    setChanges({ ...changes, ...more });
    return true;
  };
  return (
    <>
      <div className="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <CommitSelect
          label="What"
          value={(ONE_MORE as readonly string[]).includes(what) ? what : 'other'}
          options={[
            ...ONE_MORE.map((value) => ({ value, words: value.replace('-', ' ') })),
            { value: 'other', words: 'something else' },
          ]}
          onCommit={(value) => {
            setWhat(value === 'other' ? 'device' : value);
            setChanges({});
          }}
        />
        <CommitSelect label="Where" value={place} options={rooms} onCommit={setWhere} />
        {wish && (
          <>
            <CommitField
              label="Called"
              value={wish.device}
              onCommit={(device) => (set({ device: device.trim() || wish.device }) ? null : '')}
            />
            <CommitField
              label="Outlet"
              value={wish.outlet}
              onCommit={(outlet) => (set({ outlet: outlet.trim() }) ? null : '')}
            />
            <NumberField
              label="Speed (Mb/s)"
              value={wish.speedMbps}
              onCommit={(speedMbps) => speedMbps > 0 && set({ speedMbps: Math.round(speedMbps) })}
            />
            <NumberField
              label="Watts over the cable"
              value={wish.poeW}
              onCommit={(poeW) => poeW >= 0 && poeW <= 1000 && set({ poeW })}
            />
            <CommitSelect
              label="Network"
              value={wish.network}
              options={[
                { value: '', words: 'none chosen' },
                ...Object.values(job.networks).map(({ name }) => ({ value: name, words: name })),
              ]}
              onCommit={(network) => set({ network })}
            />
            <label className="flex min-h-8 items-center gap-2 self-end">
              <input
                type="checkbox"
                checked={wish.recorded}
                onChange={(event) => set({ recorded: event.target.checked })}
                className="size-4 accent-act"
              />
              It is recorded
            </label>
          </>
        )}
      </div>
      {base?.words && (
        <p role="alert" className="font-semibold text-wont">
          {base.words}
        </p>
      )}
      {wish && <WaysFor wish={wish} />}
    </>
  );
}

function WaysFor({ wish, first = [] }: { wish: OneMoreWish; first?: Parameters<ReturnType<typeof useDispatch>>[0] }) {
  const job = useSession((session) => session.job);
  const key = JSON.stringify(wish);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the wish by its words
  const found = useMemo(() => waysFor(job, wish, newRowId), [job, key]);
  return (
    <section aria-label="Ways" className="grid gap-3">
      <Heading>
        {found.ways.length === 0
          ? 'There is no way'
          : found.ways.length === 1
            ? 'One way'
            : `${found.ways.length} ways, cheapest first`}
      </Heading>
      {found.ways.length === 0 && (
        <ul className="list-inside list-disc text-[13px]">
          {found.none.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      <div className="grid items-start gap-3 lg:grid-cols-3">
        {found.ways.map((way, at) => (
          <WayCard key={way.label} way={way} wish={wish} best={at === 0} first={first} />
        ))}
      </div>
      {found.ways.length > 0 && (
        <p className="narrow text-soft text-xs">
          Every spare run, free panel port and switch port was looked at: none is cheaper. By parts, minutes at the
          price of an hour, and a little for ports that could do more; rules of thumb, no source.
        </p>
      )}
    </section>
  );
}

const useDispatch = () => useSession((session) => session.dispatch);

function WayCard({
  way,
  wish,
  best,
  first,
}: {
  way: Way;
  wish: OneMoreWish;
  best: boolean;
  first: Parameters<ReturnType<typeof useDispatch>>[0];
}) {
  const job = useSession((session) => session.job);
  const dispatch = useDispatch();
  return (
    <article
      aria-label={`${way.kind} ${way.label}`}
      className="grid gap-2 border border-strong bg-sheet p-3 text-[13px]"
    >
      <h3 className="wide font-bold text-base leading-tight">
        {way.kind === 'spare run' ? 'Spare run' : 'New run'} <span className="font-mono">{way.label}</span>
      </h3>
      <p className="font-mono">
        {formatMinutes(way.minutes)} · parts {moneyOf(job, way.money)}
      </p>
      <dl className="grid grid-cols-[6rem_minmax(0,1fr)] gap-x-2">
        {way.path.map(({ part, words }) => (
          <div key={part} className="contents">
            <dt className="text-soft">{part}</dt>
            <dd className="font-semibold">{words}</dd>
          </div>
        ))}
      </dl>
      <p>
        <span className="text-soft">Uses up</span> {way.usesUp.join(', ')}.
      </p>
      <p className="text-soft">{way.dark}</p>
      {way.notes.map((words) => (
        <p key={words} className="text-bite">
          {words}
        </p>
      ))}
      {way.bites.length > 0 && (
        <details>
          <summary className="min-h-8 cursor-pointer py-1 font-semibold text-bite">
            {way.bites.length} {way.bites.length === 1 ? 'snag' : 'snags'} would come with it
          </summary>
          <ul className="list-inside list-disc">
            {way.bites.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </details>
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          look={best ? 'main' : 'plain'}
          onClick={() => {
            if (dispatch([...first, ...way.commands]))
              toast.success(`${wish.device} in ${wish.room}: run ${way.label}.`);
          }}
        >
          Take this way
        </Button>
        <Button onClick={() => printSlip(slipLines(job, wish, way))}>Print the slip</Button>
      </div>
    </article>
  );
}

function useLiveRuns() {
  const job = useSession((session) => session.job);
  return useMemo(
    () => indexJob(job).runsInOrder.filter(({ device, scope }) => device !== '' && scope === 'now'),
    [job],
  );
}

const runWords = (run: { label: string; device: string; room: string }) =>
  [run.label, run.device, run.room].filter(Boolean).join(' · ');

function Less() {
  const job = useSession((session) => session.job);
  const dispatch = useDispatch();
  const runs = useLiveRuns();
  const [runId, setRunId] = useState<string | null>(null);
  const [cable, setCable] = useState<'stays' | 'goes'>('stays');
  const run = runs.find(({ id }) => id === runId) ?? runs[0];
  if (!run) return <p>No run has a device yet.</p>;
  const less = oneLess(job, run, cable);
  return (
    <div className="grid max-w-2xl gap-3">
      <CommitSelect
        label="Which"
        value={run.id}
        options={runs.map((one) => ({ value: one.id, words: runWords(one) }))}
        onCommit={setRunId}
      />
      <CommitSelect
        label="Its run"
        value={cable}
        options={[
          { value: 'stays', words: 'stays, as a spare' },
          { value: 'goes', words: 'goes with it' },
        ]}
        onCommit={(value) => setCable(value as typeof cable)}
      />
      <ul className="list-inside list-disc">
        {less.words.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      <p className="font-mono text-[13px]">about {formatMinutes(less.minutes)}</p>
      <div>
        <Button
          look="main"
          onClick={() => {
            if (dispatch(less.commands)) toast.success(`${run.device} is out.`);
          }}
        >
          Take {run.device} out
        </Button>
      </div>
    </div>
  );
}

function Move() {
  const job = useSession((session) => session.job);
  const runs = useLiveRuns();
  const rooms = useRooms();
  const [runId, setRunId] = useState<string | null>(null);
  const [where, setWhere] = useState<string | null>(null);
  const run = runs.find(({ id }) => id === runId) ?? runs[0];
  if (!run) return <p>No run has a device yet.</p>;
  const others = rooms.filter(({ value }) => !sameKey(value).endsWith(sameKey(run.room)));
  const place = where ?? others[0]?.value;
  const base = place === undefined ? null : attempt(() => wishFor(job, run.device, place));
  const wish = base?.value
    ? {
        ...base.value,
        device: run.device,
        speedMbps: run.speedMbps ?? base.value.speedMbps,
        poeW: run.poeW ?? 0,
        network: job.networks[run.networkId ?? '']?.name ?? '',
        recorded: false,
      }
    : null;
  return (
    <>
      <div className="grid max-w-2xl gap-3 sm:grid-cols-2">
        <CommitSelect
          label="Which"
          value={run.id}
          options={runs.map((one) => ({ value: one.id, words: runWords(one) }))}
          onCommit={setRunId}
        />
        {place !== undefined && <CommitSelect label="To" value={place} options={others} onCommit={setWhere} />}
      </div>
      {wish ? (
        <>
          <p className="text-[13px] text-soft">Run {run.label} stays where it is, as a spare.</p>
          <WaysFor wish={wish} first={oneLess(job, run, 'stays').commands} />
        </>
      ) : (
        <p>There is no other room that it could go to.</p>
      )}
    </>
  );
}

function WhatIfs() {
  const job = useSession((session) => session.job);
  const [id, setId] = useState<WhatIfId>('more-watts');
  const made = useMemo(() => whatIf(job, id), [job, id]);
  return (
    <>
      <CommitSelect
        label="What if"
        className="max-w-md"
        value={id}
        options={WHAT_IFS.map(({ id: value, words }) => ({ value, words }))}
        onCommit={(value) => setId(value as WhatIfId)}
      />
      <p className="text-[13px] text-soft">Only supposed: nothing of the job is changed.</p>
      {made.fault ? (
        <p>{made.fault}</p>
      ) : (
        <>
          <div className="overflow-x-auto">
            <table className="min-w-120 text-[13px]">
              <thead>
                <tr className="text-left">
                  {['Station', 'Figure', 'Now', 'Then'].map((head) => (
                    <th key={head} className="pr-6">
                      {head}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {made.differences.map(({ station, figure, before, after }) => (
                  <tr key={`${station} ${figure}`} className="border-t">
                    <td className="pr-6">{station}</td>
                    <td className="pr-6">{figure}</td>
                    <td className="pr-6 font-mono">{before || '–'}</td>
                    <td className="font-bold font-mono">{after}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {made.differences.length === 0 && <p>No figure would be another.</p>}
          <Snags title="Snags that would come" words={made.come} />
          <Snags title="Snags that would go" words={made.go} />
        </>
      )}
    </>
  );
}

const Snags = ({ title, words }: { title: string; words: readonly string[] }) =>
  words.length === 0 ? null : (
    <section aria-label={title}>
      <Heading>{title}</Heading>
      <ul className="list-inside list-disc text-[13px]">
        {words.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </section>
  );
