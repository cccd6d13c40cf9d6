import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Refusal } from '../../src/core/base/text/refusal';
import type { Point } from '../../src/core/exchange/wire/wire';
import { applyCommands, describeCommands } from '../../src/core/job/commands/apply';
import type { Command } from '../../src/core/job/commands/commands';
import { applyChanges, invert } from '../../src/core/job/document/change';
import type { Job } from '../../src/core/job/document/job';
import type { Actor, Step } from '../../src/core/job/document/step';
import { TABLES } from '../../src/core/job/document/tables';
import { Rack } from '../../src/core/job/records/rack';
import { statusOf } from '../../src/server/answer';
import { createSession } from '../../src/ui/session/createSession';
import { passingOutbox } from '../../src/ui/session/outbox';
import { linkOf, type Notice } from '../../src/ui/session/session';
import { bench } from '../support/jobs';

const me: Actor = { id: 'me', name: 'Ada' };
const sam: Actor = { id: 'sam', name: 'Sam' };

/** A server in small: one job, its steps, and the answers of the real one. `state` makes it unreachable or unwell. */
function smallServer(start: Job) {
  const server = {
    job: start,
    steps: [] as Step[],
    history: 'first',
    state: 'well' as 'well' | 'down' | 'hangs' | number,
    asked: 0,
    /** Fails to take batches with this label, whatever else goes well. */
    failsOn: null as string | null,
    afterNext: null as (() => void) | null,
  };
  const point = (): Point => ({
    history: server.history,
    revision: server.steps.length,
    step: server.steps.at(-1)?.batchId ?? '',
  });
  const reversals = () => ({
    undo: server.steps.findLast((step) => step.actor.id === 'me' && step.kind === 'do')?.label ?? null,
    redo: null,
  });
  const opened = () => ({ job: server.job, point: point(), reversals: reversals() });
  const tell = (base: Point, label: string | null) => {
    const known = base.revision === 0 ? base.step === '' : server.steps[base.revision - 1]?.batchId === base.step;
    if (base.history !== server.history || !known) return { status: 'anew', taken: label !== null, opened: opened() };
    return { status: 'done', point: point(), label, missed: server.steps.slice(base.revision), reversals: reversals() };
  };
  const record = (step: Omit<Step, 'revision' | 'at'>) => {
    server.job = applyChanges(server.job, step.changes);
    server.steps.push({ ...step, revision: server.steps.length + 1, at: '2026-11-27T06:00:00.000Z' });
  };
  const take = (
    commands: Command[],
    actor = sam,
    seen = server.steps.length,
    batchId = `batch-${server.steps.length}`,
  ) =>
    record({
      batchId,
      kind: 'do',
      label: describeCommands(server.job, commands),
      actor,
      seen,
      changes: applyCommands(server.job, commands).changes,
    });

  const answer = (status: number, body: object) => new Response(JSON.stringify(body), { status });
  vi.stubGlobal('fetch', async (url: string, init?: { body?: string; signal?: AbortSignal }) => {
    server.asked += 1;
    const { state } = server;
    if (state === 'hangs')
      return new Promise((_, fail) => init?.signal?.addEventListener('abort', () => fail(new Error('too late'))));
    if (state === 'down') throw new TypeError('fetch failed');
    if (typeof state === 'number')
      return answer(state, { code: state === 503 ? 'busy' : 'unfinished', message: 'No.' });
    if (url.includes('/changes')) {
      const words = new URL(url, 'http://x').searchParams;
      const [history = '', step = ''] = [words.get('history') ?? '', words.get('step') ?? ''];
      return answer(200, tell({ history, step, revision: Number(words.get('revision')) }, null));
    }
    const { batchId, base, seen, actor, commands, direction } = JSON.parse(init?.body ?? '{}');
    const known = server.steps.find((step) => step.batchId === batchId);
    if (known) return answer(200, tell(base, known.label));
    try {
      if (direction) {
        const last = server.steps.findLast((step) => step.actor.id === actor.id && step.kind === 'do');
        if (!last) return answer(422, { code: 'nothing-to-undo', message: 'There is nothing of yours to undo.' });
        record({ ...last, batchId, kind: 'undo', label: `Undo: ${last.label}`, changes: invert(last.changes) });
      } else {
        if (describeCommands(server.job, commands) === server.failsOn)
          return answer(500, { code: 'unfinished', message: 'It broke.' });
        take(commands, actor, seen, batchId);
      }
    } catch (fault) {
      const { code, message } = fault as Refusal;
      return answer(statusOf(fault as Refusal), { code, message });
    }
    const after = server.afterNext;
    server.afterNext = null;
    after?.();
    return answer(200, tell(base, server.steps.at(-1)?.label ?? null));
  });
  return { server, take, opened };
}

