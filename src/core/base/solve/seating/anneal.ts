import { breakPrice, isBetter, judge, PLAY, type Seating, type SeatingProblem } from './problem';

type Annealing = {
  random: () => number;
  moves: number;
  /** Asked now and then. */
  isOver: () => boolean;
};

/** Seats that change places together, at most. */
const TOGETHER = 6;
/** Heat at the start and at the end, as shares of what a break costs. */
const HEAT = { hot: 0.3, cold: 0.08 };

/**
 * Improve a seating by stretches of seats that change places, by one item that is put in elsewhere while those between
 * move up, by items that go beside their neighbours in the order, and by who goes without a seat. As many stay seated as
 * were.
 * @returns the best seating met; the one given is not changed
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a trial, its price and its taking back share counters that must not be copied
export function anneal(problem: SeatingProblem, start: Int32Array, { random, moves, isOver }: Annealing): Seating {
  const { reach, way, joined, roomOf, roomBreak } = problem;
  const items = reach.length;
  const seats = way.length;
  const prices = Float64Array.from(reach, (_, item) => (item === 0 ? 0 : breakPrice(problem, item)));
  const seatOf = Int32Array.from(start);
  const itemOf = new Int32Array(seats).fill(-1);
  seatOf.forEach((seat, item) => {
    if (seat >= 0) itemOf[seat] = item;
  });
  const seen = new Int32Array(items).fill(-1);
  let look = 0;
  const disorder = (): number => {
    let sum = 0;
    for (let item = 1; item < items; item++) {
      const before = seatOf[item - 1];
      const seat = seatOf[item];
      if (before < 0 || seat !== before + 1 || !joined[seat]) sum += prices[item];
    }
    look += 1;
    let last = -1;
    for (let seat = 0; seat < seats; seat++) {
      const item = itemOf[seat];
      const room = item < 0 ? -1 : roomOf[item];
      if (room >= 0 && (room !== last || !joined[seat])) {
        if (seen[room] === look) sum += roomBreak;
        seen[room] = look;
      }
      last = room;
    }
    return sum;
  };
  const put = (seat: number, item: number) => {
    itemOf[seat] = item;
    if (item >= 0) seatOf[item] = seat;
  };
  const reaches = (item: number, seat: number) => item < 0 || way[seat] <= reach[item] + PLAY;
  const changed = new Int32Array(2 * TOGETHER + seats);
  const was = new Int32Array(2 * TOGETHER + seats);
  const without: number[] = [...seatOf.keys()].filter((item) => seatOf[item] < 0);

  /** Stretches of so many seats change places. @returns how many seats changed, 0 when somebody would not reach */
  const swap = (): number => {
    const length = 1 + Math.floor(random() ** 2 * Math.min(TOGETHER, seats));
    const a = Math.floor(random() * (seats - length + 1));
    const b = Math.floor(random() * (seats - length + 1));
    if (Math.abs(a - b) < length) return 0;
    let any = false;
    for (let at = 0; at < length; at++) {
      const [one, other] = [itemOf[a + at], itemOf[b + at]];
      if (!reaches(one, b + at) || !reaches(other, a + at)) return 0;
      any ||= one >= 0 || other >= 0;
    }
    if (!any) return 0;
    for (let at = 0; at < length; at++) {
      changed[2 * at] = a + at;
      changed[2 * at + 1] = b + at;
      was[2 * at] = itemOf[a + at];
      was[2 * at + 1] = itemOf[b + at];
    }
    for (let at = 0; at < length; at++) {
      put(a + at, was[2 * at + 1]);
      put(b + at, was[2 * at]);
    }
    return 2 * length;
  };
  /** What is on one seat goes to another, and those between move up. */
  const insert = (): number => {
    const from = Math.floor(random() * seats);
    const to = Math.max(0, Math.min(seats - 1, from + Math.round((random() - 0.5) * 30)));
    if (from === to || itemOf[from] === itemOf[to]) return 0;
    const step = to > from ? 1 : -1;
    if (!reaches(itemOf[from], to)) return 0;
    for (let seat = from; seat !== to; seat += step) if (!reaches(itemOf[seat + step], seat)) return 0;
    let count = 0;
    for (let seat = from; ; seat += step) {
      changed[count] = seat;
      was[count++] = itemOf[seat];
      if (seat === to) break;
    }
    for (let at = 0; at + 1 < count; at++) put(changed[at], was[at + 1]);
    put(to, was[0]);
    return count;
  };
  /** An item changes places with whoever sits beside its neighbour in the order. */
  const follow = (): number => {
    const side = random() < 0.5 ? 1 : -1;
    const item = Math.floor(random() * items);
    const neighbour = item - side;
    if (neighbour < 0 || neighbour >= items) return 0;
    const beside = seatOf[neighbour] + side;
    const seat = seatOf[item];
    if (seat < 0 || seatOf[neighbour] < 0 || beside < 0 || beside >= seats || beside === seat) return 0;
    if (!joined[side > 0 ? beside : beside + 1]) return 0;
    const other = itemOf[beside];
    if (!reaches(item, beside) || !reaches(other, seat)) return 0;
    changed[0] = beside;
    changed[1] = seat;
    was[0] = other;
    was[1] = item;
    put(beside, item);
    put(seat, other);
    return 2;
  };
  /** One without a seat takes that of another. */
  const oust = (): number => {
    const place = Math.floor(random() * without.length);
    const item = without[place];
    const seat = Math.floor(random() * seats);
    const other = itemOf[seat];
    if (other < 0 || !reaches(item, seat)) return 0;
    changed[0] = seat;
    was[0] = other;
    seatOf[other] = -1;
    put(seat, item);
    without[place] = other;
    return 1;
  };

  let best = judge(problem, Int32Array.from(seatOf));
  let now = best.disorder;
  const dearest = Math.max(roomBreak, ...prices, 1e-9);
  let heat = HEAT.hot * dearest;
  const cooling = (HEAT.cold / HEAT.hot) ** (1 / Math.max(1, moves));
  for (let move = 0; move < moves; move++, heat *= cooling) {
    if (move % 4096 === 4095 && isOver()) break;
    const kind = random();
    const ousts = without.length > 0 && kind < 0.1;
    const count = ousts ? oust() : kind < 0.4 ? follow() : kind < 0.7 ? swap() : insert();
    if (count === 0) continue;
    const cost = disorder();
    if (cost <= now || random() < Math.exp((now - cost) / heat)) {
      now = cost;
      if (cost > best.disorder + PLAY) continue;
      const found = judge(problem, Int32Array.from(seatOf));
      if (isBetter(found, best)) best = found;
      continue;
    }
    if (ousts) {
      const item = itemOf[changed[0]];
      without[without.indexOf(was[0])] = item;
      seatOf[item] = -1;
    }
    for (let at = 0; at < count; at++) put(changed[at], was[at]);
  }
  return best;
}
