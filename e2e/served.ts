import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { openDatabases } from '../scripts/lib/database';
import { root } from '../scripts/lib/root';
import { portFrom } from '../scripts/lib/server';

export const PASSWORD = 'seven quiet lanterns';

export type Served = {
  address: string;
  url: string;
  process: ChildProcess;
  end: () => Promise<void>;
  output: () => string;
};

const LONGEST_MS = 300_000;

/** Good Shelf served to those with an account, by the very commands that do it, on a database of its own. @param more words of the command */
export async function serve(name: string, more: string[] = []): Promise<Served> {
  const databases = await openDatabases('test');
  const database = `good_shelf_served_${name}_${process.pid}`;
  await databases.drop(database);
  const url = await databases.ensure(database);
  const env = {
    ...process.env,
    DATABASE_URL: url,
    SHELF_SECRET: 'a secret of the tests, long enough for them',
    SHELF_SIMULATED: '0',
  };
  const run = (script: string, args: string[]) => ['--import', 'tsx', `scripts/${script}.ts`, ...args];
  const account = ['--firm', 'Heron Cabling', '--login', 'ada', '--name', 'Ada Wren'];
  const made = spawnSync(process.execPath, run('account', account), {
    cwd: root,
    env,
    input: `${PASSWORD}\n`,
    encoding: 'utf8',
  });
  if (made.status !== 0) throw new Error(`${made.stdout}${made.stderr}`);
  const port = await portFrom(5510);
  const child = spawn(process.execPath, run('serve', ['--port', String(port), ...more]), { cwd: root, env });
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data: Buffer) => (text += data.toString()));
  const from = Date.now();
  while (!text.includes('Good Shelf serves')) {
    if (child.exitCode !== null || Date.now() - from > LONGEST_MS) {
      child.kill('SIGKILL');
      await databases.drop(database);
      databases.stop();
      throw new Error(`It does not serve: ${text}`);
    }
    await new Promise((wait) => setTimeout(wait, 100));
  }
  return {
    address: `http://127.0.0.1:${port}`,
    url,
    process: child,
    output: () => text,
    end: async () => {
      child.kill('SIGKILL');
      await databases.drop(database);
      databases.stop();
    },
  };
}