const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });
const land = (runId: string, port: number): Command => ({
  type: 'landRuns',
  landings: [{ runId, panelId: 'panel', port }],
});
const device = (text: string): Command => ({
  type: 'editRuns',
  edits: [{ runId: 'run-1', changes: { device: text } }],
});

function open(outbox = passingOutbox()) {
  const start = bench({ 1: {}, 2: {}, 3: {} });
  const notices: Notice[] = [];
  const { server, take, opened } = smallServer(start);
  const store = createSession({ opened: opened(), outbox, actor: () => me, notify: (notice) => notices.push(notice) });
  const settled = () =>
    vi.waitFor(() => expect(store.getState()).toMatchObject({ trouble: null, pending: [] }), { timeout: 60_000 });
  return { server, take, store, notices, settled, outbox, opened };
}

beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 200 });
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
    const { server, store, settled } = open();
    expect(store.getState().dispatch([rename('Now')])).toBe(true);
    expect(store.getState()).toMatchObject({
      job: { name: 'Now' },
      confirmed: { job: { name: 'Bench' } },
      reversals: { undo: 'Rename the job to Now' },
      pending: [{ label: 'Rename the job to Now', seen: 0 }],
    });
    await settled();
    expect(store.getState().confirmed).toMatchObject({ job: server.job, point: { revision: 1 } });
  });

  it('never says that all is saved while something waits, from the first moment on', async () => {
    const { opened, server } = smallServer(bench({ 1: {} }));
    const outbox = passingOutbox();
    const waiting = ['First', 'Second'].map((name) => ({
      jobId: 'bench',
      batchId: `waits-${name}`,
      kind: 'do' as const,
      label: `Rename the job to ${name}`,
      commands: [rename(name)],
      seen: 0,
      actor: me,
      madeAt: 0,
    }));
    for (const entry of waiting) await outbox.add(entry);
    const store = createSession({ opened: opened(), outbox, waiting, actor: () => me, notify: () => undefined });
    const wrong: string[] = [];
    const look = () => {
      if (linkOf(store.getState()) === 'saved' && server.steps.length < 2)
        wrong.push(`saved with ${server.steps.length} of 2 at the server`);
    };
    look();
    store.subscribe(look);
    await vi.waitFor(() => expect(server.steps).toHaveLength(2), { timeout: 60_000 });
    await vi.waitFor(() => expect(store.getState()).toMatchObject({ trouble: null, pending: [] }));
    expect(wrong).toEqual([]);
  });

  it('sets aside what a full job has no room for, and goes on with what is behind it', async () => {
    const { server, take, store, settled } = open();
    const { atMost } = TABLES.racks;
    const rack = (at: number) => Rack.parse({ id: `rack-${at}`, name: `Rack ${at}`, units: 12, depthMm: 600 });
    // Somebody else fills the job while this window does not hear of it.
    take(Array.from({ length: atMost - 1 }, (_, at): Command => ({ type: 'addRack', rack: rack(at) })));
    store.getState().dispatch([{ type: 'addRack', rack: rack(atMost) }]);
    store.getState().dispatch([rename('Behind it')]);
    await settled();
    expect(server.job.name).toBe('Behind it');
    expect(store.getState().aside).toMatchObject([{ why: expect.stringMatching(/^A job has at most \d+ /) }]);
  });

  it('does not say that all is saved while nobody knows whether the server can be reached', async () => {
    const { server, store, settled } = open();
    expect(linkOf(store.getState())).toBe('saved');
    server.state = 'hangs';
    store.getState().lost(true);
    expect(linkOf(store.getState())).toBe('unsure');
    store.getState().heard('gap');
    await vi.waitFor(() => expect(linkOf(store.getState())).toBe('away'), { timeout: 60_000 });
    server.state = 'well';
    store.getState().tryNow();
    await settled();
    expect(linkOf(store.getState())).toBe('saved');
  });

  it('seals the job it is given as plain data, so that what is worked out of it is kept with it', () => {
    const { opened } = smallServer(bench({ 1: {} }));
    const plain = structuredClone(opened());
    expect(Object.isFrozen(plain.job.runs)).toBe(false);
    const store = createSession({ opened: plain, outbox: passingOutbox(), actor: () => me, notify: () => undefined });
    const { job } = store.getState();
    expect([job, job.runs, job.runs['run-1']].every(Object.isFrozen)).toBe(true);
  });

  it('sees the very same job when only its own step comes back, so that what was made of it stands', async () => {
    const { store, settled } = open();
    store.getState().dispatch([land('run-1', 1)]);
    store.getState().dispatch([land('run-2', 2)]);
    const { job } = store.getState();
    await settled();
    expect(store.getState().job).toBe(job);
    expect(store.getState().confirmed).toMatchObject({ point: { revision: 2 }, job: { landings: job.landings } });
  });

  it('says what cannot be done, and sends nothing', () => {
    const { server, store, notices } = open();
    expect(store.getState().dispatch([{ type: 'removeRuns', runIds: ['nobody'] }])).toBe(false);
    expect(notices).toEqual([{ tone: 'wrong', words: 'That run is no longer in the job.' }]);
    expect(server.asked).toBe(0);
  });

  it('sends nothing for what is so already', () => {
    const { server, store } = open();
    expect(store.getState().dispatch([rename('Bench')])).toBe(true);
    expect(store.getState().pending).toEqual([]);
    expect(server.asked).toBe(0);
  });

  it('puts its steps on top of what another window did', async () => {
    const { server, take, store, settled } = open();
    take([land('run-3', 5)]);
    store.getState().dispatch([land('run-1', 1)]);
    store.getState().dispatch([land('run-2', 2)]);
    await settled();
    expect(store.getState().job).toEqual(server.job);
    expect(Object.values(server.job.landings)).toHaveLength(3);
  });

  it('hears of other windows', async () => {
    const { take, store } = open();
    take([rename('Elsewhere')]);
    store.getState().heard(1);
    await vi.waitFor(() => expect(store.getState().job.name).toBe('Elsewhere'));
  });

  it('undoes what is mine, whatever others did since', async () => {
    const { take, store, notices, settled } = open();
    store.getState().dispatch([rename('One')]);
    await settled();
    take([land('run-1', 1)]);
    store.getState().reverse('undo');
    await settled();
    expect(store.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-1': { port: 1 } } });
    expect(notices.at(-1)).toEqual({ tone: 'done', words: 'Undone: Rename the job to One' });
  });
});

