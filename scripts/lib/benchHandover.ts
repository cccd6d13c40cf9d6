import { waysFor } from '../../src/core/oneMore/ways';
import { roomsOf, wishFor } from '../../src/core/oneMore/wish';
import { handoverHtml } from '../../src/print/handoverHtml';
import { makeTakeaway } from '../../src/print/makeTakeaway';
import { bareJob, plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { root } from './build';
import { timed } from './measure';

const about = { version: 'As built', at: '2026-11-27T18:30:00Z', address: '' };

/** The next device, and the papers of the hand-over. */
export async function benchHandover(note: Note, miss: (words: string) => void): Promise<void> {
  for (const runs of [100, 400]) {
    const job = plannedJob(runs);
    const [room] = roomsOf(job);
    let count = 0;
    const ms = await timed(3, () => {
      waysFor(job, wishFor(job, 'camera', room?.room ?? ''), (what) => `bench-${what}-${count++}`);
    });
    note('one more camera', runs, ms, '1000 ms');
    const html = handoverHtml(job, root, about);
    const kb = Buffer.byteLength(html) / 1024;
    console.log(`  the file that answers, of ${runs} runs: ${kb.toFixed(0)} KB`);
    if (runs === 400 && kb > 1024) miss(`the file of 400 runs: ${kb.toFixed(0)} KB`);
    for (const id of ['handover.html', 'pack.zip', 'door.pdf', 'pack.pdf'] as const)
      note(`made: ${id}`, runs, await timed(1, async () => void (await makeTakeaway(id, job, { root, about }))));
  }
  const many = Buffer.byteLength(handoverHtml(bareJob(5000), root, about)) / 1024;
  console.log(`  the file that answers, of 5000 runs: ${many.toFixed(0)} KB`);
}
