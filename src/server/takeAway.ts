import { LRUCache } from 'lru-cache';
import type { TakeawayId, TakeawayWords } from '../core/formats/takeaways';
import type { Job } from '../core/job/job';
import { inThread } from './workThread';

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
 * @param today what stood before the build began, for what is about the build
 * @throws Refusal when the words ask for what it does not have
 */
export async function takeAway(
  id: TakeawayId,
  job: Job,
  state: string,
  words: TakeawayWords,
  today: Job | null = null,
): Promise<Body> {
  const key = JSON.stringify([job.id, state, id, words]);
  const known = made.get(key);
  if (known !== undefined) return known;
  const body = await inThread('takeaway', { id, job, words, root: process.cwd(), today });
  made.set(key, body);
  return body;
}