describe('a step that cannot be done', () => {
  it('is set aside with its reason and its content, and those behind it go on', async () => {
    const { server, take, store, notices, settled, outbox } = open();
    take([land('run-3', 1)]);
    store.getState().dispatch([land('run-1', 1)]);
    store.getState().dispatch([land('run-2', 2)]);
    await settled();
    expect(notices[0]?.words).toBe(
      '“Land 1 on Panel port 1” could not be done and was set aside: Panel port 1 is taken by 3.',
    );
    expect(store.getState().job).toEqual(server.job);
    expect(
      Object.values(server.job.landings)
        .map((row) => row.runId)
        .sort(),
    ).toEqual(['run-2', 'run-3']);
    expect(store.getState().aside).toMatchObject([
      { label: 'Land 1 on Panel port 1', why: 'Panel port 1 is taken by 3.', commands: [land('run-1', 1)] },
    ]);
    const [entry] = store.getState().aside;
    store.getState().dropAside(entry?.batchId ?? '');
    expect(store.getState().aside).toEqual([]);
    await vi.waitFor(async () => expect(await outbox.listAside()).toEqual([]));
  });

  it('because the server fails on it again and again, is set aside as well', async () => {
    const { server, store, settled } = open();
    server.failsOn = 'Rename the job to Cursed';
    store.getState().dispatch([rename('Cursed')]);
    store.getState().dispatch([land('run-2', 2)]);
    await vi.waitFor(() => expect(linkOf(store.getState())).toBe('unwell'));
    await settled();
    expect(store.getState().aside).toMatchObject([{ label: 'Rename the job to Cursed' }]);
    expect(store.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-2': { port: 2 } } });
    expect(server.asked).toBeLessThan(12);
  });
});

describe('while there is no way to the server', () => {
  it.each([
    ['no network', 'down' as const, 'away'],
    ['a server that hangs', 'hangs' as const, 'away'],
    ['a database that is away', 503, 'unwell'],
  ])('%s: steps wait, are not asked about too often, and arrive', async (_, state, link) => {
    const { server, store, settled, outbox } = open();
    server.state = state;
    store.getState().dispatch([rename('Away')]);
    store.getState().dispatch([land('run-1', 1)]);
    await vi.waitFor(() => expect(linkOf(store.getState())).toBe(link), { timeout: 60_000 });
    expect(store.getState().job.name).toBe('Away');
    expect(await outbox.list()).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.asked).toBeLessThan(20);
    expect(store.getState().aside).toEqual([]);
    server.state = 'well';
    store.getState().tryNow();
    await settled();
    expect(server.job.name).toBe('Away');
    expect(server.steps).toHaveLength(2);
    expect(await outbox.list()).toEqual([]);
  });

  it('does nothing twice when the answer was lost', async () => {
    const { server, store, settled } = open();
    // The step is taken, but the connection breaks before the answer arrives.
    server.afterNext = () => {
      throw new TypeError('connection lost');
    };
    store.getState().dispatch([rename('Once')]);
    await settled();
    expect(server.steps).toHaveLength(1);
    expect(store.getState().job.name).toBe('Once');
  });

  it('a window that closes leaves its steps to the next one', async () => {
    const { server, store, outbox, opened } = open();
    server.state = 'down';
    store.getState().dispatch([rename('Left behind')]);
    await vi.waitFor(async () => expect(await outbox.list()).toHaveLength(1));
    const waiting = await outbox.list();
    const next = createSession({ opened: opened(), outbox, waiting, actor: () => me, notify: () => undefined });
    expect(next.getState().job.name).toBe('Left behind');
    server.state = 'well';
    await vi.waitFor(() => expect(next.getState()).toMatchObject({ pending: [], trouble: null }), { timeout: 60_000 });
    expect(server.job.name).toBe('Left behind');
    expect(server.steps).toHaveLength(1);
  });
});

