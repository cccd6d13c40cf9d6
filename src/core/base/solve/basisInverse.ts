/** Room for so many more rows, so that memory can be used again. */
const SPARE = 16;
/** Entries smaller than this are taken for rounding. */
const TINY = 1e-12;

/** The inverse of a basis, row-major, with what each of its rows measures (the sum of its squares). */
export type BasisInverse = { size: number; rows: Float64Array; squares: Float64Array };

/** The inverse of a basis of unit columns. */
export function unitInverse(size: number): BasisInverse {
  const rows = new Float64Array(size * size);
  for (let row = 0; row < size; row++) rows[row * size + row] = 1;
  return { size, rows, squares: new Float64Array(size).fill(1) };
}

/**
 * A copy of the inverse with more rows, each with its own unit column.
 * @param numbers where the copy may be written, when it is long enough; what it held is lost
 */
export function widerInverse({ size, rows, squares }: BasisInverse, by: number, numbers?: Float64Array): BasisInverse {
  const wide = size + by;
  const fits = numbers !== undefined && numbers.length >= wide * wide;
  const next = fits ? numbers : new Float64Array((wide + SPARE) ** 2);
  for (let row = 0; row < size; row++) {
    const end = row * wide + size;
    next.set(rows.subarray(row * size, (row + 1) * size), row * wide);
    if (fits) next.fill(0, end, end + by);
  }
  if (fits) next.fill(0, size * wide, wide * wide);
  for (let row = size; row < wide; row++) next[row * wide + row] = 1;
  const measured = new Float64Array(wide).fill(1);
  measured.set(squares);
  return { size: wide, rows: next, squares: measured };
}

/** The inverse without some of its rows and columns: of units that are their own only member, nothing else changes. */
export function narrowerInverse(
  { size, rows, squares }: BasisInverse,
  keepRows: readonly number[],
  keepColumns: readonly number[],
): BasisInverse {
  const narrow = keepRows.length;
  const next = new Float64Array((narrow + SPARE) ** 2);
  keepRows.forEach((row, at) => {
    const [from, to] = [row * size, at * narrow];
    for (let column = 0; column < narrow; column++) next[to + column] = rows[from + keepColumns[column]];
  });
  return { size: narrow, rows: next, squares: Float64Array.from(keepRows, (row) => squares[row]) };
}

/**
 * Bring a member into the basis for the one of row `at` (Dantzig and Orchard-Hays 1954). Only what is not 0 is gone
 * through: bases of assignments are nearly trees.
 * @param direction the inverse times the member's column
 */
export function changeBasis({ size, rows, squares }: BasisInverse, at: number, direction: Float64Array): void {
  const pivot = direction[at];
  const start = at * size;
  const filled: number[] = [];
  let square = 0;
  for (let column = 0; column < size; column++) {
    const entry = rows[start + column];
    if (entry === 0) continue;
    const next = entry < TINY && entry > -TINY ? 0 : entry / pivot;
    rows[start + column] = next;
    square += next * next;
    if (next !== 0) filled.push(column);
  }
  squares[at] = square;
  for (let row = 0; row < size; row++) {
    const factor = direction[row];
    if (row === at || (factor < TINY && factor > -TINY)) continue;
    const first = row * size;
    let more = 0;
    for (let slot = 0; slot < filled.length; slot++) {
      const column = filled[slot];
      const before = rows[first + column];
      const next = before - factor * rows[start + column];
      rows[first + column] = next;
      more += next * next - before * before;
    }
    squares[row] = squares[row] + more;
  }
}
