import { randomUUID } from 'node:crypto';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { OpenJob, Outcome } from '../../src/core/exchange/wire/wire';
import type { Command } from '../../src/core/job/commands/commands';
import { diffJobs } from '../../src/core/job/document/change';
import type { Job } from '../../src/core/job/document/job';
import { createSession } from '../../src/ui/session/createSession';
import { passingOutbox } from '../../src/ui/session/outbox';
import { linkOf, type SessionStore } from '../../src/ui/session/session';
import { plannedJob } from './benchJob';

export type WindowsResult = {
  made: number;
  done: number;
  /** Steps that could not be done, each named with its reason. */
  aside: string[];
  refused: number;
  /** Differences between each of the windows and the server, in the end. */
  different: number;
};

/** Numbers in a row, the same for one seed. */
function seeded(seed: number) {
  let state = seed >>> 0;
  return (most: number) => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return (state >>> 9) % most;
  };
}

/** Any of the things that people do, on few enough records that they often meet. */
function anyStep(job: Job, next: (most: number) => number, number: number): Command | null {
  const runs = Object.values(job.runs);
  const run = runs[next(Math.min(runs.length, 30))];
  if (!run) return null;
  const panels = Object.values(job.gear).filter((gear) => gear.kind === 'panel');
  const panel = panels[next(panels.length)];
  const edit = (changes: object): Command => ({ type: 'editRuns', edits: [{ runId: run.id, changes }] });
  switch (next(8)) {
    case 0:
      return edit({ device: `device ${number}` });
    case 1:
      return edit({ notes: `note ${number}` });
    case 2:
      return edit({ room: `Room ${next(5)}`, critical: next(2) === 0 });
    case 3:
      return { type: 'takeOffRuns', runIds: [run.id] };
    case 4:
      return panel ? { type: 'landRuns', landings: [{ runId: run.id, panelId: panel.id, port: 1 + next(48) }] } : null;
    case 5:
      return { type: 'addRuns', runs: [{ id: `run-new-${number}`, label: `N${number}` }] };
    case 6:
      return { type: 'removeRuns', runIds: [run.id] };
    default:
      return { type: 'editJob', changes: { name: `Name ${number}` } };
  }
}

/** Two windows and two clients of the interface change one job at once, and end with the same. */
export async function trialWindows(address: string, count: number, seed = 1): Promise<WindowsResult> {
  const browserFetch = globalThis.fetch;
  // The windows ask by paths, as in a browser.
  globalThis.fetch = ((url: string, init?: RequestInit) =>
    browserFetch(url.startsWith('/') ? `${address}${url}` : url, init)) as typeof fetch;
  try {
    const file = writeJobFile({ ...plannedJob(60), id: `windows-${randomUUID()}` });
    const { id } = (await (await fetch('/api/jobs/file', { method: 'POST', body: file })).json()) as { id: string };
    const opened = async () => (await fetch(`/api/jobs/${id}`)).json() as Promise<OpenJob>;
    const windows: SessionStore[] = [];
    for (const name of ['one', 'two']) {
      const actor = { id: name, name };
      windows.push(
        createSession({ opened: await opened(), outbox: passingOutbox(), actor: () => actor, notify: () => undefined }),
      );
    }
    const next = seeded(seed);
    let [made, refused] = [0, 0];
    const inWindow = async (session: SessionStore) => {
      for (let step = 0; step < count / 4; step++) {
        const command = anyStep(session.getState().job, next, made);
        if (next(12) === 0 && session.getState().reversals.undo) session.getState().reverse('undo');
        else if (command) session.getState().dispatch([command]);
        made += 1;
        session.getState().heard('gap');
        await new Promise((wait) => setTimeout(wait, next(6)));
      }
    };
    const client = async (name: string) => {
      let { job, point } = await opened();
      for (let step = 0; step < count / 4; step++) {
        const command = anyStep(job, next, made);
        made += 1;
        if (!command) continue;
        const sent = {
          batchId: randomUUID(),
          base: point,
          seen: point.revision,
          actor: { id: name, name },
          commands: [command],
        };
        const answer = await fetch(`/api/jobs/${id}/batches`, { method: 'POST', body: JSON.stringify(sent) });
        if (answer.status === 422) refused += 1;
        else {
          const outcome = (await answer.json()) as Outcome;
          if (outcome.status === 'done') point = outcome.point;
        }
        if (step % 7 === 0) ({ job, point } = await opened());
      }
    };
    await Promise.all([...windows.map(inWindow), client('three'), client('four')]);
    const settled = (session: SessionStore) =>
      session.getState().pending.length === 0 && linkOf(session.getState()) === 'saved';
    const until = Date.now() + 60_000;
    for (const session of windows) session.getState().heard('gap');
    while (Date.now() < until) {
      const { point } = await opened();
      if (windows.every((one) => settled(one) && one.getState().confirmed.point.revision === point.revision)) break;
      for (const session of windows) session.getState().heard('gap');
      await new Promise((wait) => setTimeout(wait, 50));
    }
    const end = await opened();
    const different = windows.reduce((sum, session) => sum + diffJobs(session.getState().job, end.job).length, 0);
    const aside = windows.flatMap((session) => session.getState().aside.map(({ label, why }) => `${label}: ${why}`));
    return { made, done: end.point.revision, aside, refused, different };
  } finally {
    globalThis.fetch = browserFetch;
  }
}
