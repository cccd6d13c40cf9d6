/** Items that want to sit in their order on a line of seats, each no farther than it reaches. */
export type SeatingProblem = {
  /** How far each item reaches; items are in their order. */
  reach: Float64Array;
  /** Items of one room want to sit together. */
  roomOf: Int32Array;
  /** How far each seat is. */
  way: Float64Array;
  /** 1 where a seat comes directly after the one before it. */
  joined: Uint8Array;
  /** Each further block of seats of one room. */
  roomBreak: number;
  /** Two items after one another in the order, of one room, on seats that are not. */
  orderBreakInRoom: number;
  orderBreakBetweenRooms: number;
};

/** Fewest items without a seat come first, then least disorder, then the largest smallest rest of reach. */
export type Seating = {
  /** For each item its seat, -1 for none. */
  seatOf: Int32Array;
  unseated: number;
  disorder: number;
  /** Smallest rest of reach of those seated; 0 when nobody is. */
  spare: number;
};

export const PLAY = 1e-9;

export const breakPrice = (problem: SeatingProblem, item: number): number =>
  problem.roomOf[item] === problem.roomOf[item - 1] ? problem.orderBreakInRoom : problem.orderBreakBetweenRooms;

/** Judge a choice of seats. @throws RangeError when a seat is taken twice or out of reach */
export function judge(problem: SeatingProblem, seatOf: Int32Array): Seating {
  const { reach, roomOf, way, joined, roomBreak } = problem;
  const itemOf = new Int32Array(way.length).fill(-1);
  let unseated = 0;
  let spare = Number.POSITIVE_INFINITY;
  seatOf.forEach((seat, item) => {
    if (seat < 0) {
      unseated += 1;
      return;
    }
    const rest = reach[item] - way[seat];
    if (itemOf[seat] !== -1 || rest < -PLAY) throw new RangeError(`Seat ${seat} cannot be given to item ${item}.`);
    itemOf[seat] = item;
    spare = Math.min(spare, rest);
  });
  let disorder = 0;
  for (let item = 1; item < seatOf.length; item++) {
    const [before, seat] = [seatOf[item - 1], seatOf[item]];
    if (before < 0 || seat !== before + 1 || !joined[seat]) disorder += breakPrice(problem, item);
  }
  const seen = new Set<number>();
  itemOf.forEach((item, seat) => {
    if (item < 0) return;
    const room = roomOf[item];
    const before = seat > 0 && joined[seat] ? itemOf[seat - 1] : -1;
    if (before >= 0 && roomOf[before] === room) return;
    if (seen.has(room)) disorder += roomBreak;
    seen.add(room);
  });
  return { seatOf, unseated, disorder, spare: unseated === seatOf.length ? 0 : spare };
}

/** Whether one seating comes before another. */
export const isBetter = (a: Omit<Seating, 'seatOf'>, b: Omit<Seating, 'seatOf'>): boolean =>
  a.unseated !== b.unseated
    ? a.unseated < b.unseated
    : Math.abs(a.disorder - b.disorder) > PLAY
      ? a.disorder < b.disorder
      : a.spare > b.spare + PLAY;

/**
 * Fewest items that must go without a seat when each seat may leave so much of the reach over. Who reaches farther
 * reaches every seat that another does, so that dealing the nearest seats to the shortest is best.
 */
export function fewestUnseated({ reach, way }: SeatingProblem, over = 0): number {
  const near = Float64Array.from(way).sort();
  const short = Float64Array.from(reach).sort();
  let seated = 0;
  for (const one of short) if (seated < near.length && near[seated] + over <= one + PLAY) seated += 1;
  return reach.length - seated;
}

/** The most that can be left over of everybody's reach while so many find a seat. */
export function mostSpare(problem: SeatingProblem, unseated: number): number {
  const rests = new Set<number>();
  for (const one of problem.reach) for (const far of problem.way) if (one - far >= -PLAY) rests.add(one - far);
  const sorted = [...rests].sort((a, b) => a - b);
  let [low, high] = [0, sorted.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fewestUnseated(problem, sorted[middle]) <= unseated) low = middle;
    else high = middle - 1;
  }
  return sorted[low] ?? 0;
}
