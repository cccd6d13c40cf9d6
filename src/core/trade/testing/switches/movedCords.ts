import { components } from '../../../base/solve/components';

/** Something that is known by its address and is seen elsewhere than planned. Places are numbered as they come. */
export type Move = { name: string; from: number; to: number };
export type MoveGroup = {
  kind: 'exchanged' | 'shifted';
  moves: readonly Move[];
  /** Places that it touches. */
  places: readonly number[];
  /** How many ports too high, on switch or panel, where all went the same way. */
  offset: { of: 'switch' | 'panel'; by: number } | null;
};

/** Which row a move belongs to: so many ports along a switch, or along a panel; null: none. */
export type RowOf = (move: Move) => { of: 'switch' | 'panel'; by: number; key: string }[];

/** So many rows are looked at in every combination; beyond, those that explain most are taken one by one. */
const MOST_ROWS = 12;

/**
 * Moves in the fewest groups: things that went round in a ring, rows that all went the same number of ports, and chains that
 * hang together. Exact while at most 12 rows come into question: a row takes in whatever went the same way, so that what is
 * left to choose is which rows are causes, and every chain that is not wholly in such rows is one.
 */
export function groupMoves(moves: readonly Move[], rowsOf: RowOf): { groups: MoveGroup[]; proven: boolean } {
  const places = [...new Set(moves.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  const slot = new Map(places.map((place, at) => [place, at]));
  const links = moves.map(({ from, to }): [number, number] => [slot.get(from) ?? 0, slot.get(to) ?? 0]);
  const chains: Move[][] = [];
  const groups: MoveGroup[] = [];
  for (const group of components(places.length, links)) {
    const inside = new Set(group.map((at) => places[at] ?? 0));
    const some = moves.filter(({ to }) => inside.has(to));
    if (some.length === inside.size)
      groups.push({ kind: 'exchanged', moves: some, places: [...inside].sort((a, b) => a - b), offset: null });
    else chains.push(some);
  }
  const rows = new Map<string, { offset: MoveGroup['offset']; moves: Set<Move> }>();
  for (const move of chains.flat())
    for (const { key, of, by } of rowsOf(move)) {
      const row = rows.get(key) ?? { offset: { of, by }, moves: new Set() };
      row.moves.add(move);
      rows.set(key, row);
    }
  // A row that only holds what hangs together anyway explains no more than the chain does.
  const candidates = [...rows.values()].filter(
    (row) => chains.filter((chain) => chain.some((move) => row.moves.has(move))).length > 1 || row.moves.size > 1,
  );
  const { chosen, proven } = fewestRows(chains, candidates);
  const taken = new Set<Move>();
  for (const { offset, moves: all } of chosen) {
    const some = [...all].filter((move) => !taken.has(move));
    for (const move of some) taken.add(move);
    if (some.length > 0) groups.push({ kind: 'shifted', moves: some, places: touched(some), offset });
  }
  for (const chain of chains) {
    const left = chain.filter((move) => !taken.has(move));
    if (left.length > 0) groups.push({ kind: 'shifted', moves: left, places: touched(left), offset: null });
  }
  return { groups, proven };
}

const touched = (moves: readonly Move[]): number[] =>
  [...new Set(moves.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);

type Row = { offset: MoveGroup['offset']; moves: ReadonlySet<Move> };

/** Rows that leave the fewest causes: themselves, and each chain that is not wholly in them. */
function fewestRows(chains: readonly Move[][], rows: readonly Row[]): { chosen: Row[]; proven: boolean } {
  const left = (chosen: readonly Row[]): number =>
    chosen.length + chains.filter((chain) => chain.some((move) => !chosen.some((row) => row.moves.has(move)))).length;
  if (rows.length <= MOST_ROWS) {
    let best: Row[] = [];
    let least = left(best);
    for (let mask = 1; mask < 1 << rows.length; mask++) {
      const chosen = rows.filter((_, at) => mask & (1 << at));
      const causes = left(chosen);
      // Of as many causes, the one row that says more than a list of ports.
      if (causes < least || (causes === least && chosen.length === 1 && best.length === 0)) {
        least = causes;
        best = chosen;
      }
    }
    return { chosen: best, proven: true };
  }
  const chosen: Row[] = [];
  for (;;) {
    const [next] = rows
      .filter((row) => !chosen.includes(row))
      .sort((a, b) => left([...chosen, a]) - left([...chosen, b]));
    if (!next || left([...chosen, next]) >= left(chosen)) return { chosen, proven: false };
    chosen.push(next);
  }
}
