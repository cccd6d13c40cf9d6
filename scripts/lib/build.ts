import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root';
import { ROUTES, WORK_THREAD, writeServerParts } from './serverParts';
import { writeServiceWorker } from './serviceWorker';

export const nextBin = join(root, 'node_modules/next/dist/bin/next');

const INPUTS = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'];
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
    for (const file of input === 'src' ? filesOf(path) : [path])
      hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** Build for production, unless what is built was made from the same sources. @returns whether a build stands */
export function ensureBuild(quiet: boolean): boolean {
  const now = fingerprint();
  if (
    existsSync(mark) &&
    readFileSync(mark, 'utf8') === now &&
    [join(root, 'public/sw.js'), WORK_THREAD, ROUTES].every((file) => existsSync(file))
  )
    return true;
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
}
