import { type PackingProblem, widthAt, widthsIn } from './problem';
import { rowFilling, type Spans, spansOf } from './rowFilling';
import { type Room, roomOf } from './rowRoom';

/** One row of places: which widths of bodies there are, what it can hold of them, and the limits that it is within. */
export type RowKinds = {
  row: number;
  spans: Spans;
  /** The most of each width where nothing else is in the row. */
  alone: number[];
  /** Null where the counts that have room are too many to list. */
  room: Room | null;
  limits: PackingProblem['limits'];
  /** Which width each thing has here; below 0: it never goes here. */
  kindOf: Int32Array;
  /** Where its widths begin among those of all rows. */
  first: number;
  /** Sets of things that were found to fit here. */
  known: Uint8Array[];
};

/** The rows of places with their widths, and the width of each pair of thing and place among those of all rows. */
export function rowKindsOf(problem: PackingProblem): { rows: RowKinds[]; kinds: number; kindOfPair: Int32Array } {
  const { things, places, cost, limits, rowOf } = problem;
  const kindOfPair = new Int32Array(things * places);
  let kinds = 0;
  const rows = [...new Set(rowOf)].map((row): RowKinds => {
    const widths = widthsIn(problem, row);
    const spans = spansOf(problem, row, widths);
    const here = Array.from({ length: places }, (_, place) => place).filter((place) => rowOf[place] === row);
    const first = kinds;
    kinds += widths.length;
    const kindOf = new Int32Array(things).fill(-1);
    for (let thing = 0; thing < things; thing++)
      for (const place of here) {
        const kind = widths.indexOf(widthAt(problem, thing, place));
        kindOfPair[thing * places + place] = first + kind;
        if (Number.isFinite(cost[thing * places + place])) kindOf[thing] = kind;
      }
    const alone = widths.map((_, kind) => {
      const values = new Float64Array(widths.length);
      values[kind] = 1;
      return rowFilling(spans, widths.length, values).value;
    });
    const atMost = Int32Array.from(alone, (most, kind) => Math.min(most, kindOf.filter((one) => one === kind).length));
    return {
      row,
      spans,
      alone,
      room: roomOf(spans, atMost),
      limits: limits.filter(({ inside }) => here.every((place) => inside[place] === 1)),
      kindOf,
      first,
      known: [],
    };
  });
  return { rows, kinds, kindOfPair };
}
