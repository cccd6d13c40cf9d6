import { TOUCH } from './problem';
import type { Spans } from './rowFilling';

/** Which counts of bodies of each width a row can hold: `holds[Σ count × stride]`, and how many bodies at most. */
export type Room = { holds: Uint8Array; stride: Int32Array; bodies: number };

/** Rows that can be filled in more ways are not listed. */
const MOST_FULL = 80;
const MOST_COUNTS = 100_000;

/**
 * @param atMost how many bodies of each width there are at all
 * @returns null where there are too many counts to list
 */
export function roomOf(spans: Spans, atMost: Int32Array): Room | null {
  const kinds = atMost.length;
  const stride = new Int32Array(kinds);
  let size = 1;
  for (let kind = 0; kind < kinds; kind++) {
    stride[kind] = size;
    // One more than there can be, so that it can be asked for too.
    size *= atMost[kind] + 2;
  }
  const full = size > MOST_COUNTS ? null : fullCounts(spans, atMost);
  if (!full) return null;
  const holds = new Uint8Array(size);
  const fill = (counts: Int32Array, kind: number, at: number): void => {
    if (kind === kinds) holds[at] = 1;
    else for (let count = 0; count <= counts[kind]; count++) fill(counts, kind + 1, at + count * stride[kind]);
  };
  for (const counts of full) fill(counts, 0, 0);
  return { holds, stride, bodies: Math.max(...full.map((counts) => counts.reduce((sum, count) => sum + count, 0))) };
}

/** Counts of bodies of each width that a row can hold, those only that no other surpasses (from left to right). */
function fullCounts(spans: Spans, atMost: Int32Array): Int32Array[] | null {
  const sets: Int32Array[][] = [[new Int32Array(atMost.length)]];
  for (const [at, { kind, from }] of spans.entries()) {
    let last = at;
    while (last > 0 && spans[last - 1].to > from + TOUCH) last--;
    const more = sets[last].flatMap((counts) => {
      if (counts[kind] === atMost[kind]) return [];
      const one = Int32Array.from(counts);
      one[kind] = one[kind] + 1;
      return [one];
    });
    const full = surpassedByNone([...sets[at], ...more]);
    if (full.length > MOST_FULL) return null;
    sets.push(full);
  }
  return sets[spans.length];
}

const isWithin = (counts: Int32Array, most: Int32Array) => counts.every((count, kind) => count <= most[kind]);

function surpassedByNone(all: Int32Array[]): Int32Array[] {
  const kept: Int32Array[] = [];
  for (const one of all) {
    if (kept.some((other) => isWithin(one, other))) continue;
    for (let at = kept.length - 1; at >= 0; at--) if (isWithin(kept[at], one)) kept.splice(at, 1);
    kept.push(one);
  }
  return kept;
}
