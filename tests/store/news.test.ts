import { randomUUID } from 'node:crypto';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { GET as events } from '../../src/app/api/jobs/[id]/events/route';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { type Member, makeFirst, signIn, signOut } from '../../src/server/accounts';
import { type Heard, listen, say } from '../../src/server/changes';
import { takeInJob } from '../../src/server/jobs';
import { askerOf, cookieFor } from '../../src/server/signIns';
import type { Store } from '../../src/store/openStore';
import { quillback } from '../support/jobs';
import { freshStore } from './freshStore';

let store: Store;
beforeAll(async () => {
  const fresh = await freshStore('news');
  store = fresh.store;
  Object.assign(process.env, {
    DATABASE_URL: fresh.url,
    SHELF_ACCOUNTS: '1',
    SHELF_SECRET: 'a secret of the tests, long enough for them',
  });
});

const stops: (() => void)[] = [];
afterEach(() => {
  for (const stop of stops.splice(0)) stop();
});

/** What is heard of a job from now on. */
async function heardOf(jobId: string): Promise<Heard[]> {
  const heard: Heard[] = [];
  stops.push(listen(jobId, (one) => heard.push(one)));
  // Until the line stands: then each word that is said is heard.
  await vi.waitUntil(async () => {
    await sayTo(jobId, 'here');
    return heard.length > 0;
  });
  return heard;
}
const sayTo = (jobId: string, name: string) =>
  say(store.em.fork(), jobId, { id: 'window-00000001', name, place: '', code: '', end: '', mark: 'here', runId: null });
const names = (heard: readonly Heard[]) => heard.flatMap((one) => (typeof one === 'object' ? one.name : []));

describe('news of a job', () => {
  it.each(['error', 'newListener', 'removeListener', '__proto__', 'constructor'])(
    'is heard after news of one whose id is %s',
    async (id) => {
      const heard = await heardOf('another-job');
      await sayTo(id, 'nobody listens to this');
      await sayTo('another-job', `after ${id}`);
      await vi.waitFor(() => expect(names(heard)).toContain(`after ${id}`), 5000);
    },
  );

  it('is heard of a job whose id is the name of an event', async () => {
    const heard = await heardOf('error');
    await sayTo('error', 'this one');
    await vi.waitFor(() => expect(names(heard)).toContain('this one'), 5000);
  });

  it('is heard after a message that cannot be read', async () => {
    const heard = await heardOf('next');
    await store.em.fork().execute(`select pg_notify('job_meeting', 'next {"not": json')`);
    await store.em.fork().execute(`select pg_notify('job_meeting', 'next {"mark": "unknown"}')`);
    await sayTo('next', 'after it');
    await vi.waitFor(() => expect(names(heard)).toContain('after it'), 5000);
  });

  it('is heard by all others where one of them fails to take it in', async () => {
    stops.push(
      listen('shared', () => {
        throw new Error('This one fails.');
      }),
    );
    const heard = await heardOf('shared');
    await sayTo('shared', 'once');
    await sayTo('shared', 'twice');
    await vi.waitFor(() => expect(names(heard)).toEqual(expect.arrayContaining(['once', 'twice'])), 5000);
  });

  it('is heard again after the line to the database broke, and a gap is told', async () => {
    const heard = await heardOf('broken');
    heard.length = 0;
    await store.em
      .fork()
      .execute(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'`,
      );
    await vi.waitFor(() => expect(heard).toContain('gap'), 20_000);
    await sayTo('broken', 'again');
    await vi.waitFor(() => expect(names(heard)).toContain('again'), 5000);
  });
});

describe('a stream of events', () => {
  const PASSWORD = 'seven quiet lanterns';
  let jobId = '';
  const enter = async (): Promise<{ by: Member; cookie: string }> => {
    const from = { address: randomUUID(), device: 'a test' };
    const cookie = await cookieFor((await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, from)) ?? '');
    const { asker } = await askerOf(store, cookie, null);
    if (asker.kind !== 'member') throw new Error('not let in');
    return { by: asker, cookie };
  };
  beforeAll(async () => {
    const { firmId } = await makeFirst(store, { firm: 'Heron Cabling', login: 'ada', name: 'Ada', password: PASSWORD });
    ({ id: jobId } = await takeInJob(store, writeJobFile({ ...quillback(), id: `job-${randomUUID()}` }), firmId));
  });
  const open = (cookie: string, abort = new AbortController()) => {
    stops.push(() => abort.abort());
    const request = new Request('http://localhost/events', { headers: { cookie }, signal: abort.signal });
    return events(request, { params: Promise.resolve({ id: jobId }) });
  };

  it('ends with the sign-out at once, and not with the next beat', async () => {
    const { by, cookie } = await enter();
    const { body } = await open(cookie);
    const reader = body?.getReader();
    await reader?.read();
    await heardOf(jobId);
    const began = Date.now();
    await signOut(store, by);
    for (let read = await reader?.read(); read && !read.done; read = await reader?.read());
    expect(Date.now() - began).toBeLessThan(5000);
  });

  it('is refused in words to one who has very many, and given again when one of them ends', async () => {
    const { cookie } = await enter();
    const first = new AbortController();
    expect((await open(cookie, first)).status).toBe(200);
    let refused: Response | null = null;
    for (let count = 1; count < 200 && !refused; count++) {
      const answer = await open(cookie);
      if (answer.status !== 200) refused = answer;
    }
    expect(refused?.status).toBe(429);
    expect(await refused?.json()).toMatchObject({ code: 'too-many', message: expect.stringMatching(/Close some/) });
    first.abort();
    expect((await open(cookie)).status).toBe(200);
  });
});
