import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { faultWords, givenDatabase } from './lib/faultWords';
import { root } from './lib/root';
import { portFrom, startServer } from './lib/server';

const DEFAULT_PORT = 4180;
const LOOK_EVERY_MS = 2000;
/** Where the demo that runs or is being started says so, for the next one. */
const mark = join(root, '.data/demo.running');

const say = (text: string) => process.stdout.write(`${text}\n`);

/** `address` is null until it answers. */
type Running = { pid: number; serverPid: number; address: string | null };

function options() {
  const { values } = parseArgs({ options: { reset: { type: 'boolean' }, port: { type: 'string' } } });
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
  if (!Number.isInteger(port) || port < 1024 || port > 65_000)
    throw new Error(`--port: expected a number from 1024 to 65000, found “${values.port}”.`);
  return { reset: values.reset ?? false, port };
}

const commandOf = (pid: number): string => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
};

/**
 * The demo that runs or is being started; null when there is none. `left`: it was killed and left its server behind. Its
 * number may be another process's by now.
 */
function runningDemo(): { running: Running; left: boolean } | null {
  try {
    const running = JSON.parse(readFileSync(mark, 'utf8')) as Running;
    return { running, left: !commandOf(running.pid).includes('demo.ts') };
  } catch {
    return null;
  }
}

/** Say that we run, unless another said so in the same moment. */
function claim(running: Running): void {
  mkdirSync(dirname(mark), { recursive: true });
  try {
    writeFileSync(mark, JSON.stringify(running), { flag: 'wx' });
  } catch (fault) {
    if ((fault as NodeJS.ErrnoException).code === 'EEXIST') throw new Error('Good Shelf is being started already.');
    throw fault;
  }
}

/** Only a process that is our server is ended: its number may be another's by now. */
function endLeftServer(pid: number): void {
  if (pid > 0 && commandOf(pid).includes('appProcess')) process.kill(pid, 'SIGKILL');
}

async function main() {
  const { reset, port } = options();
  const known = runningDemo();
  if (known && !known.left) {
    const { address, pid } = known.running;
    if (reset) throw new Error(`Good Shelf runs as process ${pid}: stop it before its data is made new.`);
    say(
      address
        ? `Good Shelf runs already, at ${address} (process ${pid}).`
        : `Good Shelf is being started already (process ${pid}).`,
    );
    return;
  }
  if (known) {
    endLeftServer(known.running.serverPid);
    rmSync(mark, { force: true });
  }
  claim({ pid: process.pid, serverPid: 0, address: null });

  const stopping: (() => unknown)[] = [() => rmSync(mark, { force: true })];
  let ending = false;
  const end = async (code: number) => {
    if (ending) return;
    ending = true;
    for (const stop of stopping.reverse()) await stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void end(0));
  try {
    const given = givenDatabase();
    const databases = await openDatabases('demo', { takeOver: known?.left ?? false });
    stopping.push(() => databases.stop());
    const url = given ?? (await databases.ensure('good_shelf'));
    await prepareDatabase(url, reset);
    say('Building, if something changed since the last time …');
    if (!ensureBuild(true)) return await end(1);
    const server = await startServer(url, await portFrom(port));
    stopping.push(server.stop);
    server.process.once('exit', (code) => void end(code ?? 1));
    const running: Running = { pid: process.pid, serverPid: server.process.pid ?? 0, address: server.address };
    writeFileSync(mark, JSON.stringify(running));
    const watch = setInterval(() => {
      if (databases.revive()) say('The database had stopped: it was started again.');
    }, LOOK_EVERY_MS);
    stopping.push(() => clearInterval(watch));
    say(`\nGood Shelf is at ${server.address}\nStop it with Ctrl-C. The data stays; bin/demo --reset makes it new.`);
  } catch (fault) {
    process.stderr.write(`${faultWords(fault)}\n`);
    await end(1);
  }
}

try {
  await main();
} catch (fault) {
  process.stderr.write(`${faultWords(fault)}\n`);
  process.exitCode = 2;
}
