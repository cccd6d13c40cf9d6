import type { IDBPDatabase } from 'idb';
import type { OpenJob } from '@/core/exchange/wire/wire';
import { type Entry, type KeptJob, NAME, openAlready, openShelves, type SetAside, type Shelves } from './shelves';
import { fileCounts } from './waitingFiles';

/**
 * The steps of one job on their way to the server, in order, for all windows of this browser. What stands in it outlives
 * the window.
 */
export type Outbox = {
  /** Whether it outlives the window. */
  lasting: boolean;
  add: (entry: Entry) => Promise<void>;
  list: () => Promise<Entry[]>;
  /** The server has it. */
  remove: (batchId: string) => Promise<void>;
  setAside: (entry: Entry, why: string) => Promise<void>;
  listAside: () => Promise<SetAside[]>;
  dropAside: (batchId: string) => Promise<void>;
  keptJob: () => Promise<KeptJob | null>;
  /** @param schema version of the schemas that it is kept by */
  keepJob: (opened: OpenJob, schema?: number) => Promise<void>;
  /** Do something that only one window of this browser does at a time. */
  alone: <T>(work: () => Promise<T>) => Promise<T>;
  /** Hear of what other windows of this browser put in or took out. @returns what stops it */
  hear: (changed: () => void) => () => void;
  close: () => void;
};

/** Jobs that are kept without being pinned: those that were open last. */
const MOST_UNPINNED = 20;

/** The outbox of a job in this browser. @throws when the browser keeps nothing for this page */
export async function openOutbox(jobId: string): Promise<Outbox> {
  await openShelves();
  const channel = new BroadcastChannel(`${NAME} ${jobId}`);
  let open = true;
  const tell = () => {
    if (open) channel.postMessage('changed');
  };
  return {
    lasting: true,
    add: async (entry) => {
      // It stands when the browser is killed right after; only a power cut within the same moment could take it.
      // Begun before the page is drawn anew, which takes longer.
      const write = (openAlready() ?? (await openShelves())).transaction('outbox', 'readwrite', {
        durability: 'relaxed',
      });
      await write.store.add(entry);
      await write.done;
      tell();
    },
    list: async () => (await openShelves()).getAllFromIndex('outbox', 'job', jobId),
    remove: async (batchId) => {
      const write = (await openShelves()).transaction('outbox', 'readwrite');
      const key = await write.store.index('batch').getKey(batchId);
      if (key !== undefined) await write.store.delete(key);
      await write.done;
      tell();
    },
    setAside: async (entry, why) => {
      // Out of one and into the other at once: it is never in neither.
      const write = (await openShelves()).transaction(['outbox', 'aside'], 'readwrite', { durability: 'strict' });
      const outbox = write.objectStore('outbox');
      const key = await outbox.index('batch').getKey(entry.batchId);
      if (key !== undefined) await outbox.delete(key);
      await write.objectStore('aside').put({ ...entry, why });
      await write.done;
      tell();
    },
    listAside: async () => (await openShelves()).getAllFromIndex('aside', 'job', jobId),
    dropAside: async (batchId) => {
      await (await openShelves()).delete('aside', batchId);
      tell();
    },
    keptJob: async () => (await (await openShelves()).get('jobs', jobId)) ?? null,
    keepJob: async (job, schema) => {
      const db = await openShelves();
      const before = await db.get('jobs', jobId);
      await db.put('jobs', {
        jobId,
        opened: job,
        at: Date.now(),
        pinned: before?.pinned ?? false,
        ...(schema === undefined ? {} : { schema }),
      });
      await dropOldest(db);
    },
    // Without the lock (an address that is neither https nor loopback) two windows may both send: the server takes it once.
    alone: (work) => (navigator.locks ? navigator.locks.request(`${NAME} outbox ${jobId}`, work) : work()),
    hear: (changed) => {
      channel.addEventListener('message', changed);
      return () => channel.removeEventListener('message', changed);
    },
    close: () => {
      open = false;
      channel.close();
    },
  };
}

