import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { waysFor } from '../../src/core/findings/whatIf/ways';
import { roomsOf, wishFor } from '../../src/core/findings/whatIf/wish';
import { handoverHtml } from '../../src/print/handoverHtml';
import { makeTakeaway } from '../../src/print/makeTakeaway';
import { bareJob, plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { openBrowser } from './browser';
import { median, timed } from './measure';
import { root } from './root';

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
  const many = handoverHtml(bareJob(5000), root, about);
  console.log(`  the file that answers, of 5000 runs: ${(Buffer.byteLength(many) / 1024).toFixed(0)} KB`);
  note('a search in it', 5000, await searchIn(many), '50 ms');
}

/** The median of some searches in the file, ms, as a browser opens it from the disk. */
async function searchIn(html: string): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), 'handover-'));
  const browser = await openBrowser();
  try {
    const path = join(folder, 'handover.html');
    writeFileSync(path, html);
    const page = await browser.newPage();
    await page.goto(pathToFileURL(path).href);
    return median(
      await page.evaluate(() => {
        const input = document.getElementById('find') as HTMLInputElement;
        return ['R04999', 'R00001', 'camera 4', 'nothing', 'room 7'].map((text) => {
          input.value = text;
          const began = performance.now();
          input.dispatchEvent(new Event('input', { bubbles: true }));
          return performance.now() - began;
        });
      }),
    );
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true });
  }
}
