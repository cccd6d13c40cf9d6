import { HAS_CAUSE, type SignKind } from './signs';

/** A port as its signs tell of it, without any address. */
export type SilentPort = {
  at: number;
  /** Ports of one switch are numbered along it. */
  switchId: string;
  port: number;
  /** Whether a run is planned there. */
  planned: boolean;
  up: boolean;
  /** Misfits with the run that is planned there; none where it is down or nothing is planned. */
  kinds: readonly SignKind[];
  /** It is known by its address what is there: it takes no part. */
  settled: boolean;
};

/** What went where: `moves` by place, from where a run is planned to where it shows. */
export type SilentCause = {
  kind: 'exchanged' | 'shifted';
  moves: readonly { from: number; to: number }[];
  places: readonly number[];
  by: number | null;
};

export type SilentFindings = {
  /** Causes that stand in every explanation with the fewest faults. */
  causes: SilentCause[];
  /** Places whose signs several explanations account for, or none. */
  ambiguous: number[];
};

/** A ring of three counts as two exchanges, a row that sits off as two: neither is taken where less explains it. */
const SHIFT_COST = 2;
/** A sign that no fault of the port itself explains costs more than any exchange. */
const UNEXPLAINED_COST = 4;
const LONGEST_SHIFT_STEP = 2;
const MOST_NODES = 40_000;
const MOST_BEST = 256;

type Candidate = SilentCause & { cost: number; key: string };

/**
 * Cords that sit in another port, told by speed, power and network alone: the sets of exchanges and rows with the fewest
 * faults that account for all signs. What differs between such sets is ambiguous, and is not claimed.
 * @param fits whether the run planned at one place shows no misfit at another
 */
export function silentMoves(ports: readonly SilentPort[], fits: (from: number, to: number) => boolean): SilentFindings {
  const open = ports.filter(({ settled }) => !settled);
  const odd = open.filter(({ kinds }) => kinds.length > 0);
  if (odd.length === 0) return { causes: [], ambiguous: [] };
  const candidates = [...exchanges(odd, fits), ...shifts(open, fits)];
  const items = odd.map(({ at }) => at);
  const ownCost = new Map(
    odd.map(({ at, kinds }) => [at, kinds.every((kind) => HAS_CAUSE.has(kind)) ? kinds.length : UNEXPLAINED_COST]),
  );
  const byPlace = new Map<number, Candidate[]>();
  for (const one of candidates)
    for (const place of one.places) byPlace.set(place, [...(byPlace.get(place) ?? []), one]);

  let best = Number.POSITIVE_INFINITY;
  let sets: Candidate[][] = [];
  let nodes = 0;
  const used = new Set<number>();
  const chosen: Candidate[] = [];
  const go = (slot: number, cost: number): void => {
    nodes += 1;
    if (nodes > MOST_NODES || cost > best || sets.length > MOST_BEST) return;
    let next = slot;
    while (next < items.length && used.has(items[next] ?? -1)) next += 1;
    const place = items[next];
    if (place === undefined) {
      if (cost < best) {
        best = cost;
        sets = [];
      }
      sets.push([...chosen]);
      return;
    }
    for (const one of byPlace.get(place) ?? []) {
      if (one.places.some((at) => used.has(at))) continue;
      for (const at of one.places) used.add(at);
      chosen.push(one);
      go(next + 1, cost + one.cost);
      chosen.pop();
      for (const at of one.places) used.delete(at);
    }
    used.add(place);
    go(next + 1, cost + (ownCost.get(place) ?? 0));
    used.delete(place);
  };
  go(0, 0);
  // Too much to look through: nothing is claimed.
  if (nodes > MOST_NODES || sets.length > MOST_BEST) return { causes: [], ambiguous: items };
  const counts = new Map<string, number>();
  for (const set of sets) for (const { key } of set) counts.set(key, (counts.get(key) ?? 0) + 1);
  const causes = [...new Map(sets.flat().map((one) => [one.key, one])).values()].filter(
    ({ key }) => counts.get(key) === sets.length,
  );
  const told = new Set(causes.flatMap(({ places }) => places));
  // What is in an exchange in some explanations and not in others, or in none though its signs have no cause of their own.
  const moved = new Set(sets.flat().flatMap(({ places }) => places));
  const ambiguous = items.filter(
    (at) => !told.has(at) && (moved.has(at) || (ownCost.get(at) ?? 0) === UNEXPLAINED_COST),
  );
  return { causes, ambiguous };
}

