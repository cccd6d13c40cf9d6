import { parentPort } from 'node:worker_threads';
import type { TakeawayId, TakeawayWords } from '../core/formats/takeaways';
import type { Job } from '../core/job/job';
import { sealJob } from '../core/job/sealJob';
import { Refusal } from '../core/text/refusal';
import { makeTakeaway } from '../print/makeTakeaway';

/** What is asked of the print thread. */
export type PrintOrder = { order: number; id: TakeawayId; job: Job; words: TakeawayWords; root: string };
export type PrintAnswer =
  | { order: number; body: string | Uint8Array }
  | { order: number; refusal: { code: string; message: string } }
  | { order: number; fault: string };

// One thread of its own, so that a long document never holds up a request.
parentPort?.on('message', async ({ order, id, job, words, root }: PrintOrder) => {
  const answer = (value: PrintAnswer) => parentPort?.postMessage(value);
  try {
    answer({ order, body: await makeTakeaway(id, sealJob(job), words, root) });
  } catch (fault) {
    if (fault instanceof Refusal) answer({ order, refusal: { code: fault.code, message: fault.message } });
    else answer({ order, fault: fault instanceof Error ? (fault.stack ?? fault.message) : String(fault) });
  }
});
