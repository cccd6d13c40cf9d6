import { strToU8, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { plannedJob } from '../../scripts/lib/benchJob';
import { slowness } from '../../scripts/lib/slowness';
import { GET as file } from '../../src/app/api/jobs/[id]/files/[file]/route';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Job } from '../../src/core/job/document/job';
import { takeInFile, takeInJob } from '../../src/server/jobs';
import { asking } from '../../src/server/whoAsks';
import { closePool, inThread } from '../../src/server/workPool';
import type { Store } from '../../src/store/openStore';
import { quillback } from '../support/jobs';
import { freshStore } from './freshStore';

const MB = 1024 * 1024;
const bytesOf = (text: string) => new TextEncoder().encode(text);

let store: Store;
let large: Job;
beforeAll(async () => {
  const fresh = await freshStore('pool');
  store = fresh.store;
  process.env.DATABASE_URL = fresh.url;
  large = plannedJob(600);
});
afterAll(closePool);

/** The longest time in which nothing else was done, ms, while something is done. */
async function holdUp<T>(work: () => Promise<T>): Promise<{ longest: number; outcome: PromiseSettledResult<T> }> {
  let longest = 0;
  let last = performance.now();
  const beat = setInterval(() => {
    longest = Math.max(longest, performance.now() - last);
    last = performance.now();
  }, 5);
  const [outcome] = await Promise.allSettled([work()]);
  longest = Math.max(longest, performance.now() - last);
  clearInterval(beat);
  return { longest, outcome: outcome as PromiseSettledResult<T> };
}

const making = {
  root: process.cwd(),
  words: {},
  today: null,
  log: [],
  files: [],
  small: [],
  about: { version: 'As built', at: '2026-11-27T18:30:00Z', address: '' },
};
const drawing = (id: 'pack.pdf' | 'port-map.csv', job: Job, longestMs?: number) =>
  inThread('takeaway', { id, job, making }, longestMs);

describe('threads', () => {
  it('stop what takes too long, alone: what waits behind it is done', async () => {
    const slow = drawing('pack.pdf', large, 200);
    const behind = drawing('pack.pdf', quillback());
    const others = drawing('port-map.csv', quillback());
    await expect(slow).rejects.toMatchObject({ code: 'too-long', message: expect.stringMatching(/longer than 0.2 s/) });
    expect((await behind).length).toBeGreaterThan(10_000);
    expect(String(await others)).toContain('label');
  });

  it('do the small things of others while something large of one is drawn', async () => {
    const slow = asking('one', () => drawing('pack.pdf', large));
    let done = false;
    void slow.then(() => {
      done = true;
    });
    await asking('two', () => drawing('port-map.csv', quillback()));
    const began = performance.now();
    for (let at = 0; at < 5; at++) await asking('two', () => drawing('port-map.csv', quillback()));
    expect(performance.now() - began).toBeLessThan(2000);
    expect(done).toBe(false);
    await slow;
  });

  it('refuse one who asks for very much at once, and nobody else', async () => {
    const asked = Array.from({ length: 5 }, () => asking('greedy', () => drawing('pack.pdf', large)));
    const other = asking('modest', () => drawing('pack.pdf', large));
    const said = await Promise.all(
      asked.map((one) =>
        one.then(
          () => 'made',
          ({ code, seconds }: { code: string; seconds: number }) => `${code} ${seconds}`,
        ),
      ),
    );
    expect(said).toEqual(['made', 'made', 'made', 'busy 10', 'busy 10']);
    expect((await other).length).toBeGreaterThan(10_000);
    // Once they are made there is room again.
    await asking('greedy', () => drawing('pack.pdf', quillback()));
  });

  it('answer 503 with the time to come again', async () => {
    const { id } = await takeInJob(store, writeJobFile({ ...large, id: 'large-job' }));
    const ask = (at: number) =>
      file(new Request(`http://localhost/api/jobs/${id}/files/pack.pdf?sections=cords&at=${at}`), {
        params: Promise.resolve({ id, file: at % 2 === 0 ? 'pack.pdf' : 'tests.pdf' }),
      });
    const answers = await Promise.all(Array.from({ length: 6 }, (_, at) => ask(at)));
    const refused = answers.filter(({ status }) => status === 503);
    expect(refused.length).toBeGreaterThan(0);
    for (const one of refused) expect(one.headers.get('retry-after')).toBe('10');
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(6 - refused.length);
  });
});

describe('a file that is brought', () => {
  const header = 'label,panel,panel_port,switch,switch_port\n';
  it.each([
    ['of very many short lines', () => bytesOf(`${header}${'a,b\n'.repeat(4.9 * MB)}`), /rows|expected/],
    ['with a quote that is never closed', () => bytesOf(`${header}"${'x,y\n'.repeat(4.9 * MB)}`), /quote/],
    ['of one line of commas', () => bytesOf(`${header}${','.repeat(19 * MB)}`), /./],
    ['of more text than any table', () => bytesOf(`${header}${'a,b\n'.repeat(7 * MB)}`), /at most 20/],
    [
      'that unpacks to far more than it is',
      () => zipSync({ 'manifest.json': new Uint8Array(520 * MB) }, { level: 1 }),
      /more than 512/,
    ],
  ])('%s holds up nobody, and is refused in words', async (_, make, words) => {
    const bytes = make();
    const { longest, outcome } = await holdUp(() => takeInFile(store, bytes, 'Brought'));
    expect(outcome.status).toBe('rejected');
    const reason = (outcome as PromiseRejectedResult).reason as Error;
    expect(reason.name, reason.stack ?? '').toBe('Refusal');
    expect(reason.message).toMatch(words);
    // Reading the file in this thread would take many seconds. A slow machine gets more time for the rest.
    expect(longest).toBeLessThan(1000 * slowness());
  });

  it('comes in as before: a job file, a port map, a pack', async () => {
    const text = writeJobFile({ ...quillback(), id: 'brought' });
    expect(await takeInFile(store, bytesOf(text), 'x')).toMatchObject({ id: 'brought' });
    const map = String(await drawing('port-map.csv', quillback()));
    expect((await takeInFile(store, bytesOf(map), 'A port map')).notes.length).toBeGreaterThan(0);
    const pack = await inThread('takeaway', { id: 'pack.zip', job: { ...quillback(), id: 'in-a-pack' }, making });
    expect(await takeInFile(store, pack as Uint8Array, 'x')).toMatchObject({ id: 'in-a-pack' });
    await expect(takeInFile(store, zipSync({ 'x.txt': strToU8('y') }), 'x')).rejects.toThrow(/manifest/);
  });
});
