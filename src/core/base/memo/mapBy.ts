/** Index rows by a key. When two rows share a key, the first one is kept. */
export function mapBy<T>(rows: Iterable<T>, key: (row: T) => string): Map<string, T> {
  const map = new Map<string, T>();
  for (const row of rows) {
    const at = key(row);
    if (!map.has(at)) map.set(at, row);
  }
  return map;
}
