import type { Rule } from './rules';
import { halves, type Split } from './splits';

type Half = { rule: Rule; bound: number };

/** What splits on one count have brought so far, a unit of the count. */
type Gains = { tried: number; down: number; up: number };
export type GainBook = Map<string, Gains>;

/** What halves are judged by: their bound before, the best choice known, and whether a bound is as good as that. */
type Standard = { bound: number; least: number; passes: (bound: number) => boolean };

/** After so many trials a split is judged by what it brought before. */
const TRUSTED = 4;
/** So many trials without a better one end the search. */
const PATIENCE = 8;
/** A trial ends after so many changes of the basis. */
const CHANGES = 40;

/**
 * The split that lifts the bound of both its halves most, by trying the likely ones for a few rounds (strong branching
 * with a memory: Achterberg, Koch and Martin 2005).
 * @param splits the likely ones first
 * @param glance the bound under one more rule, as far as so many changes of the basis tell
 * @param tries false to take the first without trying
 */
export function chooseSplit(
  splits: readonly Split[],
  book: GainBook,
  { bound, least, passes }: Standard,
  glance: (rule: Rule, changes: number) => number,
  tries: boolean,
): [Half, Half] {
  const plain = (split: Split): [Half, Half] => {
    const [down, up] = halves(split);
    return [
      { rule: down, bound },
      { rule: up, bound },
    ];
  };
  const [first] = splits;
  if (!tries || splits.length === 1) return plain(first);
  const gain = (to: number) => Math.max(1e-3, Math.min(to, least) - bound);
  const ranked = splits
    .map((split) => {
      const known = book.get(split.key);
      const part = split.value - Math.floor(split.value);
      const guess = known
        ? Math.max(1e-3, (known.down / known.tried) * part) * Math.max(1e-3, (known.up / known.tried) * (1 - part))
        : Number.POSITIVE_INFINITY;
      return { split, known, part, guess };
    })
    .sort((a, b) => (a.guess === b.guess ? 0 : b.guess - a.guess));
  let best: [Half, Half] | null = null;
  let bestScore = -1;
  let without = 0;
  for (const { split, known, part, guess } of ranked) {
    if (known && known.tried >= TRUSTED) {
      if (guess <= bestScore) continue;
      bestScore = guess;
      best = plain(split);
      continue;
    }
    if (without >= PATIENCE) continue;
    const glanced = (rule: Rule): Half => ({ rule, bound: Math.max(bound, glance(rule, CHANGES)) });
    const [down, up] = halves(split);
    const tried: [Half, Half] = [glanced(down), glanced(up)];
    const [low, high] = [gain(tried[0].bound), gain(tried[1].bound)];
    const gains = known ?? { tried: 0, down: 0, up: 0 };
    book.set(split.key, {
      tried: gains.tried + 1,
      down: gains.down + low / part,
      up: gains.up + high / (1 - part),
    });
    if (tried.some((half) => passes(half.bound))) return tried;
    const score = low * high;
    without = score > bestScore ? 0 : without + 1;
    if (score > bestScore) {
      bestScore = score;
      best = tried;
    }
  }
  return best ?? plain(first);
}
