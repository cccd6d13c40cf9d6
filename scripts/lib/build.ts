import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { APP_PROCESS, ROUTES, WORK_THREAD } from './builtParts';
import { root } from './root';
import { writeServerParts } from './serverParts';
import { writeServiceWorker } from './serviceWorker';

export const nextBin = join(root, 'node_modules/next/dist/bin/next');

const INPUTS = [
  'src',
  'scripts/appProcess.ts',
  'scripts/lib',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];
const mark = join(root, '.next/built-from');

function* filesOf(path: string): Generator<string> {
  for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const full = join(path, entry.name);
    if (entry.isDirectory()) yield* filesOf(full);
    else if (!/\.test\.tsx?$/.test(entry.name)) yield full;
  }
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const input of INPUTS) {
    const path = join(root, input);
    for (const file of statSync(path).isDirectory() ? filesOf(path) : [path])
      hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

const lock = join(root, '.data/building');
const AGAIN_MS = 1000;

/** Whether a process is there. */
function lives(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Build alone: who comes meanwhile waits, and finds what was built. A lock that a killed process left behind is no lock. */
function claimBuild(): void {
  mkdirSync(dirname(lock), { recursive: true });
  for (;;) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx' });
      return;
    } catch (fault) {
      if ((fault as NodeJS.ErrnoException).code !== 'EEXIST') throw fault;
    }
    const holder = Number(existsSync(lock) ? readFileSync(lock, 'utf8') : 0);
    // Just made, its number may not stand in it yet.
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, AGAIN_MS);
    if (holder > 0 && !lives(holder)) rmSync(lock, { force: true });
  }
}

const standsBuilt = (from: string): boolean =>
  existsSync(mark) &&
  readFileSync(mark, 'utf8') === from &&
  [join(root, 'public/sw.js'), APP_PROCESS, WORK_THREAD, ROUTES].every((file) => existsSync(file));

/** Build for production, unless what is built was made from the same sources. @returns whether a build stands */
export function ensureBuild(quiet: boolean): boolean {
  const now = fingerprint();
  if (standsBuilt(now)) return true;
  claimBuild();
  try {
    if (standsBuilt(now)) return true;
    const built = spawnSync(process.execPath, [nextBin, 'build'], {
      cwd: root,
      encoding: 'utf8',
      stdio: quiet ? 'pipe' : ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NODE_ENV: 'production' },
    });
    if (built.status !== 0) {
      if (quiet) process.stderr.write(`${built.stdout}${built.stderr}`);
      return false;
    }
    writeServiceWorker(root);
    writeServerParts();
    writeFileSync(mark, now);
    return true;
  } finally {
    rmSync(lock, { force: true });
  }
}
