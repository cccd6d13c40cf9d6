import { z } from 'zod';
import type { SearchLimits } from '../../core/base/solve/limits';
import type { SeatingProblem } from '../../core/base/solve/seating/problem';
import { seatInOrder } from '../../core/base/solve/seating/seatInOrder';
import { refuse } from '../../core/base/text/refusal';
import type { Solved } from './cables';

const name = z.string().min(1).max(80);
const millimetres = z.number().min(-1_000_000).max(1_000_000);
const points = z.number().min(0).max(1_000_000);

/** An instance of the choice which cable tail goes to which panel port. */
export const TailsInstance = z.looseObject({
  minSpare_mm: millimetres.default(0),
  weights: z.looseObject({ roomBreak: points, orderBreakInRoom: points, orderBreakBetweenRooms: points }),
  ports: z.array(z.looseObject({ id: name, panel: name, port: z.number().int(), path_mm: millimetres })).max(1000),
  tails: z
    .array(z.looseObject({ id: name, room: z.string().max(80).default(''), order: z.number(), free_mm: millimetres }))
    .max(500),
});
export type TailsInstance = z.infer<typeof TailsInstance>;

const UNPLACED_POINTS = 1e8;
const ORDER_POINTS = 1e4;

type Sorted = { problem: SeatingProblem; tails: TailsInstance['tails']; ports: TailsInstance['ports'] };

/** The instance as a line of seats: ports panel after panel by number, tails in label order. @throws Refusal when an id stands twice */
export function tailsProblem({ minSpare_mm, weights, ...given }: TailsInstance): Sorted {
  for (const what of ['ports', 'tails'] as const) {
    const rows: { id: string }[] = given[what];
    if (new Set(rows.map((row) => row.id)).size < rows.length) refuse('id-twice', `${what}: an id stands twice.`);
  }
  const panels = [...new Set(given.ports.map((port) => port.panel))];
  const ports = [...given.ports].sort(
    (a, b) => panels.indexOf(a.panel) - panels.indexOf(b.panel) || a.port - b.port || (a.id < b.id ? -1 : 1),
  );
  const tails = [...given.tails].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const rooms = [...new Set(tails.map((tail) => tail.room))];
  return {
    ports,
    tails,
    problem: {
      reach: Float64Array.from(tails, (tail) => tail.free_mm - minSpare_mm),
      roomOf: Int32Array.from(tails, (tail) => rooms.indexOf(tail.room)),
      way: Float64Array.from(ports, (port) => port.path_mm),
      joined: Uint8Array.from(ports, (port, at) => {
        const before = ports[at - 1];
        return before && before.panel === port.panel && before.port + 1 === port.port ? 1 : 0;
      }),
      ...weights,
    },
  };
}

/** Which tail goes to which port, at the fewest points. */
export function solveTails(
  instance: TailsInstance,
  limits: SearchLimits,
): Solved<{ portOf: Record<string, string | null> }> {
  const started = limits.now();
  const { problem, ports, tails } = tailsProblem(instance);
  const { seatOf, unseated, disorder, spare, disorderBound, spareBound, proven } = seatInOrder(problem, limits);
  const pointsOf = (order: number, rest: number) =>
    UNPLACED_POINTS * unseated + ORDER_POINTS * order - (unseated === tails.length ? 0 : rest + instance.minSpare_mm);
  const portOf = Object.fromEntries(tails.map(({ id }, at) => [id, ports[seatOf[at] as number]?.id ?? null]));
  return {
    status: proven ? 'optimal' : 'best-found',
    objective: pointsOf(disorder, spare),
    bound: pointsOf(disorderBound, spareBound),
    seconds: (limits.now() - started) / 1000,
    solution: { portOf },
  };
}
