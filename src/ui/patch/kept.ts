/** Whether two records have the same in each field. */
export const alike = <T extends object>(a: T, b: T): boolean =>
  (Object.keys(b) as (keyof T)[]).every((key) => Object.is(a[key], b[key]));

/** Items of the former list wherever the new one has them just so. */
export function kept<T>(
  before: readonly T[],
  now: readonly T[],
  keyOf: (one: T) => string,
  same: (a: T, b: T) => boolean,
): T[] {
  const known = new Map(before.map((one) => [keyOf(one), one]));
  return now.map((one) => {
    const old = known.get(keyOf(one));
    return old !== undefined && same(old, one) ? old : one;
  });
}
