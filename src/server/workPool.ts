import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { Refusal } from '../core/base/text/refusal';
import type { TakeawayId } from '../core/exchange/formats/takeaways';
import type { Command } from '../core/job/commands/commands';
import type { Change } from '../core/job/document/change';
import type { Job } from '../core/job/document/job';
import type { LinkPageGiven } from '../print/linkPage';
import type { Making } from '../print/makeTakeaway';
import { builtPart } from './builtParts';
import { Later } from './later';
import { log } from './log';
import { whoAsks } from './whoAsks';

/** What is done in the threads: what it is given, and what it makes of it. */
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
  /** Jobs of whatever file is brought: an archive of many, a pack, a job file, a port map. Faults name the file that they are in. */
  readFile: {
    given: { bytes: Uint8Array; fresh: { id: string; name: string } };
    made: { jobs: Job[]; archive: boolean; notes: string[]; faults: string[] };
  };
  batch: { given: { job: Job; commands: Command[] }; made: { label: string; changes: Change[] } };
  /** A photograph as it is kept. */
  picture: { given: { bytes: Uint8Array }; made: Uint8Array };
};
export type Order = { [W in keyof Work]: { number: number; work: W; given: Work[W]['given'] } }[keyof Work];
export type WorkAnswer =
  | { made: Work[keyof Work]['made'] }
  | { refusal: { code: string; message: string; at: string | null } };
/** Said by a thread when it begins an order: the time that it has counts from here. */
export type Began = { began: number };

/**
 * Two lanes, so that what takes long never stands before what is done at once. In each, one person has only so many orders: what
 * others ask for finds a place.
 */
const LANES = {
  quick: { threads: 1, longestMs: 30_000, mostWaiting: 100, eachPerson: 30, memoryMb: 1024 },
  long: {
    threads: Math.max(1, availableParallelism() - 1),
    longestMs: 120_000,
    mostWaiting: 16,
    eachPerson: 3,
    memoryMb: 2048,
  },
} as const;
type LaneName = keyof typeof LANES;
/** Who is refused comes again after so long, seconds. */
const AGAIN_S = 10;

const runsOf = (job: Job): number => Object.keys(job.runs).length;
/** Measured: text of 3,000 runs takes well under a second, and a document of 150. */
const QUICK_RUNS = { text: 3000, document: 150 } as const;
const QUICK_BYTES = 1024 * 1024;

/** Whether an order is small enough for the quick lane. */
const IS_QUICK: { [W in keyof Work]: (given: Work[W]['given']) => boolean } = {
  takeaway: ({ id, job, making }) => {
    const plain = /\.(csv|svg|ics|json|dot|graphml)$/.test(id);
    return runsOf(job) <= QUICK_RUNS[plain ? 'text' : 'document'] && making.files.length === 0;
  },
  compared: ({ before, after }) => Math.max(runsOf(before), runsOf(after)) <= QUICK_RUNS.document,
  linkPage: ({ job }) => runsOf(job) <= QUICK_RUNS.text,
  readFile: ({ bytes }) => bytes.byteLength <= QUICK_BYTES,
  writeArchive: () => false,
  batch: () => true,
  picture: () => true,
};

type Lane = { pool: Piscina; orders: number; begin: Map<number, () => void>; byPerson: Map<string, number> };

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfLanes?: Partial<Record<LaneName, Lane>> };
home.goodShelfLanes ??= {};
const lanes = home.goodShelfLanes;

/** The threads of a lane, started at first use. */
function laneNamed(name: LaneName): Lane {
  const there = lanes[name];
  if (there) return there;
  const { threads, mostWaiting, memoryMb } = LANES[name];
  // The server says where the program of the threads stands, built; elsewhere it is translated as it is read.
  const built = builtPart('workThread');
  const pool = new Piscina({
    filename: built ?? join(process.cwd(), 'src/server/work.worker.ts'),
    execArgv: built ? [] : ['--import', 'tsx'],
    minThreads: 1,
    maxThreads: threads,
    maxQueue: mostWaiting,
    idleTimeout: 60_000,
    // What one file needs beyond this ends its own thread, and nothing else.
    resourceLimits: { maxOldGenerationSizeMb: memoryMb },
  });
  const lane: Lane = { pool, orders: 0, begin: new Map(), byPerson: new Map() };
  pool.on('message', ({ began }: Began) => lane.begin.get(began)?.());
  // A thread that dies fails what it was doing, which says so itself.
  pool.on('error', (fault) => log.error({ err: fault }, 'a work thread failed'));
  lanes[name] = lane;
  return lane;
}

/** End the threads; those that are needed again are started again. */
export async function closePool(): Promise<void> {
  for (const name of Object.keys(lanes) as LaneName[]) {
    await lanes[name]?.pool.destroy();
    delete lanes[name];
  }
}

/**
 * Have something done in a thread of its own.
 * @param longestMs how long it may take from its beginning, waiting not counted
 * @throws Refusal where the work refuses, Later where there is no place for it or it takes too long, Error where it fails
 */
export async function inThread<W extends keyof Work>(
  work: W,
  given: Work[W]['given'],
  longestMs?: number,
): Promise<Work[W]['made']> {
  const name: LaneName = IS_QUICK[work](given) ? 'quick' : 'long';
  const { eachPerson, mostWaiting, longestMs: most } = { ...LANES[name], ...(longestMs ? { longestMs } : {}) };
  const lane = laneNamed(name);
  const who = whoAsks();
  const mine = lane.byPerson.get(who) ?? 0;
  if (who !== '' && mine >= eachPerson)
    throw new Later('busy', `You already have ${mine} files in progress. Wait for one to finish.`, AGAIN_S);
  if (lane.pool.queueSize >= mostWaiting)
    throw new Later('busy', 'The server is busy. Try again in a few seconds.', AGAIN_S);
  lane.orders += 1;
  const number = lane.orders;
  const stop = new AbortController();
  let late: ReturnType<typeof setTimeout> | undefined;
  lane.begin.set(number, () => {
    late = setTimeout(() => stop.abort(), most);
  });
  lane.byPerson.set(who, mine + 1);
  try {
    const answer = (await lane.pool.run({ number, work, given } as Order, { signal: stop.signal })) as WorkAnswer;
    if ('refusal' in answer) {
      const { code, message, at } = answer.refusal;
      throw new Refusal(code, message, at);
    }
    return answer.made as Work[W]['made'];
  } catch (fault) {
    if (stop.signal.aborted)
      throw new Later(
        'too-long',
        `This took longer than ${most / 1000} s and was stopped. Try a smaller selection.`,
        60,
      );
    throw fault;
  } finally {
    clearTimeout(late);
    lane.begin.delete(number);
    const left = (lane.byPerson.get(who) ?? 1) - 1;
    if (left > 0) lane.byPerson.set(who, left);
    else lane.byPerson.delete(who);
  }
}
