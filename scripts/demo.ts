import { parseArgs } from 'node:util';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { portFrom, startServer } from './lib/server';

const DEFAULT_PORT = 4180;
const { values } = parseArgs({ options: { reset: { type: 'boolean' }, port: { type: 'string' } } });

const say = (text: string) => process.stdout.write(`${text}\n`);

async function main() {
  const given = process.env.DATABASE_URL;
  const databases = await openDatabases('demo');
  const stopping: (() => unknown)[] = [() => databases.stop()];
  let ending = false;
  const end = async (code: number) => {
    if (ending) return;
    ending = true;
    for (const stop of stopping.reverse()) await stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void end(0));
  try {
    const url = given ?? (await databases.ensure('good_shelf'));
    await prepareDatabase(url, values.reset ?? false);
    say('Building, if something changed since the last time …');
    if (!ensureBuild(true)) return await end(1);
    const server = await startServer(url, await portFrom(values.port ? Number(values.port) : DEFAULT_PORT));
    stopping.push(server.stop);
    server.process.once('exit', (code) => void end(code ?? 1));
    say(`\nGood Shelf is at ${server.address}\nStop it with Ctrl-C. The data stays; bin/demo --reset makes it new.`);
  } catch (fault) {
    process.stderr.write(`${fault instanceof Error ? fault.message : fault}\n`);
    await end(1);
  }
}

await main();
