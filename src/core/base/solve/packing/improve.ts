import { inOneGroup, overlaps, type Packed, type PackingProblem, packingCost } from './problem';

/**
 * A packing from a start: what does not go together is left out, what is out goes where it is cheapest, and single
 * things move, or change with what is in their way, as long as it gains.
 * @param first pairs that come first, @param all pairs that there are
 */
export function improve(
  problem: PackingProblem,
  start: Int32Array,
  first: Uint8Array,
  all: Uint8Array = first,
): Packed {
  const { things, places, cost, leftOut, limits, rowOf } = problem;
  const placeOf = new Int32Array(things).fill(-1);
  const sums = new Float64Array(limits.length);
  const order = Array.from({ length: things }, (_, thing) => thing).sort((a, b) => leftOut[b] - leftOut[a] || a - b);

  /** What is in each row of places. */
  const held = Array.from({ length: 1 + Math.max(-1, ...rowOf) }, (): number[] => []);
  const fits = (thing: number, place: number, without = -1): boolean => {
    for (const other of held[rowOf[place]])
      if (other !== thing && other !== without && overlaps(problem, thing, place, other, placeOf[other])) return false;
    for (let at = 0; at < limits.length; at++) {
      const { inside, weight, most } = limits[at];
      if (!inside[place]) continue;
      let sum = sums[at] + weight[thing];
      if (placeOf[thing] >= 0 && inside[placeOf[thing]]) sum -= weight[thing];
      if (without >= 0 && placeOf[without] >= 0 && inside[placeOf[without]]) sum -= weight[without];
      if (sum > most + 1e-6) return false;
    }
    return true;
  };
  const put = (thing: number, place: number) => {
    for (let at = 0; at < limits.length; at++) {
      const { inside, weight } = limits[at];
      if (placeOf[thing] >= 0 && inside[placeOf[thing]]) sums[at] = sums[at] - weight[thing];
      if (place >= 0 && inside[place]) sums[at] = sums[at] + weight[thing];
    }
    if (placeOf[thing] >= 0) {
      const there = held[rowOf[placeOf[thing]]];
      there.splice(there.indexOf(thing), 1);
    }
    if (place >= 0) held[rowOf[place]].push(thing);
    placeOf[thing] = place;
  };
  const pairCost = (thing: number, place: number) => {
    let sum = place < 0 ? leftOut[thing] : cost[thing * places + place];
    for (const { a, b, groupOf, price } of problem.apart) {
      if (a !== thing && b !== thing) continue;
      if (inOneGroup(groupOf, place, placeOf[a === thing ? b : a])) sum += price;
    }
    return sum;
  };
  /** Cost of two things; what they cost for being together is not paid twice. */
  const costOfBoth = (one: number, other: number) => {
    let sum = pairCost(one, placeOf[one]) + pairCost(other, placeOf[other]);
    for (const { a, b, groupOf, price } of problem.apart) {
      const isTheirs = (a === one && b === other) || (a === other && b === one);
      if (isTheirs && inOneGroup(groupOf, placeOf[a], placeOf[b])) sum -= price;
    }
    return sum;
  };
  const cheapest = (thing: number, open: Uint8Array): number => {
    let [best, least] = [-1, leftOut[thing]];
    for (let place = 0; place < places; place++) {
      if (!open[thing * places + place]) continue;
      const price = pairCost(thing, place);
      if (price >= least || !fits(thing, place)) continue;
      least = price;
      best = place;
    }
    return best;
  };

  for (const thing of order) if (start[thing] >= 0 && fits(thing, start[thing])) put(thing, start[thing]);
  for (const open of first === all ? [all] : [first, all])
    for (const thing of order) if (placeOf[thing] < 0) put(thing, cheapest(thing, open));
  for (let round = 0, gained = true; gained && round < 12; round++) {
    gained = false;
    for (const thing of order) {
      const now = pairCost(thing, placeOf[thing]);
      for (let place = 0; place < places; place++) {
        if (place === placeOf[thing] || !all[thing * places + place]) continue;
        const then = pairCost(thing, place);
        if (then >= now) continue;
        if (fits(thing, place)) {
          put(thing, place);
          gained = true;
          break;
        }
        // Whoever alone is in the way goes to where it is cheapest then.
        const inWay = held[rowOf[place]].filter(
          (other) => other !== thing && overlaps(problem, thing, place, other, placeOf[other]),
        );
        if (inWay.length !== 1 || !fits(thing, place, inWay[0])) continue;
        const [other] = inWay;
        const [wasThing, wasOther] = [placeOf[thing], placeOf[other]];
        const before = costOfBoth(thing, other);
        put(other, -1);
        put(thing, place);
        put(other, cheapest(other, all));
        if (costOfBoth(thing, other) < before - 1e-9) {
          gained = true;
          break;
        }
        put(other, -1);
        put(thing, wasThing);
        put(other, wasOther);
      }
    }
  }
  return { placeOf, cost: packingCost(problem, placeOf) };
}
