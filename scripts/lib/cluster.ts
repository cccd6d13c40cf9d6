import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';

/** A PostgreSQL cluster of our own, on a free loopback port. `url(name)` is the address of one of its databases. */
export type Cluster = { url: (database: string) => string; stop: () => void };

const root = resolve(import.meta.dirname, '../..');
const isRoot = process.getuid?.() === 0;

function binFolder(): string {
  const home = '/usr/lib/postgresql';
  const versions = existsSync(home) ? readdirSync(home).sort((a, b) => Number(b) - Number(a)) : [];
  const found = versions
    .map((version) => join(home, version, 'bin'))
    .find((folder) => existsSync(join(folder, 'initdb')));
  if (found) return found;
  const which = spawnSync('sh', ['-c', 'dirname "$(command -v initdb)"'], { encoding: 'utf8' }).stdout.trim();
  if (which && existsSync(join(which, 'initdb'))) return which;
  throw new Error('The PostgreSQL server was not found: install the Debian package postgresql, or set DATABASE_URL.');
}

/** PostgreSQL does not run as root: there it runs as user postgres. */
function asServer(command: string, args: string[]): [string, string[]] {
  if (!isRoot) return [command, args];
  return ['setpriv', ['--reuid=postgres', '--regid=postgres', '--init-groups', command, ...args]];
}

function serverRun(command: string, args: string[]) {
  const [program, all] = asServer(command, args);
  // Not through a pipe: the server keeps its standard output, and we would wait for it for ever.
  return spawnSync(program, all, { cwd: '/', stdio: ['ignore', 'ignore', 'ignore'] }).status;
}

/** The folder of the cluster: in the project where the server may walk to it, else beside Debian's own clusters. */
function dataFolder(name: string): string {
  const inside = join(root, '.data', name);
  mkdirSync(join(root, '.data'), { recursive: true });
  if (!isRoot || serverRun('test', ['-x', join(root, '.data')]) === 0) return inside;
  const sign = createHash('sha256').update(root).digest('hex').slice(0, 12);
  return join('/var/lib/postgresql', `good-shelf-${sign}-${name}`);
}

function freePort(): Promise<number> {
  return new Promise((done, fail) => {
    const server = createServer().once('error', fail);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => (address && typeof address === 'object' ? done(address.port) : fail(new Error('no port'))));
    });
  });
}

/** Port of a cluster that runs and answers, or null. */
function runningPort(bin: string, folder: string): number | null {
  try {
    const [status] = execFileSync('cat', [join(folder, 'postmaster.pid')], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    })
      .split('\n')
      .slice(3, 4);
    const port = Number(status);
    const ready = spawnSync(join(bin, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status === 0;
    return port > 0 && ready ? port : null;
  } catch {
    return null;
  }
}

const TRIES = 4;
/** What tests make is thrown away with its cluster: nothing of it needs to outlive a power cut. */
const THROWN_AWAY = '-c fsync=off -c synchronous_commit=off -c full_page_writes=off';

/**
 * Start the cluster of this name, making it where it does not exist yet. When it runs already, whoever started it
 * stops it: our `stop` does nothing then.
 */
export async function startCluster(name: string): Promise<Cluster> {
  const bin = binFolder();
  const folder = dataFolder(name);
  const url = (port: number) => (database: string) => `postgresql://postgres@127.0.0.1:${port}/${database}`;
  const running = runningPort(bin, folder);
  if (running) return { url: url(running), stop: () => {} };

  if (!existsSync(join(folder, 'PG_VERSION'))) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    if (isRoot) execFileSync('chown', ['postgres:postgres', folder]);
    const made = serverRun(join(bin, 'initdb'), [
      '-D',
      folder,
      '-U',
      'postgres',
      '-A',
      'trust',
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
    ]);
    if (made !== 0) throw new Error(`initdb could not make a cluster in ${folder}`);
  }
  for (let attempt = 1; attempt <= TRIES; attempt++) {
    const port = await freePort();
    const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' ${name === 'test' ? THROWN_AWAY : ''}`;
    const log = join(folder, 'server.log');
    if (serverRun(join(bin, 'pg_ctl'), ['-D', folder, '-w', '-l', log, '-o', options, 'start']) === 0) {
      return {
        url: url(port),
        stop: () => void serverRun(join(bin, 'pg_ctl'), ['-D', folder, '-m', 'fast', '-w', 'stop']),
      };
    }
    // Just after a kill the old server may still be going down.
    await new Promise((wait) => setTimeout(wait, 1000));
  }
  const log = join(folder, 'server.log');
  throw new Error(
    `The PostgreSQL cluster in ${folder} did not start.\n${existsSync(log) ? readFileSync(log, 'utf8').slice(-2000) : ''}`,
  );
}
