import { Outcome } from '@/core/exchange/wire/wire';
import { type Actor, stepWords } from '@/core/job/document/step';
import { CannotBeDone, NoNetwork, Unwell } from './faults';
import type { Outbox } from './outbox';
import type { Notice, SessionStore } from './session';
import type { Entry } from './shelves';
import { askServer } from './wireClient';

const RETRY_MS = [300, 1000, 2000, 4000, 8000];
const UNWELL_MS = [1000, 3000, 8000, 20_000, 30_000];
/** A step that a server which is otherwise well fails to take so often is set aside. */
const MOST_FAILURES = 5;
/** Ailments of the server that have nothing to do with the step. */
const NOT_THE_STEP: ReadonlySet<string> = new Set([
  'busy',
  'database-away',
  'not-understood',
  'signed-out',
  'too-many',
  'updating',
]);

type Given = {
  store: SessionStore;
  /** Address of the job. */
  url: string;
  outbox: Outbox;
  actor: () => Actor;
  notify: (notice: Notice) => void;
  /** Whether this window made it. */
  isOwn: (batchId: string) => boolean;
  /** Take in what the server said, which settles this batch. */
  absorb: (outcome: Outcome, batchId?: string) => void;
  /** Go on with other steps pending than before. */
  setPending: (pending: Entry[]) => void;
  /** Ask what was missed at once: the job was opened from what is kept here. */
  behind: boolean;
};

export type Sender = {
  /** Keep a step that is shown already, and bring it to the server. */
  take: (entry: Entry) => void;
  heard: (revision: number | 'gap') => void;
  tryNow: () => void;
};

