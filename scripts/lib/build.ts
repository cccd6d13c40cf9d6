import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { PART_NAMES, type PartName } from '../../src/server/builtParts';
import { partIn } from './builtParts';
import { compressStatic } from './compressing';
import { root } from './root';
import { RELEASED, writeServerParts } from './serverParts';
import { writeServiceWorker } from './serviceWorker';
import { isUsed, lives } from './usedBuild';

export const nextBin = join(root, 'node_modules/next/dist/bin/next');

const INPUTS = [
  'src',
  'scripts/appProcess.ts',
  ...RELEASED.map((name) => `scripts/${name}.ts`),
  'scripts/lib',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];
/** Where the framework builds; what is served stands beside it. */
const workshop = join(root, '.next');
const BUILD = /^\.next-[0-9a-f]{12}$/;
/** Says that a build is whole. */
const WHOLE = 'built-from';
/** Builds that nobody serves and are kept all the same, for going back. */
const MOST_OLD = 2;

function* filesOf(path: string): Generator<string> {
  for (const entry of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const full = join(path, entry.name);
    if (entry.isDirectory()) yield* filesOf(full);
    else if (!/\.test\.tsx?$/.test(entry.name)) yield full;
  }
}

function fingerprint(salt: string): string {
  const hash = createHash('sha256').update(salt);
  for (const input of INPUTS) {
    const path = join(root, input);
    for (const file of statSync(path).isDirectory() ? filesOf(path) : [path])
      hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

const lock = join(root, '.data/building');
const AGAIN_MS = 1000;

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

const standsBuilt = (folder: string, from: string): boolean =>
  existsSync(join(folder, WHOLE)) &&
  readFileSync(join(folder, WHOLE), 'utf8') === from &&
  Object.keys(PART_NAMES).every((part) => existsSync(partIn(folder, part as PartName)));

/** Take builds away that nobody serves, but for the last ones. */
function dropOld(now: string): void {
  const old = readdirSync(root)
    .filter((name) => BUILD.test(name) && join(root, name) !== now && !isUsed(join(root, name)))
    .map((name) => ({ name, at: statSync(join(root, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at);
  for (const { name } of old.slice(MOST_OLD)) rmSync(join(root, name), { recursive: true, force: true });
}

const nameOf = (from: string): string => `.next-${from.slice(0, 12)}`;
const folderOf = (from: string): string => join(root, nameOf(from));

/** Whether a build of these sources stands; the environment says then which it is. */
function takeIfWhole(from: string): boolean {
  if (!standsBuilt(folderOf(from), from)) return false;
  process.env.SHELF_BUILD = nameOf(from);
  return true;
}

/** Whether these sources are built; the environment says then which build it is. Builds nothing. */
export const findBuild = (): boolean => takeIfWhole(fingerprint(''));

/**
 * Build for production, unless what is built was made from the same sources, and say in the environment which build it is. It is
 * built beside those that are being served, and put into its place when it is whole: a build that is served is never touched.
 * @param salt makes another build of the same sources, for trials
 * @returns whether a build stands
 */
export function ensureBuild(quiet: boolean, salt = ''): boolean {
  const from = fingerprint(salt);
  const folder = folderOf(from);
  const stands = () => takeIfWhole(from);
  if (stands()) return true;
  claimBuild();
  try {
    if (stands()) return true;
    const { SHELF_BUILD: _, ...env } = process.env;
    const built = spawnSync(process.execPath, [nextBin, 'build'], {
      cwd: root,
      encoding: 'utf8',
      stdio: quiet ? 'pipe' : ['ignore', 'inherit', 'inherit'],
      env: { ...env, NODE_ENV: 'production' },
    });
    if (built.status !== 0) {
      if (quiet) process.stderr.write(`${built.stdout}${built.stderr}`);
      return false;
    }
    writeServiceWorker(workshop, readFileSync(join(workshop, 'BUILD_ID'), 'utf8').trim());
    writeServerParts(workshop);
    compressStatic(workshop);
    // What a build that was cut off left behind under this name is no build.
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder);
    // What is being developed goes on in the workshop.
    for (const name of readdirSync(workshop)) if (name !== 'dev') renameSync(join(workshop, name), join(folder, name));
    writeFileSync(join(folder, WHOLE), from);
    // Editors and the check of types look for them where the framework puts them.
    cpSync(join(folder, 'types'), join(workshop, 'types'), { recursive: true });
    dropOld(folder);
    return stands();
  } finally {
    rmSync(lock, { force: true });
  }
}
