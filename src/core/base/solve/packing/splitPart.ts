import { type Asked, countsOf, type PackingModel, partsIn } from './packingModel';

/** A count or share that is further from whole than this is broken. */
const COUNT = 1e-4;
const SHARE = 1e-5;
const TINY = 1e-9;

/**
 * Two halves of a part, the better one last; null where nothing is broken. Split is what most of the cost is made of and comes
 * in whole numbers, then how many bodies of a width are in a row of places, else whether a thing is in a row, else where in it.
 */
export function splitPart(model: PackingModel, asked: Asked, shares: Float64Array): [Asked, Asked] | null {
  return splitWeighty(model, asked, shares) ?? splitCounts(model, asked, shares) ?? splitThing(model, asked, shares);
}

/** At most so many of these pairs, and more. */
function byCount(
  { rule, problem }: PackingModel,
  asked: Asked,
  name: string,
  most: number,
  holds: (pair: number) => boolean,
) {
  const { places } = problem;
  const half = (sign: 1 | -1, limit: number): Asked => {
    const row = rule(`${name} ${sign} ${limit}`, limit, (thing, place) => (holds(thing * places + place) ? sign : 0));
    return { ...asked, rules: [...asked.rules, row] };
  };
  return { fewer: half(1, most), more: half(-1, -(most + 1)) };
}

function splitWeighty(model: PackingModel, asked: Asked, shares: Float64Array): [Asked, Asked] | null {
  for (const [at, holds] of model.weighty.entries()) {
    let count = 0;
    for (let pair = 0; pair < model.pairs; pair++) if (shares[pair] > 0 && holds(pair)) count += shares[pair];
    const floor = Math.floor(count + COUNT);
    if (count - floor < COUNT) continue;
    const { fewer, more } = byCount(model, asked, `weighty ${at}`, floor, holds);
    return [more, fewer];
  }
  return null;
}

function splitCounts(model: PackingModel, asked: Asked, shares: Float64Array): [Asked, Asked] | null {
  const counts = countsOf(model, shares);
  let [kind, off] = [-1, COUNT];
  counts.forEach((count, at) => {
    const broken = Math.abs(count - Math.round(count));
    if (broken > off + TINY) [kind, off] = [at, broken];
  });
  if (kind < 0) return null;
  const floor = Math.floor(counts[kind]);
  const { fewer, more } = byCount(model, asked, `kind ${kind}`, floor, (pair) => model.kindOfPair[pair] === kind);
  return counts[kind] - floor >= 0.5 ? [fewer, more] : [more, fewer];
}

function splitThing(model: PackingModel, asked: Asked, shares: Float64Array): [Asked, Asked] | null {
  const { places, rowOf, middle } = model.problem;
  const brokenAt = (pair: number) => Math.min(shares[pair], 1 - shares[pair]);
  const inOne = inOneRow(model, shares);
  const crowd = new Int32Array(1 + Math.max(...rowOf));
  for (let pair = 0; pair < model.pairs; pair++)
    if (brokenAt(pair) > SHARE) crowd[rowOf[pair % places]] = crowd[rowOf[pair % places]] + 1;
  // Things that are in several rows, or in one and nowhere, come before those that are only here and there in one, of which
  // those come first that are where most are.
  let [thing, most, first] = [-1, 0, -1];
  for (let pair = 0; pair < model.pairs; pair++) {
    const broken = brokenAt(pair);
    if (broken <= SHARE) continue;
    const one = Math.floor(pair / places);
    const rank = inOne[one] ? crowd[rowOf[pair % places]] : model.pairs;
    if (rank < first || (rank === first && broken <= most + TINY)) continue;
    [thing, most, first] = [one, broken, rank];
  }
  if (thing < 0) return null;
  const at = Array.from({ length: places }, (_, place) => ({ place, share: shares[thing * places + place] })).filter(
    ({ share }) => share > SHARE,
  );
  const inRow = new Map<number, number>();
  for (const { place, share } of at) inRow.set(rowOf[place], (inRow.get(rowOf[place]) ?? 0) + share);
  const partly = [...inRow].filter(([, share]) => share < 1 - SHARE).sort((a, b) => b[1] - a[1]);
  if (partly.length > 0) {
    const [row, share] = partly[0];
    return parted(model, asked, thing, (place) => rowOf[place] === row, share);
  }
  // In one row only: left and right of the middle of its shares.
  at.sort((a, b) => middle[a.place] - middle[b.place]);
  let [left, cutAt] = [0, 0];
  while (cutAt < at.length - 1 && left + at[cutAt].share < 0.5) left += at[cutAt++].share;
  cutAt = Math.max(0, Math.min(cutAt, at.length - 2));
  const edge = middle[at[cutAt].place];
  const share = at.slice(0, cutAt + 1).reduce((sum, one) => sum + one.share, 0);
  const row = rowOf[at[0].place];
  return parted(model, asked, thing, (place) => rowOf[place] === row && middle[place] <= edge, share);
}

/** Which things are in one row whole, or nowhere: 1. */
function inOneRow(model: PackingModel, shares: Float64Array): Uint8Array {
  const whole = new Uint8Array(model.problem.things).fill(1);
  for (const { row } of model.rowKinds)
    partsIn(model, shares, (place) => model.problem.rowOf[place] === row).forEach((part, thing) => {
      if (part > SHARE && part < 1 - SHARE) whole[thing] = 0;
    });
  return whole;
}

/** A thing in these places, or not in any of them: elsewhere or nowhere. */
function parted(
  { problem, rule }: PackingModel,
  asked: Asked,
  thing: number,
  inside: (place: number) => boolean,
  share: number,
): [Asked, Asked] {
  const { open, rules } = asked;
  const must = rule(`must ${thing}`, -1, (one) => (one === thing ? -1 : 0));
  const here: Asked = {
    ...asked,
    open: Uint8Array.from(open),
    rules: [...rules.filter((one) => one !== must), must],
  };
  const there: Asked = { ...asked, open: Uint8Array.from(open) };
  for (let place = 0; place < problem.places; place++)
    (inside(place) ? there : here).open[thing * problem.places + place] = 0;
  return share >= 0.5 ? [there, here] : [here, there];
}
