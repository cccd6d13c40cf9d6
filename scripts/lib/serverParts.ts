import { join } from 'node:path';
import { type BuildOptions, buildSync } from 'esbuild';
import { partIn } from './builtParts';
import { root } from './root';

/** Build the server and its work threads, so that they start without a translator. @param folder of the build */
export function writeServerParts(folder: string): void {
  const common: BuildOptions = {
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
  };
  buildSync({ ...common, entryPoints: [join(root, 'scripts/appProcess.ts')], outfile: partIn(folder, 'appProcess') });
  buildSync({
    ...common,
    entryPoints: [join(root, 'src/server/work.worker.ts')],
    outfile: partIn(folder, 'workThread'),
  });
}
