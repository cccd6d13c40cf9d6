import { type CuttingProblem, scrapOf } from './problem';

const CYCLE = 120_000;
const OVERFULL = 8;

/**
 * Pieces moved and changed about between stocks, with overfull stocks allowed at a price, colder and colder and then
 * from the start again. Finds what filling stock by stock cannot: rests that are kept in several stocks.
 * @param start a solution, or null to begin with a random one
 * @param take called with each solution that is better than the ones before
 */
export function anneal(
  { pieces, parts, fresh, reusable }: CuttingProblem,
  opened: number,
  start: readonly number[] | null,
  random: () => number,
  stop: () => boolean,
  take: (stockOf: number[], scrap: number) => void,
): void {
  const capacity = [...parts, ...new Array<number>(opened).fill(fresh)];
  const count = capacity.length;
  if (count < 2) return;
  const groups = Math.max(...pieces.map((piece) => piece.group)) + 1;
  const cost = (stock: number, fill: number): number => {
    const rest = (capacity[stock] ?? 0) - fill;
    if (fill === 0) return 0;
    return rest < 0 ? OVERFULL * -rest + reusable : scrapOf(rest, reusable);
  };
  let best = Number.POSITIVE_INFINITY;
  const any = (below: number) => Math.floor(random() * below);
  for (let cycle = 0; !stop(); cycle++) {
    const stockOf = new Int32Array(pieces.length).fill(-1);
    const fills = new Float64Array(count);
    // How many pieces of a group a stock holds: never more than one.
    const holds = new Uint8Array(count * groups);
    const put = (piece: number, stock: number, by: 1 | -1) => {
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      fills[stock] = (fills[stock] ?? 0) + by * length;
      holds[stock * groups + group] = by > 0 ? 1 : 0;
      if (by > 0) stockOf[piece] = stock;
    };
    const order = pieces.map((_, at) => at).sort((a, b) => (pieces[b]?.length ?? 0) - (pieces[a]?.length ?? 0));
    for (const piece of order) {
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      let to = start && cycle % 2 === 0 ? (start[piece] ?? -1) : -1;
      // Best fit, or the emptiest where nothing fits any more.
      for (let stock = 0; to < 0 && stock < count; stock++) {
        const at = (stock + cycle) % count;
        if (!holds[at * groups + group] && (fills[at] ?? 0) + length <= (capacity[at] ?? 0)) to = at;
      }
      for (let tries = 0; to < 0 && tries < 200; tries++) {
        const at = any(count);
        if (!holds[at * groups + group]) to = at;
      }
      if (to < 0) return;
      put(piece, to, 1);
    }
    let total = 0;
    for (let stock = 0; stock < count; stock++) total += cost(stock, fills[stock] ?? 0);
    const hot = Math.max(30, reusable / 3);
    for (let step = 0; step < CYCLE; step++) {
      if (step % 2048 === 0 && stop()) return;
      const temperature = hot * (0.4 / hot) ** (step / CYCLE);
      const piece = any(pieces.length);
      const { group, length } = pieces[piece] ?? { group: 0, length: 0 };
      const from = stockOf[piece] ?? 0;
      const other = random() < 0.35 ? -1 : any(pieces.length);
      const to = other < 0 ? any(count) : (stockOf[other] ?? 0);
      if (to === from) continue;
      const swap = other < 0 ? null : (pieces[other] ?? null);
      const same = swap?.group === group;
      if (!same && holds[to * groups + group]) continue;
      if (swap && !same && holds[from * groups + swap.group]) continue;
      const gain = swap ? swap.length : 0;
      const [a, b] = [fills[from] ?? 0, fills[to] ?? 0];
      const change = cost(from, a - length + gain) + cost(to, b + length - gain) - cost(from, a) - cost(to, b);
      if (change > 0 && random() >= Math.exp(-change / temperature)) continue;
      put(piece, from, -1);
      if (swap) put(other, to, -1);
      put(piece, to, 1);
      if (swap) put(other, from, 1);
      total += change;
      if (total >= best - 1e-9) continue;
      let fits = true;
      for (let stock = 0; stock < count && fits; stock++) fits = (fills[stock] ?? 0) <= (capacity[stock] ?? 0);
      if (!fits) continue;
      best = total;
      take([...stockOf], total);
    }
  }
}
