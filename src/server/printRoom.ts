import { Worker } from 'node:worker_threads';
import { LRUCache } from 'lru-cache';
import type { TakeawayId, TakeawayWords } from '../core/formats/takeaways';
import type { Job } from '../core/job/job';
import { Refusal } from '../core/text/refusal';
import type { PrintAnswer, PrintOrder } from './print.worker';

const MOST_BYTES = 64 * 1024 * 1024;
const LONGEST_MS = 120_000;

type Waiting = { done: (body: string | Uint8Array) => void; fail: (fault: Error) => void };
type Room = { thread: Worker | null; orders: number; waiting: Map<number, Waiting> };

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & {
  goodShelfPrints?: { room: Room; made: LRUCache<string, string | Uint8Array> };
};
home.goodShelfPrints ??= {
  room: { thread: null, orders: 0, waiting: new Map() },
  made: new LRUCache<string, string | Uint8Array>({
    maxSize: MOST_BYTES,
    sizeCalculation: (body) => Math.max(1, typeof body === 'string' ? body.length * 2 : body.byteLength),
  }),
};
const { room, made } = home.goodShelfPrints;

/** The print thread, started at first use; when it dies, what waits for it fails and the next order starts another. */
function threadOf(): Worker {
  if (room.thread) return room.thread;
  const thread = new Worker(new URL('./print.worker.ts', import.meta.url));
  thread.unref();
  const end = (fault: Error) => {
    if (room.thread === thread) room.thread = null;
    for (const { fail } of room.waiting.values()) fail(fault);
    room.waiting.clear();
  };
  thread.on('message', (answer: PrintAnswer) => {
    const waiting = room.waiting.get(answer.order);
    room.waiting.delete(answer.order);
    if ('body' in answer) waiting?.done(answer.body);
    else if ('refusal' in answer) waiting?.fail(new Refusal(answer.refusal.code, answer.refusal.message));
    else waiting?.fail(new Error(answer.fault));
  });
  thread.on('error', (fault) => end(fault as Error));
  thread.on('exit', () => end(new Error('The print thread ended.')));
  room.thread = thread;
  return thread;
}

function order(wanted: Omit<PrintOrder, 'order'>): Promise<string | Uint8Array> {
  room.orders += 1;
  const number = room.orders;
  const thread = threadOf();
  return new Promise((done, fail) => {
    // A document that never comes would hold up all behind it.
    const late = setTimeout(() => void thread.terminate(), LONGEST_MS);
    const settle = <T>(with_: (value: T) => void) => {
      return (value: T) => {
        clearTimeout(late);
        with_(value);
      };
    };
    room.waiting.set(number, { done: settle(done), fail: settle(fail) });
    thread.postMessage({ ...wanted, order: number } satisfies PrintOrder);
  });
}

/**
 * What is taken away of a job, made in a thread of its own and kept by what it was made of.
 * @param state of the job: its history and revision
 * @throws Refusal when the words ask for what it does not have
 */
export async function takeAway(id: TakeawayId, job: Job, state: string, words: TakeawayWords) {
  const key = JSON.stringify([job.id, state, id, words]);
  const known = made.get(key);
  if (known !== undefined) return known;
  const body = await order({ id, job, words, root: process.cwd() });
  made.set(key, body);
  return body;
}
