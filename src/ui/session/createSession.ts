import { createStore } from 'zustand';
import { Refusal, refuse } from '@/core/base/text/refusal';
import type { OpenJob, Outcome, Reversals } from '@/core/exchange/wire/wire';
import { applyCommands, describeCommands } from '@/core/job/commands/apply';
import { Command } from '@/core/job/commands/commands';
import { applyChanges } from '@/core/job/document/change';
import type { Job } from '@/core/job/document/job';
import { sealJob } from '@/core/job/document/sealJob';
import { type Actor, actorWords, type Step } from '@/core/job/document/step';
import { type May, notForThem } from '@/core/trade/people/work';
import { looking } from './looking';
import type { Outbox } from './outbox';
import { type Overwritten, writesBook } from './overwritten';
import { createSender } from './sending';
import type { Notice, Session, SessionStore } from './session';
import type { Entry, SetAside } from './shelves';

/** Commands as the server will read them, so that both apply the very same thing. */
const asSent = (commands: Command[]): Command[] =>
  commands.map((command) => Command.parse(JSON.parse(JSON.stringify(command))));

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

export type SessionGiven = {
  opened: OpenJob;
  outbox: Outbox;
  /** Entries that were in the outbox when the job was opened. */
  waiting?: Entry[];
  aside?: SetAside[];
  actor: () => Actor;
  notify: (notice: Notice) => void;
  /** What this person may do here; the server asks itself. */
  may?: May;
  /** Opened from what is kept here: the server was not asked yet. */
  fromKept?: boolean;
};

/** One job open in one window: its state, and what brings its steps to the server. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: what a session does shares its state, which nothing else may see
export function createSession({
  opened,
  outbox,
  waiting = [],
  aside = [],
  actor,
  notify,
  may = 'edit',
  fromKept = false,
}: SessionGiven): SessionStore {
  const jobId = opened.job.id;
  const start = sealJob(opened.job);
  const writes = writesBook();
  /** Batches that this window made. */
  const own = new Set<string>();
  let confirmedReversals = opened.reversals;

  const store = createStore<Session>()((set, get) => ({
    job: onTop(start, waiting),
    confirmed: { job: start, point: opened.point },
    pending: waiting,
    aside,
    reversals: reversalsWith(waiting, opened.reversals),
    trouble: null,
    unsure: fromKept,
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
        const notTheirs = notForThem(may, applied.changes);
        if (notTheirs !== null) refuse('not-yours', notTheirs);
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
    lost: (unsure) => {
      if (get().unsure !== unsure) set({ unsure });
    },
    heard: (revision) => sender.heard(revision),
    dropAside: (batchId) => {
      set(({ aside }) => ({ aside: aside.filter((entry) => entry.batchId !== batchId) }));
      void outbox.dropAside(batchId);
    },
    tryNow: () => sender.tryNow(),
  }));

  /** Keep a step, show it, and send it. */
  function put(made: Pick<Entry, 'kind' | 'label' | 'commands'>, job: Job): void {
    const { confirmed, pending } = store.getState();
    const batchId = crypto.randomUUID();
    own.add(batchId);
    const entry: Entry = {
      ...made,
      jobId,
      batchId,
      seen: confirmed.point.revision,
      actor: actor(),
      madeAt: Date.now(),
    };
    sender.take(entry);
    const all = [...pending, entry];
    store.setState({ job, pending: all, reversals: reversalsWith(all, confirmedReversals) });
  }

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
    const steps: Step[] = outcome.missed.filter((step) => step.revision > confirmed.point.revision);
    const settled = new Set([...steps.map((step) => step.batchId), ...(without === undefined ? [] : [without])]);
    const rest = pending.filter(({ batchId }) => !settled.has(batchId));
    const [only] = steps;
    // Only the step that was made first came back: what this window sees stays the very same, and nothing is made anew.
    const plain = steps.length === 1 && only?.batchId === pending[0]?.batchId && pending[0]?.kind === 'do';
    const caughtUp = () => steps.reduce((job, step) => applyChanges(job, step.changes), confirmed.job);
    for (const step of steps) {
      if (own.has(step.batchId)) writes.mine(step);
      else for (const one of writes.theirs(step)) tellOverwritten(one);
    }
    if (plain && rest.every((entry) => entry.kind === 'do')) {
      store.setState({
        confirmed: { job: rest.length === 0 ? seen : caughtUp(), point: outcome.point },
        pending: rest,
        reversals: reversalsWith(rest, confirmedReversals),
      });
      return;
    }
    settle({ job: caughtUp(), point: outcome.point }, rest);
  }

  const sender = createSender({
    store,
    url: `/api/jobs/${jobId}`,
    outbox,
    actor,
    notify,
    isOwn: (batchId) => own.has(batchId),
    absorb,
    setPending: (pending) => settle(store.getState().confirmed, pending),
    behind: fromKept,
  });
  return store;
}
