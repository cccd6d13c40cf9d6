/** Rows by a key; where two share it, the first one found. */
export function mapBy<T>(rows: Iterable<T>, key: (row: T) => string): Map<string, T> {
  const map = new Map<string, T>();
  for (const row of rows) {
    const at = key(row);
    if (!map.has(at)) map.set(at, row);
  }
  return map;
}

/** What is worked out of one table alone is kept with that table, whatever else of the job changes. */
export function ofTable<T extends object, R>(make: (rows: T) => R): (rows: T) => R {
  const kept = new WeakMap<T, R>();
  return (rows) => {
    const there = kept.get(rows);
    if (there !== undefined) return there;
    const made = make(rows);
    if (Object.isFrozen(rows)) kept.set(rows, made);
    return made;
  };
}
