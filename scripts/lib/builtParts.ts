import { join } from 'node:path';
import { root } from './root';

/**
 * The folder of the build that is served, as `ensureBuild` says it: each build has one of its own, beside those that are being
 * served, and is never written to again. In the same depth as the one that the framework builds in, so that it finds its packages.
 */
export const buildFolder = (): string => {
  const { SHELF_BUILD: name } = process.env;
  if (!name) throw new Error('SHELF_BUILD is not set: the command that serves says which build.');
  return join(root, name);
};

/** What of the server is built by us, beside what the framework builds. */
export const PART_NAMES = {
  /** The process that serves, which starts in half the time when nothing has to be translated first. */
  appProcess: 'appProcess.mjs',
  /** The program of the work threads. */
  workThread: 'workThread.mjs',
  routes: 'routes.mjs',
  serviceWorker: 'sw.js',
} as const;
export type PartName = keyof typeof PART_NAMES;

/** As deep in the folder of the program as what it is made of, so that it finds that. */
export const partIn = (folder: string, part: PartName): string => join(folder, 'parts', PART_NAMES[part]);
/** A part of the build that is served. */
export const builtPart = (part: PartName): string => partIn(buildFolder(), part);
