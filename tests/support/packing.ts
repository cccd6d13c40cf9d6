import highsLoader from 'highs';
import { isPacked, overlaps, type PackingProblem, packingCost } from '../../src/core/base/solve/packing/problem';
import { seededRandom } from '../../src/core/base/solve/random';

/**
 * Made-up inlets on rows of outlets: two kinds, wide bodies, a limit for each row and one for two rows, pairs to keep apart.
 * @param tight every limit binds and every second plug is wide; else, as in a cabinet, the battery unit's limit binds, those of
 * the strips hardly, and every fourth plug is wide
 */
export function anyPacking(seed: number, things: number, places: number, tight = true): PackingProblem {
  const random = seededRandom(seed);
  const rows = Math.max(2, Math.round(places / 8));
  const rowOf = Int32Array.from({ length: places }, (_, place) => Math.floor((place * rows) / places));
  const middle = Float64Array.from({ length: places }, (_, place) => (place % Math.ceil(places / rows)) * 40);
  const kindOf = Array.from({ length: rows }, () => random() < 0.3);
  const cost = new Float64Array(things * places);
  const wantsKind = Array.from({ length: things }, () => [random() < 0.85, random() < 0.5] as const);
  const critical = Array.from({ length: things }, () => random() < 0.3);
  for (let thing = 0; thing < things; thing++) {
    const height = random() * 800;
    for (let place = 0; place < places; place++) {
      const row = rowOf[place] as number;
      const goes = wantsKind[thing]?.[kindOf[row] ? 1 : 0];
      const cord =
        50 * Math.ceil((Math.abs(height - row * 300) + Math.abs((middle[place] as number) - 150) + 300) / 500);
      cost[thing * places + place] = goes ? cord + (critical[thing] && row > 0 ? 2000 : 0) : Number.POSITIVE_INFINITY;
    }
  }
  const bodies = tight ? [null, null, 44, 55] : [null, null, null, null, null, null, 44, 55];
  const supply = Array.from({ length: things }, () => bodies[Math.floor(random() * bodies.length)] as number | null);
  const weight = Float64Array.from({ length: things }, () => Math.round(random() * 200));
  const all = weight.reduce((sum, one) => sum + one, 0);
  const limits = Array.from({ length: rows }, (_, row) => ({
    inside: Uint8Array.from(rowOf, (one) => (one === row ? 1 : 0)),
    weight,
    most: Math.round((all / rows) * (tight ? 0.9 + random() * 0.6 : row === 0 ? 0.8 : 2.5)),
  }));
  limits.push({
    inside: Uint8Array.from(rowOf, (one) => (one < 2 ? 1 : 0)),
    weight,
    most: Math.round((all / rows) * (tight ? 1.8 : 3)),
  });
  return {
    things,
    places,
    cost,
    leftOut: Float64Array.from({ length: things }, (_, thing) => (critical[thing] ? 40_000 : 20_000)),
    width: Float64Array.from({ length: things * places }, (_, pair) => {
      // A supply is as wide everywhere; a cord's plug is as wide as the outlets of the row want it.
      const [thing, place] = [Math.floor(pair / places), pair % places];
      return supply[thing] ?? (kindOf[rowOf[place] as number] ? 39 : 27);
    }),
    rowOf,
    middle,
    taken: places > 8 ? [{ row: 0, from: -20, to: 20 }] : [],
    limits,
    apart: things < 4 ? [] : [{ a: 0, b: 1, groupOf: Int32Array.from(rowOf, (row) => (row < 2 ? 0 : 1)), price: 1500 }],
  };
}

/** The least cost of all packings there are. Grows without end: for a handful of things only. */
export function packingByTrying(problem: PackingProblem): number {
  const placeOf = new Int32Array(problem.things).fill(-1);
  let best = Number.POSITIVE_INFINITY;
  const put = (thing: number): void => {
    if (thing === problem.things) {
      if (isPacked(problem, placeOf)) best = Math.min(best, packingCost(problem, placeOf));
      return;
    }
    for (let place = -1; place < problem.places; place++) {
      if (place >= 0 && !Number.isFinite(problem.cost[thing * problem.places + place])) continue;
      placeOf[thing] = place;
      put(thing + 1);
    }
    placeOf[thing] = -1;
  };
  put(0);
  return best;
}

/** The same as a model of pairs for a general solver. */
export async function packingByHighs(problem: PackingProblem, seconds = 60): Promise<number> {
  const { things, places, cost, leftOut, limits, apart, taken, width, rowOf, middle } = problem;
  const goes = (thing: number, place: number) =>
    Number.isFinite(cost[thing * places + place]) &&
    !taken.some(
      ({ row, from, to }) =>
        row === rowOf[place] &&
        from < (middle[place] as number) + (width[thing * places + place] as number) / 2 - 1e-6 &&
        to > (middle[place] as number) - (width[thing * places + place] as number) / 2 + 1e-6,
    );
  const name = (thing: number, place: number) => `x${thing}_${place}`;
  const pairs: [number, number][] = [];
  for (let thing = 0; thing < things; thing++)
    for (let place = 0; place < places; place++) if (goes(thing, place)) pairs.push([thing, place]);
  const rows: string[] = [];
  for (let thing = 0; thing < things; thing++)
    rows.push(
      `${['u', ...pairs.filter(([one]) => one === thing)].map((pair) => (pair === 'u' ? `u${thing}` : name(...(pair as [number, number])))).join(' + ')} = 1`,
    );
  pairs.forEach(([one, at], slot) => {
    for (const [other, there] of pairs.slice(slot + 1))
      if (one !== other && overlaps(problem, one, at, other, there))
        rows.push(`${name(one, at)} + ${name(other, there)} <= 1`);
  });
  for (const { inside, weight, most } of limits) {
    const parts = pairs.flatMap(([thing, place]) =>
      inside[place] && (weight[thing] as number) > 0 ? `${weight[thing]} ${name(thing, place)}` : [],
    );
    if (parts.length > 0) rows.push(`${parts.join(' + ')} <= ${most}`);
  }
  const extra: string[] = [];
  apart.forEach(({ a, b, groupOf, price }, at) => {
    for (const group of new Set(groupOf)) {
      if (group < 0) continue;
      const parts = pairs.flatMap(([thing, place]) =>
        (thing === a || thing === b) && groupOf[place] === group ? name(thing, place) : [],
      );
      if (parts.length === 0) continue;
      extra.push(`${price} z${at}_${group}`);
      rows.push(`${parts.join(' + ')} - z${at}_${group} <= 1`);
    }
  });
  const goal = [
    ...pairs.map(([thing, place]) => `${cost[thing * places + place]} ${name(thing, place)}`),
    ...Array.from({ length: things }, (_, thing) => `${leftOut[thing]} u${thing}`),
    ...extra,
  ];
  const binary = [...pairs.map((pair) => name(...pair)), ...Array.from({ length: things }, (_, thing) => `u${thing}`)];
  const model = `Minimize\n obj: ${goal.join(' + ')}\nSubject To\n${rows.map((row, at) => ` r${at}: ${row}`).join('\n')}\nBinary\n ${binary.join(' ')}\nEnd\n`;
  const solver = await highsLoader();
  const { ObjectiveValue, Status } = solver.solve(model, { time_limit: seconds, mip_rel_gap: 0, output_flag: false });
  if (Status !== 'Optimal') throw new Error(`The reference solver says ${Status}.`);
  return Math.round(ObjectiveValue);
}
