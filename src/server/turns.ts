import { Later } from './later';

/** So many may wait for their turn at one job. */
const MOST_WAITING = 200;

type Turns = { last: Promise<unknown>; waiting: number };
// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfTurns?: Map<string, Turns> };
home.goodShelfTurns ??= new Map();
const turns = home.goodShelfTurns;

/**
 * Do one thing at a time for each key. What waits holds no connection to the database meanwhile, so that many changes of
 * one job never keep another job's page waiting. The database's own lock keeps processes apart.
 */
export async function inTurn<T>(key: string, work: () => Promise<T>): Promise<T> {
  const line = turns.get(key) ?? { last: Promise.resolve(), waiting: 0 };
  if (line.waiting >= MOST_WAITING)
    throw new Later('busy', 'Too many changes wait for this job: try again in a moment.', 2);
  turns.set(key, line);
  line.waiting += 1;
  const mine = line.last.then(work, work);
  line.last = mine.catch(() => undefined);
  try {
    return await mine;
  } finally {
    line.waiting -= 1;
    if (line.waiting === 0) turns.delete(key);
  }
}
