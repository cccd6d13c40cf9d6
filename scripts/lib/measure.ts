/** Median of some figures. */
export function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const [low, high] = [sorted[middle - 1] ?? 0, sorted[middle] ?? 0];
  return sorted.length % 2 === 1 ? high : (low + high) / 2;
}

/** Median milliseconds of a piece of work, after one round that is not counted. */
export async function timed(rounds: number, work: () => unknown): Promise<number> {
  await work();
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return median(times);
}
