import type { Snag } from './snag';

/** What a snag is about and how grave it is, whatever its sentence says: a figure in it may change while it stands. */
const identityOf = ({ id, grade }: Snag): string => `${grade} ${id}`;

/** Snags of `after` that do not stand in `before`, or were less grave there. */
export function newSnags(before: readonly Snag[], after: readonly Snag[]): Snag[] {
  const known = new Set(before.map(identityOf));
  return after.filter((snag) => !known.has(identityOf(snag)));
}
