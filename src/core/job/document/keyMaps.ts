import { type AnyRecord, type Records, rowsOf, type TableName, tableOf } from './tables';

const cache = new WeakMap<object, (Map<string, string> | undefined)[]>();

/**
 * Id of the row that has a key, for the so-many-th key of a table. Made once for each version of the table; the first
 * of rows that share a key is kept.
 */
export function keyMap(records: Records, table: TableName, at = 0): ReadonlyMap<string, string> {
  const rows = rowsOf(records, table);
  const known = cache.get(rows) ?? [];
  const there = known[at];
  if (there) return there;
  const key = tableOf(table).keys[at];
  const map = new Map<string, string>();
  for (const row of Object.values(rows)) {
    const of = key?.of(row) ?? null;
    if (of !== null && !map.has(of)) map.set(of, row.id);
  }
  // A draft changes in place: only what is final is kept.
  if (Object.isFrozen(rows)) {
    known[at] = map;
    cache.set(rows, known);
  }
  return map;
}

/**
 * Hand the maps of a table on to its next version, brought up to date for the rows that differ: the next change is likely
 * to ask for them there. The earlier version makes its own again when it is asked once more.
 */
export function handOnKeyMaps(before: Records, after: Records, table: TableName, touched: Iterable<string>): void {
  const [was, is] = [rowsOf(before, table), rowsOf(after, table)];
  const maps = cache.get(was);
  if (!maps || was === is || !Object.isFrozen(is)) return;
  const ids = [...touched];
  tableOf(table).keys.forEach((key, at) => {
    const map = maps[at];
    if (!map) return;
    const keyOf = (row: AnyRecord | undefined) => (row ? (key.of(row) ?? null) : null);
    for (const id of ids) {
      const old = keyOf(was[id]);
      if (old !== null && map.get(old) === id) map.delete(old);
    }
    for (const id of ids) {
      const fresh = keyOf(is[id]);
      if (fresh !== null && !map.has(fresh)) map.set(fresh, id);
    }
  });
  cache.delete(was);
  cache.set(is, maps);
}

/** Rows that share one key, for each key that more than one row has. */
export function sharing<T>(rows: Iterable<T>, key: (row: T) => string | null): T[][] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const at = key(row);
    if (at === null) continue;
    const group = groups.get(at);
    if (group) group.push(row);
    else groups.set(at, [row]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}