describe('a history that is not the one it knows', () => {
  it.each([
    ['the data was made new', 'second'],
    ['a backup was put back', 'first'],
  ])('%s: it takes the whole job, once, and puts what waits on top', async (_, history) => {
    const { server, take, store, settled } = open();
    for (const name of ['A', 'B', 'C']) take([rename(name)]);
    store.getState().heard(3);
    await vi.waitFor(() => expect(store.getState().job.name).toBe('C'));
    // The server is set back behind this window.
    const start = bench({ 1: {}, 2: {}, 3: {} });
    Object.assign(server, { job: start, steps: [], history, asked: 0 });
    store.getState().dispatch([land('run-1', 4)]);
    await settled();
    expect(store.getState().job).toEqual(server.job);
    expect(store.getState().job).toMatchObject({ name: 'Bench', landings: { 'run-1': { port: 4 } } });
    expect(server.asked).toBeLessThan(4);
  });

  it('names a step that no longer fits there', async () => {
    const { server, store, settled, notices } = open();
    server.state = 'down';
    store.getState().dispatch([land('run-3', 4)]);
    await vi.waitFor(() => expect(linkOf(store.getState())).toBe('away'));
    Object.assign(server, { job: bench({ 1: {} }), steps: [], history: 'second', state: 'well' });
    store.getState().tryNow();
    await settled();
    expect(store.getState().aside).toMatchObject([{ why: 'That run is no longer in the job.' }]);
    expect(notices.at(-1)?.words).toMatch(/Land 3 on Panel port 4.*set aside/);
  });
});

describe('two windows in one field', () => {
  it('the later one wins, and the other is told what was overwritten, by whom, and can bring it back', async () => {
    const { server, take, store, notices, settled } = open();
    store.getState().dispatch([device('camera')]);
    await settled();
    // Sam had not seen it.
    take([device('desk')], sam, 0);
    store.getState().heard(2);
    await vi.waitFor(() => expect(store.getState().job.runs['run-1']?.device).toBe('desk'));
    const told = notices.at(-1);
    expect(told?.words).toBe('Sam changed what you had just set: run 1: device “camera” → “desk”.');
    told?.action?.run();
    await settled();
    expect(server.job.runs['run-1']?.device).toBe('camera');
  });

  it('one that was seen before it was changed is nobody’s loss', async () => {
    const { take, store, notices, settled } = open();
    store.getState().dispatch([device('camera')]);
    await settled();
    take([device('desk')], sam, 1);
    store.getState().heard(2);
    await vi.waitFor(() => expect(store.getState().job.runs['run-1']?.device).toBe('desk'));
    expect(notices).toEqual([]);
  });

  it('two fields of one record both stay', async () => {
    const { server, take, store, settled } = open();
    take([device('camera')], sam, 0);
    store.getState().dispatch([{ type: 'editRuns', edits: [{ runId: 'run-1', changes: { room: 'Hall' } }] }]);
    await settled();
    expect(server.job.runs['run-1']).toMatchObject({ device: 'camera', room: 'Hall' });
  });
});
