import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parseSync } from 'oxc-parser';

/**
 * The five floors of the core from the ground up, each with its folders in their order: a folder imports those above it in this list,
 * and itself. A folder that stands in another one is named by its path.
 */
export const FLOORS = {
  base: ['memo', 'text', 'standards', 'units', 'solve'],
  job: ['records', 'gear', 'document', 'rack', 'commands'],
  trade: [
    'people',
    'survey/answers',
    'patching/cords',
    'power',
    'power/cooling',
    'power/noise',
    'power/storage',
    'power/dependencies',
    'runs',
    'runs/pathways',
    'patching/networks',
    'rack/mounting',
    'rack/lifting',
    'panels',
    'labels',
    'patching',
    'rack/arrange',
    'patching/uplinks',
    'trace',
    'survey',
    'runs/unlabelled',
    'testing',
    'build/care',
    'build',
    'testing/switches',
    'wholeJob',
  ],
  findings: ['snags', 'schedule', 'wiring', 'stations', 'whatIf', 'handbook'],
  exchange: ['copies', 'formats', 'handover', 'wire'],
} as const;

export const LAYERS: readonly string[] = Object.entries(FLOORS).flatMap(([floor, folders]) =>
  folders.map((folder) => `${floor}/${folder}`),
);

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

/** The layer of the innermost folder that has one. */
export function layerOf(file: string): number {
  for (let folder = dirname(file); folder !== '.'; folder = dirname(folder)) {
    const layer = LAYERS.indexOf(folder);
    if (layer >= 0) return layer;
  }
  return -1;
}

/** Imports that run up, and folders that have no layer. */
export function wrongArrows(arrows: readonly Arrow[]): string[] {
  return arrows.flatMap(({ from, to }) => {
    if (layerOf(from) < 0) return [`${from}: its folder has no layer`];
    return layerOf(to) > layerOf(from) ? [`${from} → ${to}`] : [];
  });
}
