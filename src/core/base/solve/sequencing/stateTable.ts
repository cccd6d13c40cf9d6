import type { Standing } from './problem';

/** States that were reached, each with what led there at least cost. Numbers of rows stay as they are. */
export class StateTable {
  private slots = new Int32Array(1 << 12).fill(-1);
  private mask = (1 << 12) - 1;
  private words = new Int32Array(5 * (1 << 11));
  cost = new Float64Array(1 << 11);
  from = new Int32Array(1 << 11);
  code = new Int32Array(1 << 11);
  closed = new Uint8Array(1 << 11);
  size = 0;

  /** Number of a state's row, a new one where it was not known; a new one costs infinitely much. */
  rowOf({ oldLo, oldHi, doneLo, doneHi, place }: Standing): number {
    if (this.size * 2 > this.mask) this.grow();
    let slot = hash(oldLo, oldHi, doneLo, doneHi, place) & this.mask;
    for (;;) {
      const row = this.slots[slot] ?? -1;
      if (row < 0) break;
      const at = row * 5;
      const { words } = this;
      if (
        words[at] === oldLo &&
        words[at + 1] === oldHi &&
        words[at + 2] === doneLo &&
        words[at + 3] === doneHi &&
        words[at + 4] === place
      )
        return row;
      slot = (slot + 1) & this.mask;
    }
    const row = this.size++;
    if (row >= this.cost.length) this.widen();
    const at = row * 5;
    const { words } = this;
    words[at] = oldLo;
    words[at + 1] = oldHi;
    words[at + 2] = doneLo;
    words[at + 3] = doneHi;
    words[at + 4] = place;
    this.cost[row] = Number.POSITIVE_INFINITY;
    this.from[row] = -1;
    this.code[row] = -1;
    this.slots[slot] = row;
    return row;
  }

  stateOf(row: number): Standing {
    const { words } = this;
    const at = row * 5;
    return {
      oldLo: words[at] ?? 0,
      oldHi: words[at + 1] ?? 0,
      doneLo: words[at + 2] ?? 0,
      doneHi: words[at + 3] ?? 0,
      place: words[at + 4] ?? -1,
    };
  }

  /** Codes of the steps that led to a row. */
  wayTo(row: number): number[] {
    const codes: number[] = [];
    for (let at = row; (this.from[at] ?? -1) >= 0; at = this.from[at] ?? -1) codes.push(this.code[at] ?? 0);
    return codes.reverse();
  }

  private widen(): void {
    const wider = <T extends Int32Array | Float64Array | Uint8Array>(was: T, made: T): T => {
      made.set(was as never);
      return made;
    };
    const rows = this.cost.length * 2;
    this.words = wider(this.words, new Int32Array(rows * 5));
    this.cost = wider(this.cost, new Float64Array(rows));
    this.from = wider(this.from, new Int32Array(rows));
    this.code = wider(this.code, new Int32Array(rows));
    this.closed = wider(this.closed, new Uint8Array(rows));
  }

  private grow(): void {
    this.mask = this.mask * 2 + 1;
    this.slots = new Int32Array(this.mask + 1).fill(-1);
    for (let row = 0; row < this.size; row++) {
      const at = row * 5;
      const { words } = this;
      let slot =
        hash(words[at] ?? 0, words[at + 1] ?? 0, words[at + 2] ?? 0, words[at + 3] ?? 0, words[at + 4] ?? 0) &
        this.mask;
      while ((this.slots[slot] ?? -1) >= 0) slot = (slot + 1) & this.mask;
      this.slots[slot] = row;
    }
  }
}

function hash(a: number, b: number, c: number, d: number, e: number): number {
  let mixed = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 15) ^ b, 0xc2b2ae35);
  mixed = Math.imul(mixed ^ (mixed >>> 13) ^ c, 0x27d4eb2f);
  mixed = Math.imul(mixed ^ (mixed >>> 16) ^ d, 0x165667b1);
  mixed = Math.imul(mixed ^ (mixed >>> 15) ^ e, 0x85ebca6b);
  return (mixed ^ (mixed >>> 14)) >>> 0;
}
