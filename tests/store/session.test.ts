import { randomUUID } from 'node:crypto';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import * as batches from '../../src/app/api/jobs/[id]/batches/route';
import * as changes from '../../src/app/api/jobs/[id]/changes/route';
import * as reversals from '../../src/app/api/jobs/[id]/reversals/route';
import type { OpenJob } from '../../src/core/exchange/wire/wire';
import type { Command } from '../../src/core/job/commands/commands';
import type { Job } from '../../src/core/job/document/job';
import type { Actor } from '../../src/core/job/document/step';
import { TABLES } from '../../src/core/job/document/tables';
import { Rack } from '../../src/core/job/records/rack';
import { applyBatch, openJob } from '../../src/server/jobs';
import { closePool } from '../../src/server/workPool';
import { insertJob } from '../../src/store/jobStore';
import type { Store } from '../../src/store/openStore';
import { createSession } from '../../src/ui/session/createSession';
import { passingOutbox } from '../../src/ui/session/outbox';
import { linkOf, type Notice } from '../../src/ui/session/session';
import { bench } from '../support/jobs';
import { freshStore } from './freshStore';

const me: Actor = { id: 'me', name: 'Ada' };
const sam: Actor = { id: 'sam', name: 'Sam' };

let store: Store;
beforeAll(async () => {
  const fresh = await freshStore('session');
  store = fresh.store;
  process.env.DATABASE_URL = fresh.url;
  return closePool;
});

/** The routes that a session calls, by the last part of their address. */
const ROUTES = { batches, reversals, changes } as const;

/**
 * One job of the real server: its routes answer what a session asks. `state` makes it unreachable or unwell.
 * @param start the job as it is made
 */
async function oneJob(start: Job) {
  const id = randomUUID();
  const keep = (job: Job, history: string) => insertJob(store.em.fork(), { ...job, id }, { history, firmId: null });
  await keep(start, 'first');
  const server = {
    state: 'well' as 'well' | 'down' | 'hangs' | number,
    asked: 0,
    /** A request with this text in its body fails with status 500. */
    failsOn: null as string | null,
    /** Number of accepted changes from this window. */
    taken: 0,
    /** Runs after the next change is accepted and before its answer arrives. */
    afterNext: null as (() => void) | null,
    opened: async (): Promise<OpenJob> => {
      const opened = await openJob(store, me, id);
      if (!opened) throw new Error('no job');
      return opened;
    },
    job: async (): Promise<Job> => (await server.opened()).job,
    /** Number of changes that the server has accepted. */
    steps: async (): Promise<number> => (await server.opened()).point.revision,
    /** As if its database held another one under this id. */
    putBack: async (job: Job, history: string): Promise<void> => {
      await store.em.fork().execute('delete from job where id = ?', [id]);
      await keep(job, history);
    },
  };
  /** What somebody else does. @param seen the revision that they had before them */
  const take = async (commands: Command[], seen?: number): Promise<void> => {
    const { point } = await server.opened();
    const batch = { batchId: randomUUID(), base: point, seen: seen ?? point.revision, actor: sam, commands };
    await applyBatch(store, id, batch);
  };
  const answer = (status: number, body: object) => new Response(JSON.stringify(body), { status });
  vi.stubGlobal('fetch', async (address: string, init?: RequestInit) => {
    server.asked += 1;
    const { state } = server;
    if (state === 'hangs')
      return new Promise((_, fail) => init?.signal?.addEventListener('abort', () => fail(new Error('too late'))));
    if (state === 'down') throw new TypeError('fetch failed');
    if (typeof state === 'number')
      return answer(state, { code: state === 503 ? 'busy' : 'unfinished', message: 'No.' });
    if (server.failsOn !== null && String(init?.body).includes(server.failsOn))
      return answer(500, { code: 'unfinished', message: 'It broke.' });
    const url = new URL(address, 'http://127.0.0.1');
    const part = url.pathname.split('/').at(-1) as keyof typeof ROUTES;
    const { GET, POST } = ROUTES[part] as { GET?: Handler; POST?: Handler };
    const handler = init?.method === 'POST' ? POST : GET;
    if (!handler) throw new Error(`nothing answers at ${address}`);
    const { method = 'GET', headers, body } = init ?? {};
    const request = new Request(url, { method, ...(headers ? { headers } : {}), ...(body ? { body } : {}) });
    const said = await handler(request, { params: Promise.resolve({ id }) });
    if (part !== 'changes' && said.ok) {
      server.taken += 1;
      const after = server.afterNext;
      server.afterNext = null;
      after?.();
    }
    return said;
  });
  return { id, server, take };
}
type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });
const land = (runId: string, port: number): Command => ({
  type: 'landRuns',
  landings: [{ runId, panelId: 'panel', port }],
});
const device = (text: string): Command => ({
  type: 'editRuns',
  edits: [{ runId: 'run-1', changes: { device: text } }],
});

