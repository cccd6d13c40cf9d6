import { createContext, useContext } from 'react';
import { createStore, type StoreApi, useStore } from 'zustand';
import { applyCommands, applyRecorded, describeCommands, type Patch } from '@/core/job/apply';
import { Command } from '@/core/job/commands';
import type { Job } from '@/core/job/job';
import { Refusal } from '@/core/job/refusal';
import { sealJob } from '@/core/job/sealJob';

type Missed = { revision: number; batchId: string; label: string; patches: Patch[] };
type Steps = { undo: string | null; redo: string | null };
type Answer = { revision: number; label?: string; missed: Missed[]; steps: Steps };

/** A step on its way to the server. */
type Pending =
  | { kind: 'do'; batchId: string; label: string; commands: Command[] }
  | { kind: 'undo' | 'redo'; batchId: string };

export type Notice = { tone: 'done' | 'wrong'; words: string };

export type Session = {
  /** The job as this window sees it: what the server confirmed, with the pending steps on top. */
  job: Job;
  confirmed: { job: Job; revision: number };
  pending: Pending[];
  steps: Steps;
  /** `away`: the server does not answer; steps are kept and sent again. */
  link: 'saved' | 'saving' | 'away';
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
  /** Another window made this revision. */
  heard: (revision: number) => void;
};

export type SessionStore = StoreApi<Session>;

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
/** Browsers keep alive up to 64 KiB, all requests together; characters may take three bytes. */
const MOST_KEPT_ALIVE = 20_000;
const RETRY_MS = [300, 1000, 2000, 4000];

/** Commands as the server will read them, so that both apply the very same thing. */
const asSent = (commands: Command[]): Command[] =>
  commands.map((command) => Command.parse(JSON.parse(JSON.stringify(command))));

/** One job open in one window: its state, and the queue that brings its steps to the server. */
export function createSession(
  opened: { job: Job; revision: number; steps: Steps },
  notify: (notice: Notice) => void,
): SessionStore {
  const url = `/api/jobs/${opened.job.id}`;
  const job = sealJob(opened.job);
  let draining = false;
  let latestHeard = opened.revision;

  const store = createStore<Session>()((set, get) => ({
    job,
    confirmed: { job, revision: opened.revision },
    pending: [],
    steps: opened.steps,
    link: 'saved',
    selectedRunId: null,
    group: null,
    pointedRunId: null,
    foundGearId: null,
    dispatch: (wanted) => {
      if (wanted.length === 0) return false;
      try {
        const commands = asSent(wanted);
        const { job } = get();
        const label = describeCommands(job, commands);
        const applied = applyCommands(job, commands);
        const step: Pending = { kind: 'do', batchId: crypto.randomUUID(), label, commands };
        set((state) => ({ job: applied.job, pending: [...state.pending, step], steps: { undo: label, redo: null } }));
        void drain();
        return true;
      } catch (fault) {
        notify({ tone: 'wrong', words: fault instanceof Refusal ? fault.message : 'That cannot be done.' });
        if (!(fault instanceof Refusal)) console.error(fault);
        return false;
      }
    },
    reverse: (direction) => {
      set((state) => ({ pending: [...state.pending, { kind: direction, batchId: crypto.randomUUID() }] }));
      void drain();
    },
    select: (selectedRunId) =>
      set(({ group }) => ({
        selectedRunId,
        group: selectedRunId !== null && group?.runIds.includes(selectedRunId) ? group : null,
      })),
    selectGroup: (words, runIds, foundGearId) =>
      set({ group: runIds.length > 1 ? { words, runIds } : null, selectedRunId: runIds[0] ?? null, foundGearId }),
    point: (pointedRunId) => set({ pointedRunId }),
    heard: (revision) => {
      latestHeard = Math.max(latestHeard, revision);
      void drain();
    },
  }));

  /** Take in what the server confirmed, then put the steps that still wait on top again. */
  function absorb({ missed, steps }: Pick<Answer, 'missed' | 'steps'>, without?: string): void {
    const { job: seen, confirmed, pending } = store.getState();
    let { job, revision } = confirmed;
    for (const step of missed) {
      if (step.revision !== revision + 1) continue;
      job = applyRecorded(job, step.patches);
      revision = step.revision;
    }
    latestHeard = Math.max(latestHeard, revision);
    const [own] = pending;
    const [first] = missed;
    // Only our own step came back: what this window sees stays the very same, and nothing needs to be made anew.
    const one = missed.length === 1 && revision === confirmed.revision + 1;
    if (one && own?.kind === 'do' && own.batchId === without && first?.batchId === without) {
      const rest = pending.slice(1);
      if (rest.every((step) => step.kind === 'do')) {
        const last = rest.at(-1);
        store.setState({
          confirmed: { job: rest.length === 0 ? seen : job, revision },
          pending: rest,
          steps: last ? { undo: last.label, redo: null } : steps,
        });
        return;
      }
    }
    let view = job;
    const kept = pending.filter((step) => {
      if (step.batchId === without) return false;
      if (step.kind !== 'do') return true;
      try {
        view = applyCommands(view, step.commands).job;
        return true;
      } catch (fault) {
        if (!(fault instanceof Refusal)) throw fault;
        notify({ tone: 'wrong', words: `“${step.label}” no longer fits what another window did: ${fault.message}` });
        return false;
      }
    });
    const last = kept.findLast((step) => step.kind === 'do');
    store.setState({
      job: view,
      confirmed: { job, revision },
      pending: kept,
      steps: last ? { undo: last.label, redo: null } : steps,
    });
  }

  async function send(step: Pending): Promise<void> {
    const { revision: base } = store.getState().confirmed;
    const body =
      step.kind === 'do'
        ? { batchId: step.batchId, base, commands: step.commands }
        : { batchId: step.batchId, base, direction: step.kind };
    const text = JSON.stringify(body);
    const response = await fetch(`${url}/${step.kind === 'do' ? 'batches' : 'steps'}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: text,
      // On its way even when the window closes right after.
      keepalive: text.length < MOST_KEPT_ALIVE,
    });
    if (response.status >= 500) throw new Error('unfinished');
    const answer = await response.json();
    if (response.status === 409) {
      if (step.kind === 'do') return absorb(answer);
      // What would be undone now is not what the person saw when they asked.
      notify({ tone: 'wrong', words: `Another window changed the job just now: look first, then ${step.kind} again.` });
      return absorb(answer, step.batchId);
    }
    if (response.ok) {
      if (step.kind !== 'do')
        notify({ tone: 'done', words: answer.label.replace(/^Undo: /, 'Undone: ').replace(/^Redo: /, 'Redone: ') });
      return absorb(answer, step.batchId);
    }
    // The server refused it, so the step is taken back here as well.
    notify({ tone: 'wrong', words: answer.message });
    const { missed, steps } = await (await fetch(`${url}/changes?since=${base}`)).json();
    absorb({ missed, steps }, step.batchId);
  }

  async function drain(): Promise<void> {
    if (draining) return;
    draining = true;
    let failures = 0;
    for (;;) {
      const { pending, confirmed } = store.getState();
      const [step] = pending;
      if (!step && latestHeard <= confirmed.revision) break;
      try {
        if (failures === 0) store.setState({ link: 'saving' });
        if (step) await send(step);
        else absorb(await (await fetch(`${url}/changes?since=${confirmed.revision}`)).json());
        failures = 0;
      } catch {
        store.setState({ link: 'away' });
        await wait(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] ?? 4000);
        failures += 1;
      }
    }
    draining = false;
    store.setState({ link: 'saved' });
  }

  return store;
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
