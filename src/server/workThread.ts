import { Worker } from 'node:worker_threads';
import type { Command } from '../core/commands/commands';
import type { TakeawayId } from '../core/formats/takeaways';
import type { Change } from '../core/job/change';
import type { Job } from '../core/job/job';
import { Refusal } from '../core/text/refusal';
import type { LinkPageGiven } from '../print/linkPage';
import type { Making } from '../print/makeTakeaway';

/** What is done in the work thread: what it is given, and what it makes of it. */
export type Work = {
  takeaway: {
    given: { id: TakeawayId; job: Job; making: Making };
    made: string | Uint8Array;
  };
  compared: { given: { before: Job; after: Job; from: number; to: number; root: string }; made: Uint8Array };
  /** The page of a link. */
  linkPage: { given: LinkPageGiven; made: string };
  /** All jobs as one file. */
  writeArchive: { given: { jobs: { id: string; name: string; text: string }[]; at: string }; made: Uint8Array };
  /** Jobs of an archive; null where it is none. Faults name the file that they are in. */
  readArchive: { given: { bytes: Uint8Array }; made: { jobs: Job[]; faults: string[] } | null };
  jobFile: { given: { text: string }; made: { job: Job; notes: string[]; faults: string[] } };
  batch: { given: { job: Job; commands: Command[] }; made: { label: string; changes: Change[] } };
};
export type Order = { [W in keyof Work]: { number: number; work: W; given: Work[W]['given'] } }[keyof Work];
export type WorkAnswer =
  | { number: number; made: Work[keyof Work]['made'] }
  | { number: number; refusal: { code: string; message: string; at: string | null } }
  | { number: number; fault: string };

const LONGEST_MS = 120_000;

type Waiting = { done: (made: never) => void; fail: (fault: Error) => void };
type Room = { thread: Worker | null; orders: number; waiting: Map<number, Waiting> };

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfWork?: Room };
home.goodShelfWork ??= { thread: null, orders: 0, waiting: new Map() };
const room = home.goodShelfWork;

/** The thread, started at first use; when it dies, what waits for it fails and the next order starts another. */
function threadOf(): Worker {
  if (room.thread) return room.thread;
  // The server says where it stands, built; the framework builds its own from here.
  const { SHELF_WORK_THREAD: built } = process.env;
  const thread = built ? new Worker(built) : new Worker(new URL('./work.worker.ts', import.meta.url));
  thread.unref();
  const end = (fault: Error) => {
    if (room.thread !== thread) return;
    room.thread = null;
    const waiting = [...room.waiting.values()];
    room.waiting.clear();
    for (const { fail } of waiting) fail(fault);
  };
  thread.on('message', (answer: WorkAnswer) => {
    const waiting = room.waiting.get(answer.number);
    room.waiting.delete(answer.number);
    if ('made' in answer) waiting?.done(answer.made as never);
    else if ('refusal' in answer) {
      const { code, message, at } = answer.refusal;
      waiting?.fail(new Refusal(code, message, at));
    } else waiting?.fail(new Error(answer.fault));
  });
  thread.on('error', (fault) => end(fault as Error));
  thread.on('exit', () => end(new Error('The work thread ended.')));
  room.thread = thread;
  return thread;
}

/** Have something done in the work thread. @throws Refusal where the work refuses, Error where it fails or takes too long */
export function inThread<W extends keyof Work>(work: W, given: Work[W]['given']): Promise<Work[W]['made']> {
  room.orders += 1;
  const number = room.orders;
  const thread = threadOf();
  return new Promise((done, fail) => {
    // What never ends would hold up all behind it.
    const late = setTimeout(() => void thread.terminate(), LONGEST_MS);
    const settled =
      <T>(then: (value: T) => void) =>
      (value: T) => {
        clearTimeout(late);
        then(value);
      };
    room.waiting.set(number, { done: settled(done), fail: settled(fail) });
    thread.postMessage({ number, work, given } as Order);
  });
}