/** Two that show each other's signs, and rings of three. */
function exchanges(odd: readonly SilentPort[], fits: (from: number, to: number) => boolean): Candidate[] {
  const found: Candidate[] = [];
  const ring = (places: number[]): void => {
    const moves = places.map((from, slot) => ({ from, to: places[(slot + 1) % places.length] ?? from }));
    if (!moves.every(({ from, to }) => fits(from, to))) return;
    const sorted = [...places].sort((a, b) => a - b);
    found.push({
      kind: 'exchanged',
      moves,
      places: sorted,
      by: null,
      cost: places.length - 1,
      key: `${places.length} ${moves
        .map(({ from, to }) => `${from}>${to}`)
        .sort()
        .join(' ')}`,
    });
  };
  for (const [a, first] of odd.entries())
    for (const [b, second] of odd.entries()) {
      if (b <= a) continue;
      ring([first.at, second.at]);
      for (const third of odd.slice(b + 1)) {
        ring([first.at, second.at, third.at]);
        ring([first.at, third.at, second.at]);
      }
    }
  return found;
}

/** Rows of a switch that sit one or two ports off: what they left is down, and all of them fit where they would be. */
function shifts(open: readonly SilentPort[], fits: (from: number, to: number) => boolean): Candidate[] {
  const found: Candidate[] = [];
  const byPort = new Map(open.map((one) => [`${one.switchId} ${one.port}`, one]));
  const at = (switchId: string, port: number) => byPort.get(`${switchId} ${port}`);
  for (const start of open)
    for (const end of open) {
      if (end.switchId !== start.switchId || end.port - start.port < 2) continue;
      for (let step = 1; step <= LONGEST_SHIFT_STEP; step++)
        for (const by of [step, -step]) {
          const moves: { from: number; to: number }[] = [];
          const places = new Set<number>();
          let [odd, whole] = [0, true];
          for (let port = start.port; port <= end.port && whole; port++) {
            const [from, to] = [at(start.switchId, port), at(start.switchId, port + by)];
            if (!from || !to) whole = false;
            else if (from.planned) {
              if (!to.up || !fits(from.at, to.at)) whole = false;
              moves.push({ from: from.at, to: to.at });
              for (const place of [from, to]) places.add(place.at);
              if (to.kinds.length > 0) odd += 1;
            } else if (to.up) whole = false;
          }
          if (!whole || odd < 2 || moves.length < 3) continue;
          const ends = new Set(moves.map(({ to }) => to));
          const left = moves.filter(({ from }) => !ends.has(from));
          const beyond = moves.filter(({ to }) => !moves.some(({ from }) => from === to));
          const vacated = left.every(({ from }) => open.find((one) => one.at === from)?.up === false);
          const free = beyond.every(({ to }) => open.find((one) => one.at === to)?.planned === false);
          if (!vacated || !free) continue;
          found.push({
            kind: 'shifted',
            moves,
            places: [...places].sort((a, b) => a - b),
            by,
            cost: SHIFT_COST,
            key: `shift ${moves.map(({ from, to }) => `${from}>${to}`).join(' ')}`,
          });
        }
    }
  // A row within a longer one says less; free ports at its ends make it no other row.
  const once = [...new Map(found.map((one) => [one.key, one])).values()];
  return once.filter(
    (one) =>
      !once.some(
        (other) =>
          other !== one &&
          other.by === one.by &&
          other.moves.length > one.moves.length &&
          one.moves.every((move) => other.moves.some(({ from, to }) => from === move.from && to === move.to)),
      ),
  );
}
