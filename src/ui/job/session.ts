import { createContext, useContext } from 'react';
import { createStore, type StoreApi, useStore } from 'zustand';
import { applyCommands, describeCommands } from '@/core/commands/apply';
import { Command } from '@/core/commands/commands';
import { applyChanges } from '@/core/job/change';
import type { Job } from '@/core/job/job';
import { sealJob } from '@/core/job/sealJob';
import { type Actor, actorWords, type Step } from '@/core/job/step';
import { Refusal } from '@/core/text/refusal';
import { OpenJob, Outcome, type Point, type Reversals } from '@/core/wire/wire';
import { CannotBeDone, NoNetwork, Unwell } from './faults';
import { type Entry, entryWords, type Outbox, type SetAside } from './outbox';
import { type Overwritten, writesBook } from './overwritten';
import { askServer } from './wireClient';

export type Notice = {
  tone: 'done' | 'wrong' | 'plain';
  words: string;
  action?: { label: string; run: () => void };
};

/** How it stands with the server: `away` no network, `unwell` it answers that it cannot. */
export type Link = 'saved' | 'saving' | 'away' | 'unwell';

export type Session = {
  /** The job as this window sees it: what the server confirmed, with the pending steps on top. */
  job: Job;
  confirmed: { job: Job; point: Point };
  /** Steps that the server has not confirmed, of all windows of this browser, in order. */
  pending: Entry[];
  /** Steps that could not be done, until the person deals with them. */
  aside: SetAside[];
  reversals: Reversals;
  link: Link;
  /** Whether pending steps outlive this window. */
  lasting: boolean;
  /** The revision that is looked at, where it is not the job as it stands; nothing can be changed then. */
  revision: number | null;
  /** Where the pages of this job begin. */
  base: string;
  selectedRunId: string | null;
  /** What was found when it was more than one run: a room, a panel. The strip steps through it. */
  group: { words: string; runIds: string[] } | null;
  pointedRunId: string | null;
  /** A device that was found: it takes the focus where it is drawn. */
  foundGearId: string | null;
  /** Apply commands as one step. @returns whether they could be done */
  dispatch: (commands: Command[]) => boolean;
  reverse: (direction: 'undo' | 'redo') => void;
  select: (runId: string | null) => void;
  selectGroup: (words: string, runIds: string[], gearId: string | null) => void;
  point: (runId: string | null) => void;
  /** Another window made this revision, or something may have been missed. */
  heard: (revision: number | 'gap') => void;
  /** Deal with a step that was set aside: away with it. */
  dropAside: (batchId: string) => void;
  /** Try at once what waits. */
  tryNow: () => void;
};

export type SessionStore = StoreApi<Session>;

const RETRY_MS = [300, 1000, 2000, 4000, 8000];
const UNWELL_MS = [1000, 3000, 8000, 20_000, 30_000];
/** A step that a server which is otherwise well fails to take so often is set aside. */
const MOST_FAILURES = 5;
/** Ailments of the server that have nothing to do with the step. */
const NOT_THE_STEP: ReadonlySet<string> = new Set(['busy', 'database-away', 'not-understood']);

/** Commands as the server will read them, so that both apply the very same thing. */
const asSent = (commands: Command[]): Command[] =>
  commands.map((command) => Command.parse(JSON.parse(JSON.stringify(command))));

const empty = { selectedRunId: null, group: null, pointedRunId: null, foundGearId: null };
/** What of a session is about what is looked at, the same for a job and for an earlier version of it. */
const looking = (set: (part: (state: Session) => Partial<Session>) => void) => ({
  ...empty,
  select: (selectedRunId: string | null) =>
    set(({ group }) => ({
      selectedRunId,
      group: selectedRunId !== null && group?.runIds.includes(selectedRunId) ? group : null,
    })),
  selectGroup: (words: string, runIds: string[], foundGearId: string | null) =>
    set(() => ({
      group: runIds.length > 1 ? { words, runIds } : null,
      selectedRunId: runIds[0] ?? null,
      foundGearId,
    })),
  point: (pointedRunId: string | null) => set(() => ({ pointedRunId })),
});

