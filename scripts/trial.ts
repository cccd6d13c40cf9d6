import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { portFrom, startServer } from './lib/server';
import { trialCellar } from './lib/trialCellar';
import { trialFuzz } from './lib/trialFuzz';
import { trialKills } from './lib/trialKills';
import { loadWords, trialLoad } from './lib/trialLoad';
import { trialWindows } from './lib/trialWindows';

/* Long trials, which the tests have in a short form: `npm run trial [-- windows|kills|cellar|load|fuzz]`. */

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

/** A thousand kills, in rounds that are each looked through: one that is broken off has said what held until then. */
const KILL_ROUNDS = 10;

async function kills(): Promise<boolean> {
  let held = true;
  for (let round = 1; round <= KILL_ROUNDS; round++) {
    const result = await trialKills({ servers: 88, databases: 12 });
    const { acknowledged, onSite, lost, halves, serverKills, databaseKills } = result;
    say(
      `kills, round ${round} of ${KILL_ROUNDS}: ${serverKills} of the server, ${databaseKills} of the database; ${acknowledged} steps and ${onSite} ticks, tests and photographs acknowledged, ${lost.length} lost, ${halves.length} halves`,
    );
    held &&= lost.length === 0 && halves.length === 0;
  }
  return held;
}

/** No kind of thing that somebody does may take longer than this, but for one in twenty. */
const LONGEST_P95_MS = 200;

/** Each of fifty people does a thing a second for five minutes; then as many as we want to carry, for one minute. */
async function load(): Promise<boolean> {
  let good = true;
  for (const { perSecond, seconds } of [
    { perSecond: 50, seconds: 300 },
    { perSecond: 200, seconds: 60 },
  ]) {
    const result = await trialLoad({ people: 50, jobs: 20, seconds, perSecond });
    say(`asked for ${perSecond} a second: ${loadWords(result)}`);
    good &&= result.wrong === 0 && Object.values(result.of).every(({ p95 }) => p95 < LONGEST_P95_MS);
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
      const { logged, arrived, kills } = await trialCellar(server.address, { each: 250, days: 2, killEvery: 50 }, say);
      say(`cellar: ${logged} results logged without a network on two phones, ${kills} kills, ${arrived} arrived`);
      return arrived === logged;
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}

async function fuzz(): Promise<boolean> {
  const { sent, broken, heldMb } = await trialFuzz(10_000);
  say(
    `fuzz: ${sent} requests, ${broken.length} answered 500, memory ${heldMb.join(', ')} MB: warm, by quarters, after standing still`,
  );
  for (const words of broken.slice(0, 10)) say(`  ${words}`);
  return broken.length === 0;
}

const PARTS: Record<string, () => Promise<boolean>> = { windows, kills, cellar, load, fuzz };
const asked = process.argv.slice(2);
const unknown = asked.filter((part) => !Object.hasOwn(PARTS, part));
if (unknown.length > 0) throw new Error(`No part ${unknown.join(', ')}: expected ${Object.keys(PARTS).join(', ')}.`);
if (!ensureBuild(true)) throw new Error('The build failed.');
let good = true;
for (const [part, trial] of Object.entries(PARTS))
  if (asked.length === 0 || asked.includes(part)) good = (await trial()) && good;
say(good ? '\nAll trials held.' : '\nA trial did not hold.');
process.exit(good ? 0 : 1);
