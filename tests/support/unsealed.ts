/** Paths of what in a value can still be changed in place. */
export function unsealed(value: unknown, path = 'job'): string[] {
  if (typeof value !== 'object' || value === null) return [];
  const inside = Object.entries(value).flatMap(([key, part]) => unsealed(part, `${path}.${key}`));
  return Object.isFrozen(value) ? inside : [path, ...inside];
}
