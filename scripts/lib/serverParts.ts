import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { type BuildOptions, buildSync } from 'esbuild';
import { partIn } from './builtParts';
import { root } from './root';

/** Addresses of the routes, as the folders say them, each with its file. */
function* routesIn(folder: string, at = ''): Generator<{ path: string; file: string }> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = `${at}/${entry.name.replace(/^\[(\w+)\]$/, ':$1')}`;
    if (entry.isDirectory()) yield* routesIn(join(folder, entry.name), path);
    else if (entry.name === 'route.ts') yield { path: at, file: join(folder, entry.name) };
  }
}

/** A module that has all routes: `ROUTES`, pairs of an address and what answers there; and who may have the kept pages. */
function routesModule(): string {
  const all = [...routesIn(join(root, 'src/app'))];
  const imports = all.map(({ file }, at) => `import * as route${at} from ${JSON.stringify(file)};`);
  const pairs = all.map(({ path }, at) => `[${JSON.stringify(path)}, route${at}]`);
  const shells = `export { mayHaveShell, SHELLS } from ${JSON.stringify(join(root, 'src/server/shells.ts'))};`;
  return `${imports.join('\n')}\n${shells}\nexport const ROUTES = [${pairs.join(', ')}];\n`;
}

/** Make our own parts of a build. @param folder of the build */
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
  buildSync({
    ...common,
    stdin: { contents: routesModule(), resolveDir: root, loader: 'ts' },
    outfile: partIn(folder, 'routes'),
  });
}
