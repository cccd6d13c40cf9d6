import { join } from 'node:path';
import { PART_NAMES, type PartName } from '../../src/server/builtParts';
import { root } from './root';

/**
 * The folder of the build that is served, as `ensureBuild` says it: each build has one of its own, beside those that are being
 * served, and is never written to again. In the same depth as the one that the framework builds in, so that it finds its packages.
 */
export const buildFolder = (): string => {
  const { SHELF_BUILD: name } = process.env;
  if (!name) throw new Error('SHELF_BUILD is not set: the command that serves names the build.');
  return join(root, name);
};

/** Folder of our own parts of a build. */
export const partsFolder = (folder: string): string => join(folder, 'parts');
/** File of a part of a build. */
export const partIn = (folder: string, part: PartName): string => join(partsFolder(folder), PART_NAMES[part]);
