/** Rows by a key; where two share it, the first one found. */
export function mapBy<T>(rows: Iterable<T>, key: (row: T) => string): Map<string, T> {
  const map = new Map<string, T>();
  for (const row of rows) {
    const at = key(row);
    if (!map.has(at)) map.set(at, row);
  }
  return map;
}
