import { spawn } from 'node:child_process';
import { join } from 'node:path';
import loadHighs from 'highs';
import { solveCables } from '../src/cli/models/cables';
import { assign } from '../src/core/base/solve/assignment';
import { readCsvTable } from '../src/core/exchange/formats/csvTable';
import { decodeText } from '../src/core/exchange/formats/decodeText';
import { writeJobFile } from '../src/core/exchange/formats/jobFile';
import { importCommand, previewRuns } from '../src/core/exchange/formats/previewRuns';
import { arrangeRuns, PLAIN_VIEW } from '../src/core/findings/schedule/scheduleView';
import { findSnags } from '../src/core/findings/snags/findSnags';
import { applyCommands } from '../src/core/job/commands/apply';
import type { Job } from '../src/core/job/document/job';
import { planPatching } from '../src/core/trade/patching/planPatching';
import { guessColumns } from '../src/core/trade/runs/runColumns';
import { takeInJob } from '../src/server/jobs';
import { migrate, openStore, type Store } from '../src/store/openStore';
import { cablesInstance, cablesLp } from '../tests/support/cables';
import { benchBuild } from './lib/benchBuild';
import { dragFrames, threeCabinets } from './lib/benchDrag';
import { benchHandover } from './lib/benchHandover';
import { bareJob, benchCabinet, benchCsv, benchPlan } from './lib/benchJob';
import { benchLayouts } from './lib/benchLayouts';
import { benchList } from './lib/benchList';
import { type LoomFrames, loomFrames } from './lib/benchLoom';
import { benchPatching } from './lib/benchPatching';
import { benchPower } from './lib/benchPower';
import { benchProve } from './lib/benchProve';
import {
  benchAcknowledged,
  benchCommands,
  benchHistory,
  benchHoldUps,
  benchOpening,
  type Note,
} from './lib/benchServer';
import { openBrowser } from './lib/browser';
import { ensureBuild } from './lib/build';
import { buildFolder, partsFolder } from './lib/builtParts';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { median, timed } from './lib/measure';
import { root } from './lib/root';
import { portFrom, startServer } from './lib/server';

/** What did not reach its goal. */
const missed: string[] = [];
const miss = (words: string) => missed.push(words);

/** @param met whether the goal is reached, where it is not the time alone */
function note(
  what: string,
  size: string | number,
  ms: number,
  goal = '',
  reference: { name: string; ms: number } | null = null,
  met = goal === '' || ms <= Number.parseFloat(goal),
) {
  if (!met) miss(`${what} ${size}`);
  const ratio = reference ? `  ${(ms / reference.ms).toFixed(2)} × ${reference.name}` : '';
  console.log(
    `${what.padEnd(44)} ${String(size).padStart(9)}  ${ms.toFixed(1).padStart(9)} ms${ratio}${goal ? `  (goal ${goal})` : ''}`,
  );
}

function importAndCheck(bytes: Uint8Array, start: Job): Job {
  const table = readCsvTable(decodeText(bytes).text);
  let count = 0;
  const command = importCommand(
    previewRuns(start, table, guessColumns(table.header, 'metric')),
    () => `run-${++count}`,
  );
  const job = command ? applyCommands(start, [command]).job : start;
  findSnags(job);
  return job;
}

async function core() {
  let before: { size: number; ms: number } | null = null;
  for (const size of [500, 1000, 2000, 5000, 10_000]) {
    const bytes = new TextEncoder().encode(benchCsv(size));
    const start = benchCabinet(400);
    const job = importAndCheck(bytes, start);
    const reference = { name: 'JSON round trip of the job', ms: await timed(5, () => JSON.parse(JSON.stringify(job))) };
    const ms = await timed(5, () => importAndCheck(bytes, { ...start }));
    note('import and check', size, ms, size === 5000 ? '1000 ms' : '', reference);
    if (before)
      console.log(
        `${' '.repeat(46)}grows with size^${(Math.log(ms / before.ms) / Math.log(size / before.size)).toFixed(2)}`,
      );
    before = { size, ms };
  }
  for (const size of [1000, 5000, 10_000]) {
    const job = importAndCheck(new TextEncoder().encode(benchCsv(size)), benchCabinet(400));
    const view = { ...PLAIN_VIEW, text: 'room', group: 'room' as const, sort: 'length_m' as const };
    const reference = { name: 'structuredClone of the job', ms: await timed(5, () => structuredClone(job)) };
    note('filter, sort and group the schedule', size, await timed(5, () => arrangeRuns(job, view)), '', reference);
  }
  await benchCommands(note);
}