async function open(outbox = passingOutbox()) {
  const notices: Notice[] = [];
  const { server, take } = await oneJob(bench({ 1: {}, 2: {}, 3: {} }));
  const opened = await server.opened();
  const session = createSession({ opened, outbox, actor: () => me, notify: (notice) => notices.push(notice) });
  const settled = () =>
    vi.waitFor(() => expect(session.getState()).toMatchObject({ trouble: null, pending: [] }), { timeout: 60_000 });
  return { server, take, session, notices, settled, outbox };
}

beforeEach(() => {
  vi.useFakeTimers({
    toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'],
    shouldAdvanceTime: true,
    advanceTimeDelta: 200,
  });
  // The browser's own clock is none of the timers above: a request is given up after as long as it takes here.
  vi.spyOn(AbortSignal, 'timeout').mockImplementation(() => {
    const given = new AbortController();
    setTimeout(() => given.abort(), 15_000);
    return given.signal;
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

describe('one job in one window', () => {
  it('shows a step at once and has it confirmed', async () => {
    const { server, session, settled } = await open();
    expect(session.getState().dispatch([rename('Now')])).toBe(true);
    expect(session.getState()).toMatchObject({
      job: { name: 'Now' },
      confirmed: { job: { name: 'Bench' } },
      reversals: { undo: 'Rename the job to Now' },
      pending: [{ label: 'Rename the job to Now', seen: 0 }],
    });
    await settled();
    expect(session.getState().confirmed).toMatchObject({ job: await server.job(), point: { revision: 1 } });
  });

  it('never says that all is saved while something waits, from the first moment on', async () => {
    const { id, server } = await oneJob(bench({ 1: {} }));
    const outbox = passingOutbox();
    const waiting = ['First', 'Second'].map((name) => ({
      jobId: id,
      batchId: `waits-${name}`,
      kind: 'do' as const,
      label: `Rename the job to ${name}`,
      commands: [rename(name)],
      seen: 0,
      actor: me,
      madeAt: 0,
    }));
    for (const entry of waiting) await outbox.add(entry);
    const opened = await server.opened();
    const session = createSession({ opened, outbox, waiting, actor: () => me, notify: () => undefined });
    const wrong: string[] = [];
    const look = () => {
      if (linkOf(session.getState()) === 'saved' && server.taken < 2)
        wrong.push(`saved with ${server.taken} of 2 at the server`);
    };
    look();
    session.subscribe(look);
    await vi.waitFor(() => expect(server.taken).toBe(2), { timeout: 60_000 });
    await vi.waitFor(() => expect(session.getState()).toMatchObject({ trouble: null, pending: [] }));
    expect(wrong).toEqual([]);
  });

  it('sets aside what a full job has no room for, and goes on with what is behind it', async () => {
    const { server, take, session, settled } = await open();
    const { atMost } = TABLES.racks;
    const rack = (at: number) => Rack.parse({ id: `rack-${at}`, name: `Rack ${at}`, units: 12, depthMm: 600 });
    // Somebody else fills the job while this window does not hear of it.
    await take(Array.from({ length: atMost - 1 }, (_, at): Command => ({ type: 'addRack', rack: rack(at) })));
    session.getState().dispatch([{ type: 'addRack', rack: rack(atMost) }]);
    session.getState().dispatch([rename('Behind it')]);
    await settled();
    expect((await server.job()).name).toBe('Behind it');
    expect(session.getState().aside).toMatchObject([{ why: expect.stringMatching(/^A job has at most \d+ /) }]);
  });

  it('does not say that all is saved while nobody knows whether the server can be reached', async () => {
    const { server, session, settled } = await open();
    expect(linkOf(session.getState())).toBe('saved');
    server.state = 'hangs';
    session.getState().lost(true);
    expect(linkOf(session.getState())).toBe('unsure');
    session.getState().heard('gap');
    await vi.waitFor(() => expect(linkOf(session.getState())).toBe('away'), { timeout: 60_000 });
    server.state = 'well';
    session.getState().tryNow();
    await settled();
    expect(linkOf(session.getState())).toBe('saved');
  });

  it('seals the job it is given as plain data, so that what is worked out of it is kept with it', async () => {
    const { server } = await oneJob(bench({ 1: {} }));
    const plain = structuredClone(await server.opened());
    expect(Object.isFrozen(plain.job.runs)).toBe(false);
    const session = createSession({ opened: plain, outbox: passingOutbox(), actor: () => me, notify: () => undefined });
    const { job } = session.getState();
    expect([job, job.runs, job.runs['run-1']].every(Object.isFrozen)).toBe(true);
  });

  it('sees the very same job when only its own step comes back, so that what was made of it stands', async () => {
    const { session, settled } = await open();
    session.getState().dispatch([land('run-1', 1)]);
    session.getState().dispatch([land('run-2', 2)]);
    const { job } = session.getState();
    await settled();
    expect(session.getState().job).toBe(job);
    expect(session.getState().confirmed).toMatchObject({ point: { revision: 2 }, job: { landings: job.landings } });
  });

  it('says what cannot be done, and sends nothing', async () => {
    const { server, session, notices } = await open();
    expect(session.getState().dispatch([{ type: 'removeRuns', runIds: ['nobody'] }])).toBe(false);
    expect(notices).toEqual([{ tone: 'wrong', words: 'That run is no longer in the job.' }]);
    expect(server.asked).toBe(0);
  });

  it('sends nothing for what is so already', async () => {
    const { server, session } = await open();
    expect(session.getState().dispatch([rename('Bench')])).toBe(true);
    expect(session.getState().pending).toEqual([]);
    expect(server.asked).toBe(0);
  });

  it('puts its steps on top of what another window did', async () => {
    const { server, take, session, settled } = await open();
    await take([land('run-3', 5)]);
    session.getState().dispatch([land('run-1', 1)]);
    session.getState().dispatch([land('run-2', 2)]);
    await settled();
    expect(session.getState().job).toEqual(await server.job());
    expect(Object.values((await server.job()).landings)).toHaveLength(3);
  });

  it('hears of other windows', async () => {
    const { take, session } = await open();
    await take([rename('Elsewhere')]);
    session.getState().heard(1);
    await vi.waitFor(() => expect(session.getState().job.name).toBe('Elsewhere'));
  });

  it('undoes what is mine, whatever others did since', async () => {
    const { take, session, notices, settled } = await open();
    session.getState().dispatch([rename('One')]);
    await settled();
    await take([land('run-1', 1)]);
    session.getState().reverse('undo');
    await settled();
    expect(session.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-1': { port: 1 } } });
    expect(notices.at(-1)).toEqual({ tone: 'done', words: 'Undone: Rename the job to One' });
  });
});

describe('a step that cannot be done', () => {
  it('is set aside with its reason and its content, and those behind it go on', async () => {
    const { server, take, session, notices, settled, outbox } = await open();
    await take([land('run-3', 1)]);
    session.getState().dispatch([land('run-1', 1)]);
    session.getState().dispatch([land('run-2', 2)]);
    await settled();
    expect(notices[0]?.words).toBe(
      '“Land 1 on Panel port 1” could not be done and was set aside: Panel port 1 is taken by 3.',
    );
    expect(session.getState().job).toEqual(await server.job());
    expect(
      Object.values((await server.job()).landings)
        .map((row) => row.runId)
        .sort(),
    ).toEqual(['run-2', 'run-3']);
    expect(session.getState().aside).toMatchObject([
      { label: 'Land 1 on Panel port 1', why: 'Panel port 1 is taken by 3.', commands: [land('run-1', 1)] },
    ]);
    const [entry] = session.getState().aside;
    session.getState().dropAside(entry?.batchId ?? '');
    expect(session.getState().aside).toEqual([]);
    await vi.waitFor(async () => expect(await outbox.listAside()).toEqual([]));
  });

  it('because the server fails on it again and again, is set aside as well', async () => {
    const { server, session, settled } = await open();
    server.failsOn = 'Cursed';
    session.getState().dispatch([rename('Cursed')]);
    session.getState().dispatch([land('run-2', 2)]);
    await vi.waitFor(() => expect(linkOf(session.getState())).toBe('unwell'));
    await settled();
    expect(session.getState().aside).toMatchObject([{ label: 'Rename the job to Cursed' }]);
    expect(session.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-2': { port: 2 } } });
    expect(server.asked).toBeLessThan(12);
  });
});

describe('while there is no way to the server', () => {
  it.each([
    ['no network', 'down' as const, 'away'],
    ['a server that hangs', 'hangs' as const, 'away'],
    ['a database that is away', 503, 'unwell'],
  ])('%s: steps wait, are not asked about too often, and arrive', async (_, state, link) => {
    const { server, session, settled, outbox } = await open();
    server.state = state;
    session.getState().dispatch([rename('Away')]);
    session.getState().dispatch([land('run-1', 1)]);
    await vi.waitFor(() => expect(linkOf(session.getState())).toBe(link), { timeout: 60_000 });
    expect(session.getState().job.name).toBe('Away');
    expect(await outbox.list()).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.asked).toBeLessThan(20);
    expect(session.getState().aside).toEqual([]);
    server.state = 'well';
    session.getState().tryNow();
    await settled();
    expect((await server.job()).name).toBe('Away');
    expect(await server.steps()).toBe(2);
    expect(await outbox.list()).toEqual([]);
  });

  it('does nothing twice when the answer was lost', async () => {
    const { server, session, settled } = await open();
    // The step is taken, but the connection breaks before the answer arrives.
    server.afterNext = () => {
      throw new TypeError('connection lost');
    };
    session.getState().dispatch([rename('Once')]);
    await settled();
    expect(await server.steps()).toBe(1);
    expect(session.getState().job.name).toBe('Once');
  });

  it('a window that closes leaves its steps to the next one', async () => {
    const { server, session, outbox } = await open();
    server.state = 'down';
    session.getState().dispatch([rename('Left behind')]);
    await vi.waitFor(async () => expect(await outbox.list()).toHaveLength(1));
    const waiting = await outbox.list();
    const opened = await server.opened();
    const next = createSession({ opened, outbox, waiting, actor: () => me, notify: () => undefined });
    expect(next.getState().job.name).toBe('Left behind');
    server.state = 'well';
    await vi.waitFor(() => expect(next.getState()).toMatchObject({ pending: [], trouble: null }), { timeout: 60_000 });
    expect((await server.job()).name).toBe('Left behind');
    expect(await server.steps()).toBe(1);
  });
});

describe('a history that is not the one it knows', () => {
  it.each([
    ['the data was made new', 'second'],
    ['a backup was put back', 'first'],
  ])('%s: it takes the whole job, once, and puts what waits on top', async (_, history) => {
    const { server, take, session, settled } = await open();
    for (const name of ['A', 'B', 'C']) await take([rename(name)]);
    session.getState().heard(3);
    await vi.waitFor(() => expect(session.getState().job.name).toBe('C'));
    // The server is set back behind this window.
    const start = bench({ 1: {}, 2: {}, 3: {} });
    await server.putBack(start, history);
    server.asked = 0;
    session.getState().dispatch([land('run-1', 4)]);
    await settled();
    expect(session.getState().job).toEqual(await server.job());
    expect(session.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-1': { port: 4 } } });
    expect(server.asked).toBeLessThan(4);
  });

  it('names a step that no longer fits there', async () => {
    const { server, session, settled, notices } = await open();
    server.state = 'down';
    session.getState().dispatch([land('run-3', 4)]);
    await vi.waitFor(() => expect(linkOf(session.getState())).toBe('away'));
    await server.putBack(bench({ 1: {} }), 'second');
    server.state = 'well';
    session.getState().tryNow();
    await settled();
    expect(session.getState().aside).toMatchObject([{ why: 'That run is no longer in the job.' }]);
    expect(notices.at(-1)?.words).toMatch(/Land 3 on Panel port 4.*set aside/);
  });
});

describe('two windows in one field', () => {
  it('the later one wins, and the other is told what was overwritten, by whom, and can bring it back', async () => {
    const { server, take, session, notices, settled } = await open();
    session.getState().dispatch([device('camera')]);
    await settled();
    // Sam had not seen it.
    await take([device('desk')], 0);
    session.getState().heard(2);
    await vi.waitFor(() => expect(session.getState().job.runs['run-1']?.device).toBe('desk'));
    const told = notices.at(-1);
    expect(told?.words).toBe('Sam changed what you had just set: run 1: device “camera” → “desk”.');
    told?.action?.run();
    await settled();
    expect((await server.job()).runs['run-1']?.device).toBe('camera');
  });

  it('one that was seen before it was changed is nobody’s loss', async () => {
    const { take, session, notices, settled } = await open();
    session.getState().dispatch([device('camera')]);
    await settled();
    await take([device('desk')], 1);
    session.getState().heard(2);
    await vi.waitFor(() => expect(session.getState().job.runs['run-1']?.device).toBe('desk'));
    expect(notices).toEqual([]);
  });

  it('two fields of one record both stay', async () => {
    const { server, take, session, settled } = await open();
    await take([device('camera')], 0);
    session.getState().dispatch([{ type: 'editRuns', edits: [{ runId: 'run-1', changes: { room: 'Hall' } }] }]);
    await settled();
    expect((await server.job()).runs['run-1']).toMatchObject({ device: 'camera', room: 'Hall' });
  });
});
