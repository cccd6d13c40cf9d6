import { type ChildProcess, spawn } from 'node:child_process';
import { createServer } from 'node:net';
import type { Serving } from './appServer';
import { buildFolder, partIn } from './builtParts';
import { root } from './root';

export type Running = { address: string; process: ChildProcess; stop: () => Promise<void> };

const free = (port: number): Promise<boolean> =>
  new Promise((done) => {
    const server = createServer().once('error', () => done(false));
    server.listen(port, '127.0.0.1', () => server.close(() => done(true)));
  });

/** Ports that browsers and `fetch` refuse, since other services have them: https://fetch.spec.whatwg.org/#port-blocking */
const REFUSED: ReadonlySet<number> = new Set([4045, 4190, 5060, 5061, 6000, 6566]);

/** The first free port from this one on. */
export async function portFrom(first: number): Promise<number> {
  for (let port = first; port < first + 200; port++) if (!REFUSED.has(port) && (await free(port))) return port;
  throw new Error(`No free port from ${first} on.`);
}

const LONGEST_MS = 180_000;

/** Somebody else may take a port between our look and our use of it. */
const MOST_PORTS = 4;

/** Start the built application on loopback, on this port or the next that is free, and wait until it answers. */
export async function startServer(databaseUrl: string, first: number, processes = 1): Promise<Running> {
  let port = first;
  for (let tries = 1; ; tries++) {
    const running = await startAt(databaseUrl, port, processes);
    if (running) return running;
    if (tries === MOST_PORTS) throw new Error('The application ended while starting.');
    port = await portFrom(port + 1);
  }
}

/** @returns null where it ended while starting */
async function startAt(databaseUrl: string, port: number, processes: number): Promise<Running | null> {
  const serving: Serving = {
    dev: false,
    host: '127.0.0.1',
    port,
    tls: null,
    proxies: [],
    metricsPort: null,
    told: false,
  };
  const program = [partIn(buildFolder(), 'appProcess'), JSON.stringify(serving), String(processes)];
  const child = spawn(process.execPath, program, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    // What starts the server here is the demo or a test: both offer simulated switches.
    env: { SHELF_SIMULATED: '1', ...process.env, NODE_ENV: 'production', DATABASE_URL: databaseUrl },
  });
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  const address = `http://127.0.0.1:${port}`;
  const stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    // Open event streams would keep it waiting.
    const late = setTimeout(() => child.kill('SIGKILL'), 1500);
    await ended;
    clearTimeout(late);
  };
  const deadline = Date.now() + LONGEST_MS;
  while (Date.now() < deadline) {
    if (child.exitCode !== null) return null;
    const ok = await fetch(`${address}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (ok) return { address, process: child, stop };
    await new Promise((wait) => setTimeout(wait, 60));
  }
  await stop();
  throw new Error(`The application did not answer within ${LONGEST_MS / 1000} s.`);
}