/** The model of one assignment as a general MILP solver reads it. */
function milp(rowCount: number, columns: number, cost: Float64Array, leftOut: Float64Array): string {
  const pairs = Array.from({ length: rowCount * columns }, (_, at) => ({
    row: Math.floor(at / columns),
    column: at % columns,
    price: cost[at] ?? 0,
  })).filter(({ price }) => Number.isFinite(price));
  const name = ({ row, column }: { row: number; column: number }) => `x_${row}_${column}`;
  const all = Array.from({ length: rowCount }, (_, row) => `u_${row}`);
  const objective = [
    ...pairs.map((pair) => `${pair.price} ${name(pair)}`),
    ...all.map((u, row) => `${leftOut[row]} ${u}`),
  ].join('\n + ');
  const once = all.map((u, row) =>
    [...pairs.filter((pair) => pair.row === row).map(name), u].join(' + ').concat(' = 1'),
  );
  const seats = Array.from({ length: columns }, (_, column) => pairs.filter((pair) => pair.column === column).map(name))
    .filter((line) => line.length > 0)
    .map((line) => `${line.join(' + ')} <= 1`);
  return `Minimize\n obj: ${objective}\nSubject To\n ${[...once, ...seats].join('\n ')}\nBinary\n ${[...pairs.map(name), ...all].join('\n ')}\nEnd`;
}

async function solvers() {
  const highs = await loadHighs();
  for (const [rowCount, columns] of [
    [20, 24],
    [40, 48],
    [60, 96],
  ] as const) {
    let state = rowCount;
    const random = () => {
      state = (state * 1664525 + 1013904223) >>> 0;
      return state / 2 ** 32;
    };
    const cost = Float64Array.from({ length: rowCount * columns }, () =>
      random() < 0.25 ? Number.POSITIVE_INFINITY : Math.floor(random() * 1000),
    );
    const leftOut = Float64Array.from({ length: rowCount }, () => 700);
    const model = milp(rowCount, columns, cost, leftOut);
    let optimum = 0;
    const reference = {
      name: 'highs, same instance, gap 0',
      ms: await timed(1, () => {
        optimum = highs.solve(model, { mip_rel_gap: 0 }).ObjectiveValue;
      }),
    };
    note(
      'assignment',
      `${rowCount}×${columns}`,
      await timed(15, () => assign(rowCount, columns, cost, leftOut)),
      '',
      reference,
    );
    console.log(`${' '.repeat(46)}cost ${assign(rowCount, columns, cost, leftOut).cost} against ${optimum}`);
  }
  for (const size of [48, 96, 400]) {
    const start = importAndCheck(new TextEncoder().encode(benchCsv(size)), benchCabinet(size));
    const job = benchPlan(start);
    note('patch the rest', size, await timed(3, () => planPatching({ ...job, cords: {} })));
  }
}

/** Boxes of cable: our solver against a general one on the same seeded instances. */
async function boxes() {
  const highs = await loadHighs();
  for (const [count, seconds] of [
    [20, 60],
    [60, 60],
    [200, 60],
  ] as const) {
    for (const seed of [1, 2, 3]) {
      const instance = cablesInstance(count, seed);
      const goal = count > 60 ? 2000 : 1000;
      const from = performance.now();
      const made = solveCables(instance, { now: () => performance.now(), untilMs: from + goal });
      const ms = performance.now() - from;
      let found = 'nothing';
      const reference = {
        name: `highs, same model, at most ${seconds} s`,
        ms: await timed(1, () => {
          const newBoxes = Math.max(1, Math.floor((made.objective ?? 0) / 10_000));
          const { Status, ObjectiveValue } = highs.solve(cablesLp(instance, newBoxes), {
            mip_rel_gap: 0,
            time_limit: seconds,
          });
          found = Number.isFinite(ObjectiveValue) ? `${Math.round(ObjectiveValue)} (${Status})` : `nothing (${Status})`;
        }),
      };
      note('boxes of cable', `${count} #${seed}`, ms, `${goal} ms`, reference);
      console.log(`${' '.repeat(46)}${made.objective} (${made.status}, bound ${made.bound}) against ${found}`);
    }
  }
}

/** What goes through the server's use cases here, large jobs among it, does so in the built work thread. */
function needBuild() {
  if (!ensureBuild(true)) throw new Error('The build failed.');
  process.env.SHELF_PARTS = partsFolder(buildFolder());
}

