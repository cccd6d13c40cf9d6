import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { OpenJob, Outcome } from '../../src/core/exchange/wire/wire';
import { findSnags } from '../../src/core/findings/snags/findSnags';
import { stationStates } from '../../src/core/findings/stations/stations';
import { applyCommands } from '../../src/core/job/commands/apply';
import { sealJob } from '../../src/core/job/document/sealJob';
import { applyBatch, readKept, takeInJob } from '../../src/server/jobs';
import { jobAtRevision } from '../../src/server/pastJobs';
import type { Store } from '../../src/store/openStore';
import { bareJob, benchCabinet, benchCsv, plannedJob } from './benchJob';
import { openBrowser } from './browser';
import { median, timed } from './measure';

export type Note = (
  what: string,
  size: string | number,
  ms: number,
  goal?: string,
  reference?: { name: string; ms: number } | null,
  met?: boolean,
) => void;

const actor = { id: 'bench', name: 'Bench' };

async function opened(address: string, id: string): Promise<OpenJob> {
  return (await fetch(`${address}/api/jobs/${id}`)).json() as Promise<OpenJob>;
}

/** One cell, applied and judged in the core, at the sizes that are asked about. */
export async function benchCommands(note: Note): Promise<void> {
  for (const size of [400, 5000]) {
    let job = sealJob(size === 400 ? plannedJob(size) : bareJob(size));
    const [runId = ''] = Object.keys(job.runs);
    let text = 0;
    const edit = (field: string) => {
      text += 1;
      job = applyCommands(job, [{ type: 'editRuns', edits: [{ runId, changes: { [field]: `x${text}` } }] }]).job;
    };
    const reference = { name: 'structuredClone of the job', ms: await timed(9, () => structuredClone(job)) };
    note('a cell applied in the core', size, await timed(30, () => edit('notes')), '4 ms', reference);
    for (const field of ['notes', 'device', 'label']) {
      const ms = await timed(30, () => {
        edit(field);
        findSnags(job);
        stationStates(job);
      });
      note(`the same and all snags: ${field}`, size, ms, size === 400 ? '3.5 ms' : '', reference);
    }
  }
}

/** A job of many runs opened anew, until a cell takes a key, and until that cell is saved. */
export async function benchOpening(note: Note, address: string, id: string, size: number): Promise<void> {
  const browser = await openBrowser();
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    // The page says itself when the cell is there, so that the key comes at once and not when it is looked for again.
    let there = () => {};
    await page.exposeFunction('benchCellIsThere', () => there());
    await page.addInitScript({ content: WATCH_CELL });
    const open = async () => {
      const shown = new Promise<void>((done) => {
        there = done;
      });
      await page.goto(`${address}/jobs/${id}/runs`, { waitUntil: 'commit' });
      await shown;
      await page.keyboard.type('a');
      // As the page itself counts, from when it was asked for.
      return page.evaluate(() => (window as typeof window & { benchTaken?: number }).benchTaken ?? Number.NaN);
    };
    await open();
    const times: number[] = [];
    const saves: number[] = [];
    for (let round = 0; round < 5; round++) {
      await page.goto('about:blank');
      times.push(await open());
      saves.push(await saved(page));
    }
    note('open a job until a cell takes a key', size, median(times), '700 ms');
    note('that cell saved', size, median(saves), '60 ms');
  } finally {
    await browser.close();
  }
}

/** Run in the page: a cell that comes takes the focus, and when it takes a key is kept. */
const WATCH_CELL = `
  new MutationObserver((_, watch) => {
    const cell = document.querySelector('[aria-label="Notes of R00003"]');
    if (!cell) return;
    watch.disconnect();
    cell.addEventListener('input', () => { window.benchTaken ??= performance.now(); });
    cell.focus();
    window.benchCellIsThere();
  }).observe(document, { childList: true, subtree: true });
`;

/** From the key that ends the cell in focus until the page says that the server has it. */
async function saved(page: Page): Promise<number> {
  await page.evaluate(WATCH_LINK);
  // Asked before the key, so that asking takes no time of the page after it.
  const made = page.evaluate<number>('window.benchSaved');
  await page.keyboard.press('Enter');
  return made;
}

/** Run in the page: a promise of how long it takes from the next key until the link says that all is saved. */
const WATCH_LINK = `
  window.benchSaved = new Promise((done) => {
    window.addEventListener('keydown', () => {
      const from = performance.now();
      let left = false;
      new MutationObserver((_, watch) => {
        if (document.querySelector('[data-testid="link"]')?.textContent !== 'Saved') left = true;
        else if (left) {
          watch.disconnect();
          done(performance.now() - from);
        }
      }).observe(document.body, { childList: true, subtree: true, characterData: true });
    }, { capture: true, once: true });
  });
  0;
`;

