import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { transformSync } from 'esbuild';

/** Script and style of pages that are files of their own, as small as they get. */
export type PageAssets = { script: string; style: string };

/** Made of their sources. @param root of the program @param transform of the builder */
export function makePageAssets(root: string, transform: typeof transformSync): PageAssets {
  const read = (name: string) => readFileSync(join(root, 'src/handover', name), 'utf8');
  return {
    script: transform(read('page.ts'), { loader: 'ts', minify: true, target: 'es2020', format: 'iife' }).code.trim(),
    style: transform(read('page.css'), { loader: 'css', minify: true }).code.trim(),
  };
}

let made: PageAssets | null = null;

/** As they were built; on the command line and in tests, where nothing is built, made once. @param root of the program */
export function pageAssets(root: string): PageAssets {
  made ??= builtAssets() ?? makePageAssets(root, createRequire(import.meta.url)('esbuild').transformSync);
  return made;
}

function builtAssets(): PageAssets | null {
  const { SHELF_PARTS: folder } = process.env;
  if (!folder) return null;
  const read = (name: string) => readFileSync(join(folder, name), 'utf8');
  return { script: read('page.js'), style: read('page.css') };
}