/** Brings what waits to the server, one step after the other, and fetches what others did. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: what sends shares its state, which nothing else may see
export function createSender(given: Given): Sender {
  const { store, url, outbox, actor, notify, isOwn, absorb, setPending } = given;
  let draining = false;
  let again = false;
  let newsWanted = given.behind;
  /** The latest revision that was heard of: mostly our own step, which its answer tells of as well. */
  let heardOf = 0;
  let wake: (() => void) | null = null;
  /** Being written to the outbox: not in its list yet. */
  const adding = new Set<string>();
  /** Entries that the browser would not keep: they are sent from here. */
  const unkept: Entry[] = [];
  /** Batches that this window saw settled. */
  const done = new Set<string>();
  const failures = new Map<string, number>();
  /** A step on its way at once, since nothing waited before it. */
  let early: Promise<void> | null = null;

  const isBehind = () => newsWanted || heardOf > store.getState().confirmed.point.revision;
  const without = (batchId: string) => store.getState().pending.filter((entry) => entry.batchId !== batchId);

  const wait = (ms: number) =>
    new Promise<void>((over) => {
      const timer = setTimeout(over, ms);
      wake = () => {
        clearTimeout(timer);
        over();
      };
    });

  /** What waits, with what other windows put in, and without what they dealt with. */
  async function readOutbox(): Promise<Entry[]> {
    const [kept, aside] = await Promise.all([outbox.list(), outbox.listAside()]);
    const entries = [...kept, ...unkept];
    const listed = new Set(entries.map(({ batchId }) => batchId));
    const away = new Set(aside.map(({ batchId }) => batchId));
    const { pending } = store.getState();
    const known = new Set(pending.map(({ batchId }) => batchId));
    const fresh = entries.filter(({ batchId }) => !known.has(batchId) && !done.has(batchId));
    const dropped = pending.some(({ batchId }) => away.has(batchId));
    // Gone from the outbox, though not by us: another window brought it to the server.
    if (pending.some(({ batchId }) => !listed.has(batchId) && !adding.has(batchId) && !away.has(batchId)))
      newsWanted = true;
    if (aside.length > 0 || store.getState().aside.length > 0) store.setState({ aside });
    if (fresh.length > 0 || dropped) setPending([...pending.filter(({ batchId }) => !away.has(batchId)), ...fresh]);
    return entries;
  }

  async function finish(batchId: string): Promise<void> {
    done.add(batchId);
    const at = unkept.findIndex((entry) => entry.batchId === batchId);
    if (at >= 0) unkept.splice(at, 1);
    else await outbox.remove(batchId);
  }

  async function putAside(entry: Entry, why: string): Promise<void> {
    done.add(entry.batchId);
    await outbox.setAside(entry, why);
    const { aside } = store.getState();
    store.setState({ aside: [...aside.filter(({ batchId }) => batchId !== entry.batchId), { ...entry, why }] });
    setPending(without(entry.batchId));
  }

  async function send(entry: Entry): Promise<void> {
    const { point } = store.getState().confirmed;
    const { batchId, kind, seen, commands } = entry;
    const sent = { batchId, base: point, seen, actor: entry.actor };
    const [path, body] =
      kind === 'do' ? ['batches', { ...sent, commands }] : ['reversals', { ...sent, direction: kind }];
    try {
      const outcome = await askServer(`${url}/${path}`, Outcome, { method: 'POST', body });
      store.setState({ trouble: null, unsure: false });
      absorb(outcome, batchId);
      await finish(batchId);
      if (kind !== 'do' && isOwn(batchId) && outcome.status === 'done')
        notify({ tone: 'done', words: `${kind === 'undo' ? 'Undone' : 'Redone'}: ${entry.label}` });
    } catch (fault) {
      if (!(fault instanceof CannotBeDone)) throw fault;
      if (kind === 'do') {
        await putAside(entry, fault.message);
        notify({ tone: 'wrong', words: `“${entry.label}” could not be done and was set aside: ${fault.message}` });
      } else {
        // Nothing is lost with it: there is nothing to keep.
        await finish(batchId);
        setPending(without(batchId));
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
      store.setState({ trouble: null, unsure: false });
      // What is gone from the outbox and is not among what we missed stands in what we have already.
      const listed = new Set([...(await outbox.list()), ...unkept].map(({ batchId }) => batchId));
      absorb(outcome);
      const { pending } = store.getState();
      const rest = pending.filter(({ batchId }) => listed.has(batchId) || adding.has(batchId));
      if (rest.length < pending.length) setPending(rest);
    } catch (fault) {
      newsWanted = true;
      throw fault;
    }
  }

  async function work(): Promise<void> {
    let tries = 0;
    for (;;) {
      // The outbox is read when there is something to bring from it.
      await early;
      const entry = (await readOutbox())[0];
      if (!entry && !isBehind()) return;
      try {
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
        store.setState({ trouble: !unwell ? 'away' : fault.code === 'signed-out' ? 'signed-out' : 'unwell' });
        if (unwell && entry && !NOT_THE_STEP.has(fault.code)) {
          const count = (failures.get(entry.batchId) ?? 0) + 1;
          failures.set(entry.batchId, count);
          if (count >= MOST_FAILURES) {
            await putAside(entry, `The server failed ${count} times to take it. ${fault.message}`);
            const words = stepWords(entry.kind, entry.label);
            notify({ tone: 'wrong', words: `“${words}” was set aside: the server fails to take it.` });
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
      // It ended, and something waits all the same.
      if (store.getState().pending.length > 0 && adding.size === 0) store.setState({ trouble: 'unwell' });
    } catch (fault) {
      // Not of the network nor of the server: ours. What waits stays kept.
      console.error(fault);
      store.setState({ trouble: 'unwell' });
    } finally {
      draining = false;
    }
  }

  outbox.hear(() => {
    void readOutbox().then(() => {
      if (isBehind() || store.getState().pending.length > 0) void drain();
    });
  });
  if (isBehind() || store.getState().pending.length > 0) void drain();

  return {
    take: (entry) => {
      adding.add(entry.batchId);
      const { pending, trouble } = store.getState();
      // Where nothing waits before it, it goes on its way while it is being kept and drawn: whoever sends it once more does
      // no harm, the server takes a batch once.
      if (pending.length === 0 && trouble === null && !draining)
        early = send(entry)
          // What did not arrive is brought from the outbox.
          .catch(() => undefined)
          .finally(() => {
            early = null;
          });
      outbox
        .add(entry)
        .catch(() => {
          store.setState({ lasting: false });
          notify({
            tone: 'wrong',
            words: 'This browser keeps nothing more: what waits is lost when this window closes.',
          });
          unkept.push(entry);
        })
        .finally(() => {
          adding.delete(entry.batchId);
          void drain();
        });
      // Once the page is drawn, so that no other window of this browser begins with it as well.
      setTimeout(() => void drain());
    },
    heard: (revision) => {
      if (revision === 'gap') newsWanted = true;
      else heardOf = Math.max(heardOf, revision);
      if (isBehind()) void drain();
    },
    tryNow: () => wake?.(),
  };
}
