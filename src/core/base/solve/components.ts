/**
 * Groups of things that hang together, each in ascending order, in the order of their first things.
 * @param links pairs of things, by number
 */
export function components(count: number, links: Iterable<readonly [number, number]>): number[][] {
  const above = Int32Array.from({ length: count }, (_, at) => at);
  const topOf = (at: number): number => {
    let top = at;
    while (above[top] !== top) top = above[top] ?? top;
    for (let one = at; above[one] !== top; ) {
      const next = above[one] ?? top;
      above[one] = top;
      one = next;
    }
    return top;
  };
  for (const [a, b] of links) above[topOf(a)] = topOf(b);
  const groups = new Map<number, number[]>();
  for (let at = 0; at < count; at++) {
    const top = topOf(at);
    const group = groups.get(top);
    if (group) group.push(at);
    else groups.set(top, [at]);
  }
  return [...groups.values()];
}
