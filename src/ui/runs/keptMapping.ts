import { type ColumnMap, RUN_COLUMNS, type RunColumn } from '@/core/runs/runColumns';

/** Where this browser keeps what was chosen for lists of a shape, the latest last. */
const KEY = 'good-shelf-columns';
const MOST = 30;

type Kept = { shape: string; map: ColumnMap }[];

const shapeOf = (header: readonly string[]): string => header.map((one) => one.trim().toLowerCase()).join('\u001f');

function read(): Kept {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((one) => typeof one?.shape === 'string' && Array.isArray(one?.map)) : [];
  } catch {
    return [];
  }
}

/** What was chosen for the columns of such a list before; null when none was here. */
export function keptMapping(header: readonly string[]): ColumnMap | null {
  const shape = shapeOf(header);
  const map = read().find((one) => one.shape === shape)?.map;
  if (!map || map.length !== header.length) return null;
  return map.map((one) => (RUN_COLUMNS.includes(one as RunColumn) ? one : null));
}

export function keepMapping(header: readonly string[], map: ColumnMap): void {
  const shape = shapeOf(header);
  try {
    const rest = read().filter((one) => one.shape !== shape);
    localStorage.setItem(KEY, JSON.stringify([...rest, { shape, map }].slice(-MOST)));
  } catch {
    // Where the browser keeps nothing it is chosen anew.
  }
}
