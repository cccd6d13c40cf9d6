import { join } from 'node:path';

/** What is built beside the framework's own build. */
export const PART_NAMES = {
  /** The process that serves. */
  appProcess: 'appProcess.mjs',
  /** The program of the work threads. */
  workThread: 'workThread.mjs',
  serviceWorker: 'sw.js',
  /** Script and style of pages that are files of their own. */
  pageScript: 'page.js',
  pageStyle: 'page.css',
} as const;
export type PartName = keyof typeof PART_NAMES;

/** File of a part, in the folder that the server names in SHELF_PARTS; null in tests, where nothing is built. */
export function builtPart(part: PartName): string | null {
  const { SHELF_PARTS: folder } = process.env;
  return folder ? join(folder, PART_NAMES[part]) : null;
}