/** A job as it was at a revision, to look at. */
export function createLookBack(
  given: Job,
  revision: number,
  base: string,
  notify: (notice: Notice) => void,
): SessionStore {
  const job = sealJob(given);
  const cannot = () => {
    notify({ tone: 'wrong', words: 'This is an earlier version: it can be looked at, not changed.' });
    return false;
  };
  return createStore<Session>()((set) => ({
    job,
    confirmed: { job, point: { history: 'past', revision, step: '' } },
    pending: [],
    aside: [],
    reversals: { undo: null, redo: null },
    link: 'saved',
    lasting: true,
    revision,
    base,
    ...looking(set),
    dispatch: cannot,
    reverse: cannot,
    heard: () => undefined,
    dropAside: () => undefined,
    tryNow: () => undefined,
  }));
}

export type SessionGiven = {
  opened: OpenJob;
  outbox: Outbox;
  /** Entries that were in the outbox when the job was opened. */
  waiting?: Entry[];
  aside?: SetAside[];
  actor: () => Actor;
  notify: (notice: Notice) => void;
  /** Opened from what is kept here: the server was not asked yet. */
  fromKept?: boolean;
};

/** One job open in one window: its state, and what brings its steps to the server. */
export function createSession(given: SessionGiven): SessionStore {
  const { opened, outbox, actor, notify } = given;
  const jobId = opened.job.id;
  const url = `/api/jobs/${jobId}`;
  const start = sealJob(opened.job);
  const writes = writesBook();
  /** Batches that this window made. */
  const own = new Set<string>();
  /** Being written to the outbox: not in its list yet. */
  const adding = new Set<string>();
  let draining = false;
  let again = false;
  let newsWanted = given.fromKept === true;
  /** The latest revision that was heard of: mostly our own step, which its answer tells of as well. */
  let heardOf = 0;
  let wake: (() => void) | null = null;

  const wait = (ms: number) =>
    new Promise<void>((done) => {
      const timer = setTimeout(done, ms);
      wake = () => {
        clearTimeout(timer);
        done();
      };
    });

  /** The job with the steps on top that can be done; those that cannot are for the server to judge. */
  function onTop(confirmed: Job, pending: readonly Entry[]): Job {
    let view = confirmed;
    for (const { kind, commands } of pending) {
      if (kind !== 'do') continue;
      try {
        view = applyCommands(view, commands).job;
      } catch (fault) {
        if (!(fault instanceof Refusal)) throw fault;
      }
    }
    return view;
  }

  const reversalsWith = (pending: readonly Entry[], confirmed: Reversals): Reversals => {
    const last = pending.findLast((entry) => entry.kind === 'do');
    return last ? { undo: last.label, redo: null } : confirmed;
  };
  let confirmedReversals = opened.reversals;

  const store = createStore<Session>()((set, get) => ({
    job: onTop(start, given.waiting ?? []),
    confirmed: { job: start, point: opened.point },
    pending: given.waiting ?? [],
    aside: given.aside ?? [],
    reversals: reversalsWith(given.waiting ?? [], opened.reversals),
    link: (given.waiting ?? []).length > 0 ? 'saving' : 'saved',
    lasting: outbox.lasting,
    revision: null,
    base: `/jobs/${jobId}`,
    ...looking(set),
    dispatch: (wanted) => {
      if (wanted.length === 0) return false;
      try {
        const commands = asSent(wanted);
        const { job } = get();
        const label = describeCommands(job, commands);
        const applied = applyCommands(job, commands);
        if (applied.changes.length === 0) return true;
        put({ kind: 'do', label, commands }, applied.job);
        return true;
      } catch (fault) {
        notify({ tone: 'wrong', words: fault instanceof Refusal ? fault.message : 'That cannot be done.' });
        if (!(fault instanceof Refusal)) console.error(fault);
        return false;
      }
    },
    reverse: (direction) => {
      put({ kind: direction, label: get().reversals[direction] ?? '', commands: [] }, get().job);
    },
    heard: (revision) => {
      if (revision === 'gap') newsWanted = true;
      else heardOf = Math.max(heardOf, revision);
      if (isBehind()) void drain();
    },
    dropAside: (batchId) => {
      set(({ aside }) => ({ aside: aside.filter((entry) => entry.batchId !== batchId) }));
      void outbox.dropAside(batchId);
    },
    tryNow: () => wake?.(),
  }));

  /** Show a step, keep it, and send it once it is kept. */
  function put(made: Pick<Entry, 'kind' | 'label' | 'commands'>, job: Job): void {
    const { confirmed } = store.getState();
    const batchId = crypto.randomUUID();
    const entry: Entry = {
      ...made,
      jobId,
      batchId,
      seen: confirmed.point.revision,
      actor: actor(),
      madeAt: Date.now(),
    };
    own.add(batchId);
    adding.add(batchId);
    const kept = outbox.add(entry);
    store.setState(({ pending }) => ({
      job,
      pending: [...pending, entry],
      reversals: reversalsWith([...pending, entry], confirmedReversals),
      link: store.getState().link === 'saved' ? 'saving' : store.getState().link,
    }));
    kept
      .catch(() => {
        store.setState({ lasting: false });
        notify({
          tone: 'wrong',
          words: 'This browser keeps nothing more: what waits is lost when this window closes.',
        });
        unkept.push(entry);
      })
      .finally(() => {
        adding.delete(batchId);
        void drain();
      });
    // Begun beside it: the outbox answers in order, so what is read there next has it.
    void drain();
  }
  /** Entries that the browser would not keep: they are sent from here. */
  const unkept: Entry[] = [];

  /** The window’s view after the confirmed job, or what waits, changed. */
  function settle(confirmed: Session['confirmed'], pending: Entry[]): void {
    store.setState({
      confirmed,
      pending,
      job: onTop(confirmed.job, pending),
      reversals: reversalsWith(pending, confirmedReversals),
    });
  }

  function tellOverwritten({ step, mine, back }: Overwritten): void {
    const { job } = store.getState();
    notify({
      tone: 'plain',
      words: `${actorWords(step.actor)} changed what you had just set: ${mine.words(job)}.`,
      action: { label: 'Bring mine back', run: () => void store.getState().dispatch([back]) },
    });
  }

  /** Take in what the server confirmed, then put the steps that still wait on top again. */
  function absorb(outcome: Outcome, without?: string): void {
    const { job: seen, confirmed, pending } = store.getState();
    if (outcome.status === 'anew') {
      confirmedReversals = outcome.opened.reversals;
      writes.forget();
      const rest = pending.filter(({ batchId }) => batchId !== without);
      settle({ job: sealJob(outcome.opened.job), point: outcome.opened.point }, rest);
      return;
    }
    confirmedReversals = outcome.reversals;
    let { job } = confirmed;
    const steps: Step[] = outcome.missed.filter((step) => step.revision > confirmed.point.revision);
    const settled = new Set([...steps.map((step) => step.batchId), ...(without === undefined ? [] : [without])]);
    const rest = pending.filter(({ batchId }) => !settled.has(batchId));
    const [only] = steps;
    // Only the step that was made first came back: what this window sees stays the very same, and nothing is made anew.
    const plain = steps.length === 1 && only?.batchId === pending[0]?.batchId && pending[0]?.kind === 'do';
    for (const step of steps) job = applyChanges(job, step.changes);
    for (const step of steps) {
      if (own.has(step.batchId)) writes.mine(step);
      else for (const one of writes.theirs(step)) tellOverwritten(one);
    }
    if (plain && rest.every((entry) => entry.kind === 'do')) {
      store.setState({
        confirmed: { job: rest.length === 0 ? seen : job, point: outcome.point },
        pending: rest,
        reversals: reversalsWith(rest, confirmedReversals),
      });
      return;
    }
    settle({ job, point: outcome.point }, rest);
  }

  /** What other windows put into the outbox and took out of it. */
  async function readOutbox(): Promise<Entry[]> {
    const [kept, aside] = await Promise.all([outbox.list(), outbox.listAside()]);
    const entries = [...kept, ...unkept];
    const listed = new Set(entries.map(({ batchId }) => batchId));
    const away = new Set(aside.map(({ batchId }) => batchId));
    const { pending, confirmed } = store.getState();
    const known = new Set(pending.map(({ batchId }) => batchId));
    const fresh = entries.filter(({ batchId }) => !known.has(batchId) && !done.has(batchId));
    const dropped = pending.some(({ batchId }) => away.has(batchId));
    // Gone from the outbox, though not by us: another window brought it to the server.
    if (pending.some(({ batchId }) => !listed.has(batchId) && !adding.has(batchId) && !away.has(batchId)))
      newsWanted = true;
    store.setState({ aside });
    if (fresh.length > 0 || dropped)
      settle(confirmed, [...pending.filter(({ batchId }) => !away.has(batchId)), ...fresh]);
    return entries;
  }
  /** Batches that this window saw settled. */
  const done = new Set<string>();

  async function finish(batchId: string): Promise<void> {
    done.add(batchId);
    const at = unkept.findIndex((entry) => entry.batchId === batchId);
    if (at >= 0) unkept.splice(at, 1);
    else await outbox.remove(batchId);
  }

  async function putAside(entry: Entry, why: string): Promise<void> {
    done.add(entry.batchId);
    await outbox.setAside(entry, why);
    const { confirmed, pending, aside } = store.getState();
    store.setState({ aside: [...aside.filter(({ batchId }) => batchId !== entry.batchId), { ...entry, why }] });
    settle(
      confirmed,
      pending.filter(({ batchId }) => batchId !== entry.batchId),
    );
  }

  async function send(entry: Entry): Promise<void> {
    const { point } = store.getState().confirmed;
    const { batchId, kind, seen, commands } = entry;
    const sent = { batchId, base: point, seen, actor: entry.actor };
    const [path, body] =
      kind === 'do' ? ['batches', { ...sent, commands }] : ['reversals', { ...sent, direction: kind }];
    try {
      const outcome = await askServer(`${url}/${path}`, Outcome, { method: 'POST', body });
      absorb(outcome, batchId);
      if (store.getState().pending.length === 0) store.setState({ link: 'saved' });
      await finish(batchId);
      if (kind !== 'do' && own.has(batchId) && outcome.status === 'done')
        notify({ tone: 'done', words: `${kind === 'undo' ? 'Undone' : 'Redone'}: ${entry.label}` });
    } catch (fault) {
      if (!(fault instanceof CannotBeDone)) throw fault;
      if (kind === 'do') {
        await putAside(entry, fault.message);
        notify({ tone: 'wrong', words: `“${entry.label}” could not be done and was set aside: ${fault.message}` });
      } else {
        // Nothing is lost with it: there is nothing to keep.
        await finish(batchId);
        const { confirmed, pending } = store.getState();
        settle(
          confirmed,
          pending.filter((one) => one.batchId !== batchId),
        );
        notify({ tone: 'wrong', words: fault.message });
      }
      newsWanted = true;
    }
  }

  async function fetchNews(): Promise<void> {
    // Whatever was heard of is answered by this, also when the server has been set back behind it.
    newsWanted = false;
    heardOf = 0;
    const { history, revision, step } = store.getState().confirmed.point;
    const words = new URLSearchParams({ history, revision: String(revision), step, actor: actor().id });
    try {
      const outcome = await askServer(`${url}/changes?${words}`, Outcome);
      // What is gone from the outbox and is not among what we missed stands in what we have already.
      const listed = new Set([...(await outbox.list()), ...unkept].map(({ batchId }) => batchId));
      absorb(outcome);
      const { confirmed, pending } = store.getState();
      const rest = pending.filter(({ batchId }) => listed.has(batchId) || adding.has(batchId));
      if (rest.length < pending.length) settle(confirmed, rest);
    } catch (fault) {
      newsWanted = true;
      throw fault;
    }
  }

  const isBehind = () => newsWanted || heardOf > store.getState().confirmed.point.revision;

  const failures = new Map<string, number>();

  /** Bring what waits to the server, one after the other, and fetch what others did. */
  async function work(): Promise<void> {
    let tries = 0;
    for (;;) {
      const entry = (await readOutbox())[0];
      if (!entry && !isBehind()) return;
      try {
        if (tries === 0) store.setState({ link: 'saving' });
        await (entry ? send(entry) : fetchNews());
        tries = 0;
        // What other windows put in meanwhile, they tell of.
        if (store.getState().pending.length === 0 && !isBehind()) return;
      } catch (fault) {
        if (fault instanceof CannotBeDone) {
          // The job itself is gone.
          notify({ tone: 'wrong', words: fault.message });
          newsWanted = false;
          heardOf = 0;
          return;
        }
        const unwell = fault instanceof Unwell;
        if (!unwell && !(fault instanceof NoNetwork)) throw fault;
        store.setState({ link: unwell ? 'unwell' : 'away' });
        if (unwell && entry && !NOT_THE_STEP.has(fault.code)) {
          const count = (failures.get(entry.batchId) ?? 0) + 1;
          failures.set(entry.batchId, count);
          if (count >= MOST_FAILURES) {
            await putAside(entry, `The server failed ${count} times to take it. ${fault.message}`);
            notify({ tone: 'wrong', words: `“${entryWords(entry)}” was set aside: the server fails to take it.` });
            continue;
          }
        }
        const pause = unwell ? UNWELL_MS : RETRY_MS;
        await wait(pause[Math.min(tries, pause.length - 1)] ?? 8000);
        tries += 1;
      }
    }
  }

  async function drain(): Promise<void> {
    again = true;
    if (draining) return;
    draining = true;
    try {
      while (again) {
        again = false;
        await outbox.alone(work);
      }
      const waits = store.getState().pending.length > 0;
      store.setState({ link: !waits ? 'saved' : adding.size > 0 ? 'saving' : 'unwell' });
    } catch (fault) {
      // Not of the network nor of the server: ours. What waits stays kept.
      console.error(fault);
      store.setState({ link: 'unwell' });
    } finally {
      draining = false;
    }
  }

  outbox.hear(() => {
    void readOutbox().then(() => {
      if (isBehind() || store.getState().pending.length > 0) void drain();
    });
  });
  if (isBehind() || (given.waiting?.length ?? 0) > 0) void drain();
  return store;
}

/** Open a job: from the server, or from what is kept here when there is no way to it. @throws CannotBeDone */
export async function fetchJob(
  jobId: string,
  outbox: Outbox,
  actor: Actor,
): Promise<{ opened: OpenJob; fromKept: boolean }> {
  try {
    const url = `/api/jobs/${jobId}?${new URLSearchParams({ actor: actor.id })}`;
    return { opened: await askServer(url, OpenJob, { longestMs: 8000 }), fromKept: false };
  } catch (fault) {
    if (fault instanceof CannotBeDone) throw fault;
    const kept = await outbox.keptJob();
    if (!kept) throw fault;
    return { opened: kept.opened, fromKept: true };
  }
}

export const SessionContext = createContext<SessionStore | null>(null);

export function useSession<T>(pick: (session: Session) => T): T {
  const store = useContext(SessionContext);
  if (!store) throw new Error('useSession outside a job');
  return useStore(store, pick);
}

/** The session itself, for work that reads it when it is done and not when it is drawn. */
export function useSessionStore(): SessionStore {
  const store = useContext(SessionContext);
  if (!store) throw new Error('useSessionStore outside a job');
  return store;
}
