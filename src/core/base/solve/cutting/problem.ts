/**
 * Pieces to be cut from stock: some part stocks, and as many new ones as are opened. All lengths are whole steps.
 * Pieces of one group come from different stocks.
 */
export type CuttingProblem = {
  pieces: { group: number; length: number }[];
  parts: number[];
  fresh: number;
  /** A rest of a used stock that is shorter than this is scrap; a longer one is kept. */
  reusable: number;
};

export type CuttingResult = {
  /** Stock of each piece: index into `parts`, or `parts.length` and on for new ones. Null: infeasible. */
  stockOf: number[] | null;
  opened: number;
  scrap: number;
  /** Lower bounds: no solution opens fewer, and none with that few has less scrap. */
  openedBound: number;
  scrapBound: number;
  proven: boolean;
};

/** A stock in use: its number, and what it holds. */
export type Stock = { id: number; capacity: number };

/** Rest of a used stock that counts as scrap. */
export const scrapOf = (rest: number, reusable: number): number => (rest < reusable ? rest : 0);

/** What a solution comes to: new stocks used, and scrap in used ones. */
export function cuttingCost({ pieces, parts, fresh, reusable }: CuttingProblem, stockOf: readonly number[]) {
  const used = new Map<number, number>();
  pieces.forEach(({ length }, at) => {
    const stock = stockOf[at] ?? -1;
    used.set(stock, (used.get(stock) ?? 0) + length);
  });
  let [opened, scrap] = [0, 0];
  for (const [stock, fill] of used) {
    if (stock >= parts.length) opened += 1;
    scrap += scrapOf((parts[stock] ?? fresh) - fill, reusable);
  }
  return { opened, scrap };
}
