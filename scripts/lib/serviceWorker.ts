import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { buildSync } from 'esbuild';
import { partIn } from './builtParts';
import { root } from './root';

/** Parts of the built application, as a browser asks for them. */
function partsOf(folder: string, at = '/_next/static'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = `${at}/${entry.name}`;
    if (entry.isDirectory()) return partsOf(join(folder, entry.name), path);
    // Sources of workers and maps are of no use in the cellar.
    return /\.(js|css|woff2|wasm)$/.test(entry.name) ? [path] : [];
  });
}

/**
 * Make the service worker of a build: it knows the build's number and all its parts.
 * @param folder of the build
 * @param build its number; null in development, where parts are made as they are asked for
 */
export function writeServiceWorker(folder: string, build: string | null): void {
  const parts = build === null ? null : partsOf(join(folder, 'static')).sort();
  const made = buildSync({
    entryPoints: [join(root, 'src/serviceWorker/sw.ts')],
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    write: false,
    define: { BUILD: JSON.stringify(build ?? 'development'), PARTS: JSON.stringify(parts) },
  });
  const file = partIn(folder, 'serviceWorker');
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, made.outputFiles[0]?.text ?? '');
}
