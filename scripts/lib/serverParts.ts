import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync, transformSync } from 'esbuild';
import { makePageAssets } from '../../src/print/pageAssets';
import { partIn, partsFolder } from './builtParts';
import { root } from './root';

/** Commands of a release, each a program of its own. */
export const RELEASED = ['serve', 'account', 'backup', 'restore'] as const;

/**
 * Build the server, its work threads and the commands of a release, so that they start without a translator, and the script and style
 * of pages that are files. What only building needs is in parts that are not read when a build is served.
 * @param folder of the build
 */
export function writeServerParts(folder: string): void {
  const script = (name: string) => join(root, 'scripts', `${name}.ts`);
  buildSync({
    entryPoints: {
      appProcess: script('appProcess'),
      workThread: join(root, 'src/server/work.worker.ts'),
      ...Object.fromEntries(RELEASED.map((name) => [name, script(name)])),
    },
    outdir: partsFolder(folder),
    outExtension: { '.js': '.mjs' },
    splitting: true,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
  });
  const { script: page, style } = makePageAssets(root, transformSync);
  writeFileSync(partIn(folder, 'pageScript'), page);
  writeFileSync(partIn(folder, 'pageStyle'), style);
}
