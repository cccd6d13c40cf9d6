import { bodyHasRoom, type PackingProblem, TOUCH } from './problem';

/** Places of a row where a body of a width can be, from left to right by where it ends. */
export type Spans = { kind: number; from: number; to: number }[];

/** All spans of a row: each place with each width that has room there. */
export function spansOf(problem: PackingProblem, row: number, widths: readonly number[]): Spans {
  const spans: Spans = [];
  for (let place = 0; place < problem.places; place++) {
    if (problem.rowOf[place] !== row) continue;
    widths.forEach((width, kind) => {
      const middle = problem.middle[place];
      if (bodyHasRoom(problem, width, place)) spans.push({ kind, from: middle - width / 2, to: middle + width / 2 });
    });
  }
  return spans.sort((a, b) => a.to - b.to);
}

/** Bodies in a row that are worth most and do not overlap (weighted intervals, from left to right). */
export function rowFilling(spans: Spans, kinds: number, values: Float64Array) {
  const worth = new Float64Array(spans.length + 1);
  const before = new Int32Array(spans.length);
  spans.forEach(({ kind, from }, at) => {
    let last = at;
    while (last > 0 && spans[last - 1].to > from + TOUCH) last--;
    before[at] = last;
    worth[at + 1] = Math.max(worth[at], worth[last] + values[kind]);
  });
  const counts = new Int32Array(kinds);
  for (let at = spans.length; at > 0; ) {
    if (worth[at] === worth[at - 1]) at--;
    else {
      counts[spans[at - 1].kind] = counts[spans[at - 1].kind] + 1;
      at = before[at - 1];
    }
  }
  return { counts, value: worth[spans.length], bound: worth[spans.length] };
}
