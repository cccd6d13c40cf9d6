import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parseSync } from 'oxc-parser';

/** Folders of the core from the ground up: each may import those below it, and itself. */
export const LAYERS = [
  'text',
  'standards',
  'units',
  'solve',
  'records',
  'gear',
  'job',
  'people',
  'rack',
  'commands',
  'site',
  'cords',
  'power',
  'cooling',
  'acoustics',
  'storage',
  'depends',
  'runs',
  'pathways',
  'networks',
  'mounting',
  'lifting',
  'panels',
  'labels',
  'patching',
  'arrange',
  'uplinks',
  'trace',
  'survey',
  'tracing',
  'proving',
  'snags',
  'care',
  'build',
  'switching',
  'schedule',
  'loom',
  'stations',
  'oneMore',
  'plans',
  'firm',
  'formats',
  'handover',
  'handbook',
  'models',
  'wire',
] as const;

export type Arrow = { from: string; to: string };

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesIn(path);
    else if (/\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name)) yield path;
  }
}

/** Imports and re-exports of each file below a folder, types included, by path relative to it. */
export function arrowsIn(folder: string): Arrow[] {
  return [...filesIn(folder)].flatMap((file) => {
    const { module } = parseSync(file, readFileSync(file, 'utf8'));
    const named = [
      ...module.staticImports.map((one) => one.moduleRequest.value),
      ...module.staticExports.flatMap((one) => one.entries.flatMap((entry) => entry.moduleRequest?.value ?? [])),
    ];
    return named
      .filter((name) => name.startsWith('.'))
      .map((name) => ({ from: relative(folder, file), to: relative(folder, join(dirname(file), `${name}.ts`)) }));
  });
}

const layerOf = (file: string): number => LAYERS.indexOf(file.split('/')[0] as (typeof LAYERS)[number]);

/** Imports that run up, and folders that have no layer. */
export function wrongArrows(arrows: readonly Arrow[]): string[] {
  return arrows.flatMap(({ from, to }) => {
    if (layerOf(from) < 0) return [`${from}: its folder has no layer`];
    return layerOf(to) > layerOf(from) ? [`${from} → ${to}`] : [];
  });
}
