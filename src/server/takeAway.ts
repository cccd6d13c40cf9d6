import { LRUCache } from 'lru-cache';
import type { TakeawayId } from '../core/exchange/formats/takeaways';
import type { Job } from '../core/job/document/job';
import type { Making } from '../print/makeTakeaway';
import { inThread } from './workPool';

const MOST_BYTES = 64 * 1024 * 1024;
type Body = string | Uint8Array;

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfMade?: LRUCache<string, Body> };
home.goodShelfMade ??= new LRUCache<string, Body>({
  maxSize: MOST_BYTES,
  sizeCalculation: (body) => Math.max(1, typeof body === 'string' ? body.length * 2 : body.byteLength),
});
const made = home.goodShelfMade;

/**
 * What is taken away of a job, made in a thread of its own and kept by what it was made of.
 * @param state of the job: its history and revision
 * @throws Refusal when the words ask for what it does not have
 */
export async function takeAway(id: TakeawayId, job: Job, state: string, making: Omit<Making, 'root'>): Promise<Body> {
  const { words, about, files, small, log } = making;
  // By the day: what is due is judged by it. Reasons are written to steps that are there already.
  const of = [
    about.version,
    about.at.slice(0, 10),
    about.address,
    [...files, ...small].map(({ name, about: what }) => `${what} ${name}`),
    log.map(({ why }) => why),
  ];
  const key = JSON.stringify([job.id, state, id, words, of]);
  const known = made.get(key);
  if (known !== undefined) return known;
  const body = await inThread('takeaway', { id, job, making: { ...making, root: process.cwd() } });
  made.set(key, body);
  return body;
}
