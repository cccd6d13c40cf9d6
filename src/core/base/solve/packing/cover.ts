/** Of these things so many can be within a limit at most. */
export type Cover = { holds: Uint8Array; most: number };

/**
 * A cover that shares break: things whose weights together are more than a limit cannot all be within it, nor can so many
 * of them and of whatever is as heavy as the heaviest of them.
 * @param part share of each thing that is within the limit
 */
export function coverOf(weight: Float64Array, most: number, part: Float64Array): Cover | null {
  const order = Array.from(part, (_, thing) => thing)
    .filter((thing) => part[thing] > 1e-6 && weight[thing] > 0)
    .sort((a, b) => (1 - part[a]) / weight[a] - (1 - part[b]) / weight[b]);
  const cover: number[] = [];
  let sum = 0;
  for (const thing of order) {
    if (sum > most + 1e-6) break;
    cover.push(thing);
    sum += weight[thing];
  }
  if (sum <= most + 1e-6) return null;
  // What the cover does without is left out of it, least inside first.
  for (const thing of [...cover].sort((a, b) => part[a] - part[b]))
    if (sum - weight[thing] > most + 1e-6) {
      sum -= weight[thing];
      cover.splice(cover.indexOf(thing), 1);
    }
  const heaviest = Math.max(...cover.map((thing) => weight[thing]));
  const holds = Uint8Array.from(part, (_, thing) => (weight[thing] >= heaviest ? 1 : 0));
  for (const thing of cover) holds[thing] = 1;
  let inside = 0;
  for (let thing = 0; thing < part.length; thing++) if (holds[thing]) inside += part[thing];
  return inside > cover.length - 1 + 1e-4 ? { holds, most: cover.length - 1 } : null;
}
