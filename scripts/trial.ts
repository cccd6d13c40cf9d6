import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { runE2e } from './lib/e2e';
import { root } from './lib/root';
import { portFrom, startServer } from './lib/server';
import { trialBuild } from './lib/trialBuild';
import { trialCellar } from './lib/trialCellar';
import { trialFuzz } from './lib/trialFuzz';
import { trialCrowd, trialHoldUps } from './lib/trialHoldUps';
import { trialKills } from './lib/trialKills';
import { loadWords, trialLoad } from './lib/trialLoad';
import { trialWindows } from './lib/trialWindows';

/* Long trials, which the tests have in a short form: `npm run trial [-- windows|kills|cellar|holdUps|load|fuzz|tests]`, and `-- hold` for
 * kills, cellar and holdUps. */

/** Those that are tagged, those that look at more in the trial, and all of the file whose long ones stand on its short ones. */
const LONG_BROWSER = '@long|no serious finding|schnuerlbach|people\\.spec';
/** Files whose properties are asked more examples of in the long trial. */
const LONG_UNITS = ['src/core/findings/snags/gaps.test.ts', 'src/core/trade/build/build.test.ts', 'src/cli/models'];

const say = (words: string) => console.log(words);

async function windows(): Promise<boolean> {
  const databases = await openDatabases('test');
  const name = `good_shelf_windows_${process.pid}`;
  try {
    const url = await databases.ensure(name);
    await prepareDatabase(url, false);
    const server = await startServer(url, await portFrom(4790));
    try {
      let good = true;
      for (const seed of [1, 2, 3]) {
        const { made, done, aside, refused, different } = await trialWindows(server.address, 1000, seed);
        say(
          `windows #${seed}: ${made} made, ${done} done, ${aside.length} set aside, ${refused} refused, ${different} differences`,
        );
        for (const words of aside.slice(0, 5)) say(`  ${words}`);
        good &&= different === 0;
      }
      return good;
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

/** Median and worst of seconds. */
function spread(seconds: readonly number[]): string {
  const sorted = [...seconds].sort((a, b) => a - b);
  return `median ${sorted[Math.floor(sorted.length / 2)]?.toFixed(1) ?? '–'} s, worst ${sorted.at(-1)?.toFixed(1) ?? '–'} s`;
}

/** A thousand kills, in rounds that are each looked through: one that is broken off has said what held until then. */
const KILL_ROUNDS = 10;

async function kills(): Promise<boolean> {
  let held = true;
  for (let round = 1; round <= KILL_ROUNDS; round++) {
    const result = await trialKills({ servers: 88, databases: 12 });
    const { acknowledged, onSite, lost, halves, serverKills, databaseKills, againS } = result;
    say(
      `kills, round ${round} of ${KILL_ROUNDS}: ${serverKills} of the server, ${databaseKills} of the database; ${acknowledged} steps and ${onSite} ticks, tests and photographs acknowledged, ${lost.length} lost, ${halves.length} halves`,
    );
    say(`  served again after: server ${spread(againS.server)}, database ${spread(againS.database)}`);
    held &&= lost.length === 0 && halves.length === 0;
  }
  return held;
}

/**
 * Each of fifty people does one thing every two seconds for five minutes, then one a second. No kind of thing may take longer than
 * `longestMs`, but for one in twenty. Beyond that it is only told what is answered.
 */
const LOADS = [
  { perSecond: 25, seconds: 300, longestMs: 100 },
  { perSecond: 50, seconds: 120, longestMs: 500 },
  { perSecond: 100, seconds: 60, longestMs: Number.POSITIVE_INFINITY },
  { perSecond: 200, seconds: 60, longestMs: Number.POSITIVE_INFINITY },
];

async function load(): Promise<boolean> {
  let good = true;
  for (const { perSecond, seconds, longestMs } of LOADS) {
    const result = await trialLoad({ people: 50, jobs: 20, seconds, perSecond });
    say(`asked for ${perSecond} a second: ${loadWords(result)}`);
    good &&= result.wrong === 0 && Object.values(result.of).every(({ p95 }) => p95 < longestMs);
  }
  return good;
}

async function cellar(): Promise<boolean> {
  const databases = await openDatabases('test');
  const name = `good_shelf_cellar_${process.pid}`;
  try {
    const url = await databases.ensure(name);
    await prepareDatabase(url, false);
    const server = await startServer(url, await portFrom(4780));
    try {
      const { logged, arrived, photographs, photographsArrived, kills } = await trialCellar(
        server.address,
        { each: 250, days: 2, killEvery: 50 },
        say,
      );
      say(
        `cellar: ${logged} results and ${photographs} photographs on two phones without a network, ${kills} kills; ${arrived} and ${photographsArrived} arrived`,
      );
      return arrived === logged && photographsArrived === photographs;
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

const LARGE_RUNS = 5000;
/** Nobody waits longer for a small file while something large is made, ms; and for anything else while something is brought. */
const LONGEST_SMALL_MS = 2000;
const LONGEST_PACK_MS = 60_000;

/** One person draws and brings very much, one opens very many connections, and a build is made meanwhile. */
async function holdUps(): Promise<boolean> {
  const databases = await openDatabases('test');
  const name = `good_shelf_hold_ups_${process.pid}`;
  try {
    const url = await databases.ensure(name);
    await prepareDatabase(url, false);
    const server = await startServer(url, await portFrom(4770));
    try {
      const { questionMs, smallFileMs, wrong, own } = await trialHoldUps(server.address, { runs: LARGE_RUNS });
      for (const { what, status, ms } of own) say(`  ${what}: ${status} after ${(ms / 1000).toFixed(1)} s`);
      say(
        `hold-ups: others waited ${questionMs.toFixed(0)} ms for a question and ${smallFileMs.toFixed(0)} ms for a small file at most; ${wrong.length} wrong answers`,
      );
      const { open, othersMs, shutOut } = await trialCrowd(server.address, 2_050);
      say(
        `crowd: 2050 connections tried, ${open} held; others waited ${othersMs.toFixed(0)} ms, ${shutOut} of 10 shut out`,
      );
      const { asked, failed } = await trialBuild(server.address);
      say(`build: ${asked} scripts asked while another build was made, ${failed} failed`);
      const packMs = own[0]?.status === 200 ? own[0].ms : Number.POSITIVE_INFINITY;
      return (
        wrong.length === 0 &&
        smallFileMs < LONGEST_SMALL_MS &&
        packMs < LONGEST_PACK_MS &&
        shutOut === 0 &&
        failed === 0
      );
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

/** Tests that are left out of `bin/test`, since it has to end in a quarter of an hour; properties with more examples. */
async function tests(): Promise<boolean> {
  process.env.SHELF_LONG = '1';
  const long = (await runE2e(['--grep', LONG_BROWSER])) === 0;
  const { status } = spawnSync(process.execPath, [join(root, 'node_modules/vitest/vitest.mjs'), 'run', ...LONG_UNITS], {
    cwd: root,
    stdio: 'inherit',
  });
  return long && status === 0;
}

async function fuzz(): Promise<boolean> {
  const { sent, broken, heldMb } = await trialFuzz(10_000);
  say(
    `fuzz: ${sent} requests, ${broken.length} answered 500, memory ${heldMb.join(', ')} MB: warm, by quarters, after standing still`,
  );
  for (const words of broken.slice(0, 10)) say(`  ${words}`);
  return broken.length === 0;
}

const PARTS: Record<string, () => Promise<boolean>> = { windows, kills, cellar, holdUps, load, fuzz, tests };
/** Whether nothing is lost and nobody is held up. */
const HOLD = ['kills', 'cellar', 'holdUps'];
const asked = process.argv.slice(2).flatMap((part) => (part === 'hold' ? HOLD : [part]));
const unknown = asked.filter((part) => !Object.hasOwn(PARTS, part));
if (unknown.length > 0) throw new Error(`No part ${unknown.join(', ')}: expected ${Object.keys(PARTS).join(', ')}.`);
if (!ensureBuild(true)) throw new Error('The build failed.');
let good = true;
for (const [part, trial] of Object.entries(PARTS))
  if (asked.length === 0 || asked.includes(part)) good = (await trial()) && good;
say(good ? '\nAll trials held.' : '\nA trial did not hold.');
process.exit(good ? 0 : 1);
