import { kept } from './kept';
import type { Loom, LoomOutlet, LoomPort, LoomRow } from './loomLayout';

/** Height of a piece of a column. What lies in another piece than the pointer is not asked whether it is meant. */
export const PIECE_PX = 480;
/** What stands at the edge of a piece reaches no further beyond it. */
export const REACH_PX = 40;

/** `top`: where the piece begins, px from the top of the loom. */
export type Piece<T> = { top: number; items: T[] };
export type LoomPieces = {
  rows: Piece<LoomRow>[];
  outlets: Piece<LoomOutlet>[];
  panelPorts: Piece<LoomPort>[];
  switchPorts: Piece<LoomPort>[];
};

function pieces<T extends { y: number }>(before: readonly Piece<T>[], items: readonly T[]): Piece<T>[] {
  const now = new Map<number, T[]>();
  for (const item of items) {
    const at = Math.floor(item.y / PIECE_PX);
    const list = now.get(at);
    if (list) list.push(item);
    else now.set(at, [item]);
  }
  const all = [...now].map(([at, list]) => ({ top: at * PIECE_PX, items: list }));
  const same = (a: Piece<T>, b: Piece<T>) =>
    a.items.length === b.items.length && a.items.every((item, at) => item === b.items[at]);
  return kept(before, all, ({ top }) => String(top), same);
}

/** The columns of a loom in pieces. One in which nothing changed is the same as before. */
export function loomPieces(before: LoomPieces | null, loom: Loom): LoomPieces {
  return {
    rows: pieces(before?.rows ?? [], loom.rows),
    outlets: pieces(
      before?.outlets ?? [],
      loom.outlets.filter(({ words }) => words !== ''),
    ),
    panelPorts: pieces(before?.panelPorts ?? [], loom.panelPorts),
    switchPorts: pieces(before?.switchPorts ?? [], loom.switchPorts),
  };
}
