const CHUNK = 12;

/**
 * Sums over the members of a set, for rows of numbers: `sum(row, set)` adds up `rows[row][member]`.
 * Sets are bit masks; sums are looked up by chunks of bits.
 */
export function setSums(rows: readonly Float64Array[], members: number): (row: number, set: number) => number {
  const chunks = Math.max(1, Math.ceil(members / CHUNK));
  const size = 2 ** Math.min(CHUNK, members);
  const tables = rows.map((row) =>
    Array.from({ length: chunks }, (_, chunk) => {
      const table = new Float64Array(size);
      for (let set = 1; set < size; set++) {
        const low = 31 - Math.clz32(set & -set);
        table[set] = table[set & (set - 1)] + (row[chunk * CHUNK + low] ?? 0);
      }
      return table;
    }),
  );
  const mask = size - 1;
  return (row, set) => {
    const [first, second, third] = tables[row];
    let sum = first[set & mask];
    if (second) sum += second[(set >>> CHUNK) & mask];
    if (third) sum += third[(set >>> (2 * CHUNK)) & mask];
    return sum;
  };
}
