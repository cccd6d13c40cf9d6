const MOST = 30;

type Kept = { shape: string; map: (string | null)[] }[];

/** Where this browser keeps what was chosen for lists of a shape, the latest last. */
const keyOf = (list: string): string => `good-shelf-columns${list === 'runs' ? '' : `-${list}`}`;
const shapeOf = (header: readonly string[]): string => header.map((one) => one.trim().toLowerCase()).join('\u001f');

function read(list: string): Kept {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(list)) ?? '[]');
    return Array.isArray(kept) ? kept.filter((one) => typeof one?.shape === 'string' && Array.isArray(one?.map)) : [];
  } catch {
    return [];
  }
}

/**
 * What was chosen for the columns of such a list before; null when none was here.
 * @param list what the list is of
 * @param columns what a column can hold
 */
export function keptMapping<C extends string>(
  list: string,
  header: readonly string[],
  columns: readonly C[],
): (C | null)[] | null {
  const shape = shapeOf(header);
  const map = read(list).find((one) => one.shape === shape)?.map;
  if (!map || map.length !== header.length) return null;
  return map.map((one) => columns.find((column) => column === one) ?? null);
}

export function keepMapping(list: string, header: readonly string[], map: readonly (string | null)[]): void {
  const shape = shapeOf(header);
  try {
    const rest = read(list).filter((one) => one.shape !== shape);
    localStorage.setItem(keyOf(list), JSON.stringify([...rest, { shape, map }].slice(-MOST)));
  } catch {
    // Where the browser keeps nothing it is chosen anew.
  }
}
