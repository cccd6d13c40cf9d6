import type { CuttingProblem } from './problem';

/** Most pieces that fit into one stock, the shortest first. `sorted` ascends. */
function mostPieces(sorted: readonly number[], capacity: number): number {
  let [count, sum] = [0, 0];
  while (count < sorted.length && sum + (sorted[count] ?? 0) <= capacity) sum += sorted[count++] ?? 0;
  return count;
}

/**
 * Least number of new stocks by volume, by how many of the longer pieces fit into one, and by the largest group.
 */
export function freshBound({ pieces, parts, fresh }: CuttingProblem): number {
  const sorted = pieces.map((piece) => piece.length).sort((a, b) => a - b);
  const total = sorted.reduce((sum, length) => sum + length, 0);
  const partTotal = parts.reduce((sum, length) => sum + length, 0);
  let bound = Math.max(0, Math.ceil((total - partTotal) / fresh));
  for (let from = 0; from < sorted.length; from++) {
    if (from > 0 && sorted[from] === sorted[from - 1]) continue;
    const longer = sorted.slice(from);
    const inParts = parts.reduce((sum, part) => sum + mostPieces(longer, part), 0);
    const inOne = mostPieces(longer, fresh);
    if (inOne > 0) bound = Math.max(bound, Math.ceil((longer.length - inParts) / inOne));
  }
  const groups = new Map<number, number[]>();
  for (const { group, length } of pieces) groups.set(group, [...(groups.get(group) ?? []), length]);
  for (const lengths of groups.values()) {
    const fitting = parts.filter((part) => lengths.some((length) => length <= part)).length;
    bound = Math.max(bound, lengths.length - fitting);
  }
  return bound;
}

/** Least scrap of stocks used to the last: their slack, unless it can lie together in a rest that is kept. */
export const slackBound = (slack: number, reusable: number): number => (slack < reusable ? slack : 0);
