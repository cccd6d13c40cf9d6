import type { Kinds } from './kinds';
import { type Rule, ruleOf } from './rules';

/** A count that a relaxation leaves broken, to be at most its floor or at least its ceiling. */
export type Split = { key: string; parts: [cell: number, factor: number][]; value: number };

/** Counts broken by less are whole. */
export const WHOLE = 1e-5;

/** How far a number is from the nearest whole one. */
export const brokenBy = (value: number): number => Math.abs(value - Math.round(value));

export const halves = ({ parts, value }: Split): [Rule, Rule] => [
  ruleOf(parts, Math.floor(value)),
  ruleOf(
    parts.map(([cell, factor]) => [cell, -factor]),
    -Math.ceil(value),
  ),
];

/**
 * What can be split on, most telling first: what is left out together by price; how many of one kind are left out; how
 * many of one weight a group has; and only when all of these are whole, how many of one kind a group has.
 */
export function splitsOf({ weights, prices }: Kinds, groups: number, counts: Float64Array): Split[] {
  const width = groups + 1;
  const found: Split[] = [];
  const consider = (key: string, parts: [cell: number, factor: number][]) => {
    let value = 0;
    for (const [cell, factor] of parts) value += factor * counts[cell];
    if (brokenBy(value) > WHOLE) found.push({ key, parts, value });
  };
  const kinds = [...weights.keys()];
  const unit = Math.min(...prices.filter((price) => price > 0));
  if (prices.every((price) => brokenBy(price / unit) < WHOLE)) {
    consider(
      'price',
      kinds.map((kind) => [kind * width + groups, Math.round(prices[kind] / unit)]),
    );
  }
  if (found.length > 0) return found;
  for (const kind of kinds) consider(`out ${kind}`, [[kind * width + groups, 1]]);
  for (const weight of new Set(weights)) {
    if (weight === 0) continue;
    const same = kinds.filter((kind) => weights[kind] === weight);
    for (let group = 0; group < groups; group++)
      consider(
        `weight ${weight} in ${group}`,
        same.map((kind) => [kind * width + group, 1]),
      );
  }
  if (found.length === 0)
    for (const kind of kinds)
      for (let group = 0; group < groups; group++) consider(`${kind} in ${group}`, [[kind * width + group, 1]]);
  return found.sort((a, b) => brokenBy(b.value) - brokenBy(a.value));
}

/** The share of a row in a place that is furthest from whole, or -1: rows × places. */
export function mostBroken(shares: Float64Array): number {
  let cell = -1;
  let most = WHOLE;
  shares.forEach((share, at) => {
    if (brokenBy(share) <= most) return;
    most = brokenBy(share);
    cell = at;
  });
  return cell;
}