/** A command sent over and over, acknowledged. */
export async function benchAcknowledged(note: Note, address: string, id: string, size: number): Promise<void> {
  const start = await opened(address, id);
  const [runId = ''] = Object.keys(start.job.runs);
  let base = start.point;
  const send = async () => {
    const commands = [{ type: 'editRuns', edits: [{ runId, changes: { notes: `note ${base.revision}` } }] }];
    const answer = await fetch(`${address}/api/jobs/${id}/batches`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ batchId: randomUUID(), base, seen: base.revision, actor, commands }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    const outcome = (await answer.json()) as Outcome;
    if (outcome.status === 'done') base = outcome.point;
  };
  for (let warm = 0; warm < 10; warm++) await send();
  const reference = {
    name: 'an empty request',
    ms: await timed(40, async () => (await fetch(`${address}/api/health`)).json()),
  };
  note('a command acknowledged by the server', size, await timed(60, send), '25 ms', reference);
}

/** The longest that an empty request waits while something heavy is under way. */
export async function benchHoldUps(note: Note, address: string, id: string): Promise<void> {
  const heavy: [string, number, () => Promise<unknown>][] = [
    [
      'while a job of 19,000 runs comes in',
      19_000,
      async () => fetch(`${address}/api/jobs/file`, { method: 'POST', body: writeJobFile(bareJob(19_000)) }),
    ],
    [
      'while 19,000 rows are imported',
      19_000,
      async () => {
        const { id: fresh } = (await (
          await fetch(`${address}/api/jobs/file`, { method: 'POST', body: writeJobFile(benchCabinet(48)) })
        ).json()) as { id: string };
        const { point } = await opened(address, fresh);
        const rows = benchCsv(19_000)
          .trim()
          .split('\n')
          .slice(1)
          .map((line, at) => ({ id: `run-${at}`, label: line.split(',')[0], room: line.split(',')[2] }));
        const commands = [{ type: 'importRuns', rows }];
        const body = JSON.stringify({ batchId: randomUUID(), base: point, seen: 0, actor, commands });
        return fetch(`${address}/api/jobs/${fresh}/batches`, { method: 'POST', body });
      },
    ],
    ['while a PDF of 5,000 runs is made', 5000, async () => fetch(`${address}/api/jobs/${id}/files/port-map.pdf`)],
  ];
  for (const [words, size, work] of heavy) {
    let done = false;
    const waits: number[] = [];
    const from = performance.now();
    const working = work().then(async (answer) => {
      const { ok, status } = answer as Response;
      if (!ok) throw new Error(`${words}: ${status}`);
      await (answer as Response).arrayBuffer();
      done = true;
    });
    while (!done) {
      const asked = performance.now();
      await fetch(`${address}/api/health`);
      waits.push(performance.now() - asked);
      await new Promise((wait) => setTimeout(wait, 5));
    }
    await working;
    console.log(`${' '.repeat(46)}${words}: ${Math.round(performance.now() - from)} ms in all`);
    note(`longest wait ${words}`, size, Math.max(...waits), '200 ms');
  }
}

/** Any revision of a job of 400 runs with 5,000 steps, and how much its history takes. */
export async function benchHistory(note: Note, store: Store): Promise<void> {
  const { id } = await takeInJob(store, writeJobFile({ ...plannedJob(400), id: `history-${randomUUID()}` }));
  const runIds = Object.keys((await readKept(store, id))?.job.runs ?? {});
  const STEPS = 5000;
  for (let step = 0; step < STEPS; step++) {
    const point = (await readKept(store, id))?.point;
    if (!point) throw new Error('no job');
    const runId = runIds[step % runIds.length] ?? '';
    const commands = [
      {
        type: 'editRuns' as const,
        edits: [{ runId, changes: { notes: `step ${step}`, device: `device ${step % 7}` } }],
      },
    ];
    await applyBatch(store, id, { batchId: randomUUID(), base: point, seen: point.revision, actor, commands });
  }
  const times: number[] = [];
  for (const revision of [0, 99, 100, 1234, 2500, 2599, 3777, 4901, 4999]) {
    const from = performance.now();
    await jobAtRevision(store, id, revision);
    times.push(performance.now() - from);
  }
  note('the job at a revision, 5,000 steps: median', 400, median(times), '200 ms');
  note('the same, slowest', 400, Math.max(...times), '200 ms');
  const [size] = await store.em.fork().execute<{ changes: string; rows: string; snapshots: string; body: string }[]>(
    `select (select sum(pg_column_size(changes)) from step where job_id = ?) as changes,
        (select sum(pg_column_size(step.*)) from step where job_id = ?) as rows,
        (select sum(pg_column_size(body)) from snapshot where job_id = ?) as snapshots,
        (select sum(length(body)) from snapshot where job_id = ?) as body`,
    [id, id, id, id],
  );
  const kb = (bytes: string | undefined) => `${Math.round(Number(bytes) / 1024).toLocaleString('en')} KB`;
  console.log(
    `${' '.repeat(46)}history of ${STEPS.toLocaleString('en')} steps: changes ${kb(size?.changes)}, rows in all ${kb(size?.rows)}, snapshots ${kb(size?.snapshots)} (as text ${kb(size?.body)})`,
  );
}
