import { afterEach, describe, expect, it, vi } from 'vitest';
import { applyCommands, applyRecorded, describeCommands, type Patch } from '../../src/core/job/apply';
import type { Command } from '../../src/core/job/commands';
import type { Job } from '../../src/core/job/job';
import type { Refusal } from '../../src/core/job/refusal';
import { createSession, type Notice } from '../../src/ui/job/session';
import { bench } from '../support/jobs';

type Entry = { revision: number; batchId: string; label: string; patches: Patch[]; inverse: Patch[] };

/** A server in small: one job, its log, and the answers of the real one. `down` makes it unreachable. */
function smallServer(start: Job) {
  const server = { job: start, log: [] as Entry[], down: false, asked: 0, afterNext: null as (() => void) | null };
  const steps = () => ({ undo: server.log.at(-1)?.label ?? null, redo: null });
  const since = (base: number) =>
    server.log.filter((entry) => entry.revision > base).map(({ inverse: _, ...missed }) => missed);
  const record = (batchId: string, label: string, applied: { job: Job; patches: Patch[]; inverse: Patch[] }) => {
    server.job = applied.job;
    server.log.push({
      revision: server.log.length + 1,
      batchId,
      label,
      patches: applied.patches,
      inverse: applied.inverse,
    });
  };
  const take = (commands: Command[], batchId = `other-${server.log.length}`) =>
    record(batchId, describeCommands(server.job, commands), applyCommands(server.job, commands));

  const answer = (status: number, body: object) => Promise.resolve(new Response(JSON.stringify(body), { status }));
  vi.stubGlobal('fetch', async (url: string, init?: { body: string }) => {
    server.asked += 1;
    if (server.down) throw new TypeError('fetch failed');
    if (url.includes('/changes')) return answer(200, { missed: since(Number(url.split('since=')[1])), steps: steps() });
    const { batchId, base, commands, direction } = JSON.parse(init?.body ?? '{}');
    const revision = server.log.length;
    const done = () =>
      answer(200, {
        status: 'done',
        revision: server.log.length,
        label: server.log.at(-1)?.label,
        missed: since(base),
        steps: steps(),
      });
    if (base !== revision) {
      return server.log.some((entry) => entry.batchId === batchId)
        ? done()
        : answer(409, { status: 'stale', revision, missed: since(base), steps: steps() });
    }
    try {
      if (direction) {
        const last = server.log.at(-1);
        if (last)
          record(batchId, `Undo: ${last.label}`, {
            job: applyRecorded(server.job, last.inverse),
            patches: last.inverse,
            inverse: last.patches,
          });
      } else take(commands, batchId);
    } catch (fault) {
      return answer(422, { message: (fault as Refusal).message });
    }
    const after = server.afterNext;
    server.afterNext = null;
    after?.();
    return done();
  });
  return { server, take };
}

const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });
const land = (runId: string, port: number): Command => ({
  type: 'landRuns',
  landings: [{ runId, panelId: 'panel', port }],
});

function open() {
  const start = bench({ 1: {}, 2: {}, 3: {} });
  const notices: Notice[] = [];
  const { server, take } = smallServer(start);
  const store = createSession({ job: start, revision: 0, steps: { undo: null, redo: null } }, (notice) =>
    notices.push(notice),
  );
  const settled = () =>
    vi.waitFor(() => expect(store.getState()).toMatchObject({ link: 'saved', pending: [] }), { timeout: 8000 });
  return { server, take, store, notices, settled };
}

afterEach(() => vi.unstubAllGlobals());

describe('one job in one window', () => {
  it('shows a step at once and has it confirmed', async () => {
    const { server, store, settled } = open();
    expect(store.getState().dispatch([rename('Now')])).toBe(true);
    expect(store.getState()).toMatchObject({
      job: { name: 'Now' },
      confirmed: { job: { name: 'Bench' } },
      steps: { undo: 'Rename the job to Now' },
    });
    await settled();
    expect(store.getState().confirmed).toEqual({ job: server.job, revision: 1 });
  });

  it('seals the job it is given as plain data, so that what is worked out of it is kept with it', () => {
    const plain = structuredClone(bench({ 1: {} }));
    expect(Object.isFrozen(plain.runs)).toBe(false);
    const store = createSession({ job: plain, revision: 0, steps: { undo: null, redo: null } }, () => undefined);
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
    expect(store.getState().confirmed).toMatchObject({ revision: 2, job: { landings: job.landings } });
  });

  it('says what cannot be done, and sends nothing', () => {
    const { server, store, notices } = open();
    expect(store.getState().dispatch([{ type: 'removeRuns', runIds: ['nobody'] }])).toBe(false);
    expect(notices).toEqual([{ tone: 'wrong', words: 'That run is no longer in the job.' }]);
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

  it('drops a step that no longer fits, says which, and keeps the others', async () => {
    const { server, take, store, notices, settled } = open();
    take([land('run-3', 1)]);
    store.getState().dispatch([land('run-1', 1)]);
    store.getState().dispatch([land('run-2', 2)]);
    await settled();
    expect(notices[0]?.words).toBe(
      '“Land 1 on Panel port 1” no longer fits what another window did: Panel port 1 is taken by 3.',
    );
    expect(
      Object.values(server.job.landings)
        .map((row) => row.runId)
        .sort(),
    ).toEqual(['run-2', 'run-3']);
    expect(store.getState().job).toEqual(server.job);
  });

  it('hears of other windows', async () => {
    const { take, store, settled } = open();
    take([rename('Elsewhere')]);
    store.getState().heard(1);
    await settled();
    expect(store.getState().job.name).toBe('Elsewhere');
  });

  it('keeps steps while the server is away, and sends them once it is back', async () => {
    const { server, store, settled } = open();
    server.down = true;
    store.getState().dispatch([rename('Away')]);
    await vi.waitFor(() => expect(store.getState().link).toBe('away'));
    expect(store.getState().job.name).toBe('Away');
    server.down = false;
    await settled();
    expect(server.job.name).toBe('Away');
    expect(server.log).toHaveLength(1);
  });

  it('does nothing twice when the answer was lost', async () => {
    const { server, store, settled } = open();
    // The step is taken, but the connection breaks before the answer arrives.
    server.afterNext = () => {
      throw new TypeError('connection lost');
    };
    store.getState().dispatch([rename('Once')]);
    await settled();
    expect(server.log).toHaveLength(1);
    expect(store.getState().job.name).toBe('Once');
  });

  it('undoes what was confirmed, and asks again when another window was quicker', async () => {
    const { take, store, notices, settled } = open();
    store.getState().dispatch([rename('One')]);
    await settled();
    store.getState().reverse('undo');
    await settled();
    expect(store.getState().job.name).toBe('Bench');
    expect(notices.at(-1)).toEqual({ tone: 'done', words: 'Undone: Rename the job to One' });
    take([rename('Theirs')]);
    store.getState().reverse('undo');
    await settled();
    expect(store.getState().job.name).toBe('Theirs');
    expect(notices.at(-1)?.words).toMatch(/Another window changed the job just now/);
  });
});
