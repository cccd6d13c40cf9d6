import { type CountCut, costByCut } from './countProgram';
import { roomBeside, type WeightClasses } from './weightCounts';

/** Rows that change their place together: how many of each weight, and what they weigh. */
type Bundle = { many: Int32Array; weight: number; count: number };

/** Rows in a bundle at most, and so many bundles, where two places exchange and where three do. */
const PAIR = { rows: 3, bundles: 120 };
const RING = { rows: 2, bundles: 28 };

/** All bundles of so many rows at most, the empty one among them; of fewer where there are too many weights. */
function bundlesOf(weights: readonly number[], { rows, bundles }: { rows: number; bundles: number }): Bundle[] {
  let all: Bundle[] = [{ many: new Int32Array(weights.length), weight: 0, count: 0 }];
  for (let most = 1, last = all; most <= rows; most++) {
    // One row more of a weight that is not before the last one in it.
    const next = last.flatMap((bundle) => {
      const from = bundle.many.reduce((at, count, one) => (count > 0 ? one : at), 0);
      return weights.slice(from).map((weight, at): Bundle => {
        const many = Int32Array.from(bundle.many);
        many[from + at] = many[from + at] + 1;
        return { many, weight: bundle.weight + weight, count: bundle.count + 1 };
      });
    });
    if (all.length + next.length > bundles) break;
    all = [...all, ...next];
    last = next;
  }
  return all;
}

type Move = { bundle: Bundle; from: number; to: number };

/**
 * Counts near others that keep the budgets: two places exchange some rows, or three pass them round (cyclic transfers:
 * Thompson and Orlin 1989). Left out is a place as well.
 * @returns for counts and a cut, all that are cheaper than `below` by the cut, or those found before time was over
 */
export function countExchanges(
  classes: WeightClasses,
  budget: Float64Array,
  isOver: () => boolean,
): (counts: Int32Array, cut: CountCut, below: number) => Int32Array[] {
  const { weights, places } = classes;
  const pairs = bundlesOf(weights, PAIR);
  const rings = bundlesOf(weights, RING).filter(({ count }) => count > 0);
  return (counts, cut, below) => {
    const room = roomBeside(classes, budget, counts);
    const gain = below - costByCut(cut, counts);
    /** What moving each bundle costs by the cut, Infinity where the place does not have it. */
    const costs = (bundles: readonly Bundle[], from: number, to: number) =>
      Float64Array.from(bundles, ({ many }) => {
        let sum = 0;
        for (let one = 0; one < many.length; one++) {
          const count = many[one];
          if (count === 0) continue;
          if (count > counts[one * places + from]) return Number.POSITIVE_INFINITY;
          sum += count * (cut.slope[one * places + to] - cut.slope[one * places + from]);
        }
        return sum;
      });
    const found: Int32Array[] = [];
    const keep = (...moves: Move[]) => {
      const next = Int32Array.from(counts);
      for (const { bundle, from, to } of moves) {
        bundle.many.forEach((count, one) => {
          next[one * places + from] = next[one * places + from] - count;
          next[one * places + to] = next[one * places + to] + count;
        });
      }
      found.push(next);
    };
    for (let a = 0; a < places; a++) {
      for (let b = a + 1; b < places; b++) {
        const there = costs(pairs, a, b);
        const back = costs(pairs, b, a);
        pairs.forEach((given, at) => {
          const first = there[at];
          if (first === Number.POSITIVE_INFINITY) return;
          pairs.forEach((taken, to) => {
            if (first + back[to] >= gain) return;
            const more = given.weight - taken.weight;
            if (more > room[b] || -more > room[a] || haveInCommon(given, taken)) return;
            keep({ bundle: given, from: a, to: b }, { bundle: taken, from: b, to: a });
          });
        });
      }
    }
    for (let a = 0; a < places; a++) {
      for (let b = a + 1; b < places && !isOver(); b++) {
        const first = costs(rings, a, b);
        for (let c = a + 1; c < places; c++) {
          if (c === b) continue;
          const second = costs(rings, b, c);
          const third = costs(rings, c, a);
          rings.forEach((one, at) => {
            if (first[at] === Number.POSITIVE_INFINITY) return;
            rings.forEach((two, then) => {
              const so = first[at] + second[then];
              if (so === Number.POSITIVE_INFINITY || one.weight - two.weight > room[b]) return;
              rings.forEach((three, last) => {
                if (so + third[last] >= gain) return;
                if (two.weight - three.weight > room[c]) return;
                if (three.weight - one.weight > room[a]) return;
                keep(
                  { bundle: one, from: a, to: b },
                  { bundle: two, from: b, to: c },
                  { bundle: three, from: c, to: a },
                );
              });
            });
          });
        }
      }
    }
    return found;
  };
}

/** Rows of one weight that go and come are an exchange of fewer. */
const haveInCommon = (one: Bundle, other: Bundle): boolean =>
  one.many.some((count, at) => count > 0 && other.many[at] > 0);