async function application() {
  needBuild();
  const databases = await openDatabases('test');
  const name = `good_shelf_bench_${process.pid}`;
  try {
    const url = await databases.ensure(name);
    await prepareDatabase(url, false);
    const store = await openStore(url);
    const text = writeJobFile(benchPlan(importAndCheck(new TextEncoder().encode(benchCsv(400)), benchCabinet(400))));
    const { id } = await takeInJob(store, text);
    const cabinets = await takeInJob(store, writeJobFile(threeCabinets(60)));
    await store.close(true);
    const server = await startServer(url, await portFrom(4490));
    try {
      const file = writeJobFile({ ...bareJob(5000), id: 'bare' });
      const bare = await (await fetch(`${server.address}/api/jobs/file`, { method: 'POST', body: file })).json();
      await benchAcknowledged(note, server.address, id, 400);
      await benchOpening(note, server.address, bare.id, 5000);
      await benchHoldUps(note, server.address, bare.id);
      await inBrowser(server.address, id);
      await dragging(server.address, cabinets.id);
      await loom(server.address, id);
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

async function inBrowser(address: string, id: string) {
  const browser = await openBrowser();
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const firstView = async () => {
      await page.goto(`${address}/jobs/${id}/runs`);
      await page.getByLabel('Label of R00001').waitFor();
    };
    note('first view of a job', 400, await timed(5, firstView), '1500 ms');
    const times = await page.evaluate(async () => {
      const spent: number[] = [];
      for (let round = 0; round < 40; round++) {
        const cell = document.querySelector<HTMLInputElement>('[aria-label="Notes of R00001"]');
        if (!cell) throw new Error('no cell');
        cell.focus();
        cell.value = `round ${round}`;
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
        const start = performance.now();
        cell.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
        spent.push(performance.now() - start);
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
      }
      return spent;
    });
    note('a command applied and drawn in the browser', 400, median(times.slice(5)), '16 ms');
  } finally {
    await browser.close();
  }
}

/** Frames while one of 60 devices is carried over three cabinets. */
async function dragging(address: string, id: string) {
  const browser = await openBrowser();
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${address}/jobs/${id}/stack`);
    await page.locator('[data-device]').first().waitFor();
    const frames = (await dragFrames(page)).sort((a, b) => a - b);
    note('a frame while dragging, 3 cabinets', 60, median(frames), '17 ms');
    note('the same, slowest of twenty', 60, frames[Math.floor(frames.length * 0.95)] ?? 0, '34 ms');
  } finally {
    await browser.close();
  }
}

const LOOM_WORDS: Record<keyof LoomFrames, string> = {
  opened: 'a frame while the loom scrolls, just opened',
  scroll: 'a frame while the loom scrolls',
  point: 'a frame while strands are pointed at',
  carry: 'a frame while a strand is carried',
};

/** Frames while a loom of 400 runs is scrolled and pointed at, and while a strand of it is carried. */
async function loom(address: string, id: string) {
  const browser = await openBrowser();
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto(`${address}/jobs/${id}/patch`);
    await page.locator('[data-strand]').first().waitFor();
    const made = await loomFrames(page);
    for (const what of ['opened', 'scroll', 'point', 'carry'] as const) {
      const sorted = made[what].sort((a, b) => a - b);
      note(LOOM_WORDS[what], 400, median(sorted), '17 ms');
      note('the same, slowest of twenty', 400, sorted[Math.floor(sorted.length * 0.95)] ?? 0, '34 ms');
    }
  } finally {
    await browser.close();
  }
}

async function inStore(measure: (note: Note, store: Store) => Promise<void>) {
  needBuild();
  const databases = await openDatabases('test');
  const name = `good_shelf_store_${process.pid}`;
  try {
    const store = await openStore(await databases.ensure(name));
    await migrate(store);
    await measure(note, store);
    await store.close(true);
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

/** Time until bin/demo prints its address. The first start may build; the second is what counts. */
async function demoStart() {
  const port = String(await portFrom(4590));
  const start = () =>
    new Promise<number>((done, fail) => {
      const from = performance.now();
      const child = spawn(join(root, 'bin/demo'), ['--port', port], {
        cwd: root,
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let took = 0;
      child.stdout.on('data', (data) => {
        if (!String(data).includes('Good Shelf is at')) return;
        took = performance.now() - from;
        child.kill('SIGTERM');
      });
      child.once('exit', () => (took > 0 ? done(took) : fail(new Error('bin/demo ended before it was up'))));
    });
  await start();
  note('bin/demo, second start', '', await start(), '15000 ms');
}

console.log('Medians. Ratios are against a reference measured in the same run.\n');
const PARTS: Record<string, () => Promise<void>> = {
  core,
  solvers,
  layouts: () => benchLayouts(note),
  power: () => benchPower(note, miss),
  build: () => benchBuild(note, miss),
  prove: () => benchProve(note, miss),
  handover: () => benchHandover(note, miss),
  patching: () => benchPatching(note, miss),
  boxes,
  application,
  history: () => inStore(benchHistory),
  list: () => inStore(benchList),
  start: demoStart,
};
const asked = process.argv.slice(2);
const unknown = asked.filter((part) => !Object.hasOwn(PARTS, part));
if (unknown.length > 0) throw new Error(`No part ${unknown.join(', ')}: expected ${Object.keys(PARTS).join(', ')}.`);
for (const [part, measure] of Object.entries(PARTS)) if (asked.length === 0 || asked.includes(part)) await measure();
console.log(missed.length === 0 ? '\nAll goals reached.' : `\nMissed: ${missed.join(', ')}`);
process.exit(0);