/** Jobs that are neither pinned nor open lately make room, unless something of them waits. */
async function dropOldest(db: IDBPDatabase<Shelves>): Promise<void> {
  if ((await db.count('jobs')) <= MOST_UNPINNED) return;
  const kept = (await db.getAll('jobs')).filter(({ pinned }) => !pinned).sort((a, b) => b.at - a.at);
  for (const { jobId } of kept.slice(MOST_UNPINNED))
    if ((await db.countFromIndex('outbox', 'job', jobId)) + (await fileCounts(jobId)) === 0)
      await db.delete('jobs', jobId);
}

/** Jobs that are kept in this browser, those that were open last first. */
export async function keptJobs(): Promise<{ jobId: string; at: number; pinned: boolean; name: string }[]> {
  const all = await (await openShelves()).getAll('jobs');
  return all
    .sort((a, b) => Number(b.pinned ?? false) - Number(a.pinned ?? false) || b.at - a.at)
    .map(({ jobId, at, pinned, opened }) => ({ jobId, at, pinned: pinned ?? false, name: opened.job.name }));
}
/** @returns whether the job is kept here at all: it is some seconds after it was opened */
export async function pinJob(jobId: string, pinned: boolean): Promise<boolean> {
  const db = await openShelves();
  const kept = await db.get('jobs', jobId);
  if (kept) await db.put('jobs', { ...kept, pinned });
  return kept !== undefined;
}

/** What of a job waits in this browser, or was set aside here. */
export type WaitingHere = { jobId: string; name: string; waiting: number; aside: number };

/** Jobs of which something waits in this browser, or was set aside here. */
export async function waitingHere(): Promise<WaitingHere[]> {
  const db = await openShelves();
  const all = new Map<string, WaitingHere>();
  const of = (jobId: string): WaitingHere => {
    const there = all.get(jobId) ?? { jobId, name: '', waiting: 0, aside: 0 };
    all.set(jobId, there);
    return there;
  };
  for (const { jobId } of await db.getAll('outbox')) of(jobId).waiting += 1;
  for (const { jobId } of await db.getAll('aside')) of(jobId).aside += 1;
  for (const { jobId, why } of await db.getAll('files')) of(jobId)[why === null ? 'waiting' : 'aside'] += 1;
  for (const one of all.values()) one.name = (await db.get('jobs', one.jobId))?.opened.job.name ?? '';
  return [...all.values()];
}

/** For one who signs out of this device: what would be lost, and all of it gone. */
export const steppedOut = {
  waiting: async (): Promise<number> => {
    const db = await openShelves();
    return (await db.count('outbox')) + (await db.count('aside')) + (await db.count('files'));
  },
  wipe: async (): Promise<void> => {
    const db = await openShelves();
    const all = ['outbox', 'aside', 'jobs', 'files', 'bodies'] as const;
    const write = db.transaction(all, 'readwrite');
    await Promise.all(all.map((name) => write.objectStore(name).clear()));
    await write.done;
    localStorage.clear();
    if ('caches' in window) for (const name of await caches.keys()) await caches.delete(name);
    for (const one of (await navigator.serviceWorker?.getRegistrations()) ?? []) await one.unregister();
  },
};

/** An outbox that does not outlive the window, where the browser keeps nothing. */
export function passingOutbox(): Outbox {
  let entries: Entry[] = [];
  let aside: SetAside[] = [];
  return {
    lasting: false,
    add: async (entry) => void entries.push(entry),
    list: async () => entries,
    remove: async (batchId) => {
      entries = entries.filter((entry) => entry.batchId !== batchId);
    },
    setAside: async (entry, why) => {
      entries = entries.filter(({ batchId }) => batchId !== entry.batchId);
      aside = [...aside, { ...entry, why }];
    },
    listAside: async () => aside,
    dropAside: async (batchId) => {
      aside = aside.filter((entry) => entry.batchId !== batchId);
    },
    keptJob: async () => null,
    keepJob: async () => undefined,
    alone: (work) => work(),
    hear: () => () => undefined,
    close: () => undefined,
  };
}
