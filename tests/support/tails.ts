import { TailsInstance, tailsProblem } from '../../src/cli/models/tails';
import { seededRandom } from '../../src/core/base/solve/random';

/** A seeded cabinet: panels of 24 below a cable entry at the top left, rooms of one to six tails, some of them short. */
export function tailsInstance(count: number, seed: number, spareShare = 0.25): TailsInstance {
  const random = seededRandom(seed * 4967 + count);
  const panels = Math.ceil((count * (1 + spareShare)) / 24);
  const ports = Array.from({ length: panels * 24 }, (_, at) => {
    const [panel, port] = [Math.floor(at / 24), (at % 24) + 1];
    const u = 20 - panel * 2;
    return {
      id: `P${at + 1}`,
      panel: `panel ${panel + 1}`,
      port,
      u,
      path_mm: Math.round(300 + (24 - u) * 44.45 + 20 + (port - 0.5) * 18.5),
    };
  });
  const far = Math.max(...ports.map((port) => port.path_mm));
  const near = Math.min(...ports.map((port) => port.path_mm));
  const tails: { id: string; room: string; label: string; order: number; free_mm: number }[] = [];
  for (let room = 1; tails.length < count; room++) {
    const together = Math.min(count - tails.length, 1 + Math.floor(random() * 6));
    for (let one = 1; one <= together; one++) {
      const short = random() < 0.3;
      tails.push({
        id: `t${tails.length + 1}`,
        room: `room ${room}`,
        label: `${room}-${one}`,
        order: tails.length + 1,
        free_mm: Math.round(short ? near + 60 + random() * (far - near) * 0.8 : far + 100 + random() * 800),
      });
    }
  }
  return TailsInstance.parse({
    minSpare_mm: 50,
    weights: { roomBreak: 5, orderBreakInRoom: 3, orderBreakBetweenRooms: 1 },
    ports,
    tails,
  });
}

/** As above, but the cables come in at the middle or the left, and every tail is short in its own way. */
export function tangledTails(count: number, seed: number): TailsInstance {
  const plain = tailsInstance(count, seed);
  const random = seededRandom(seed * 77 + 1);
  const middle = random() < 0.5;
  const ports = plain.ports.map((port) => {
    const across = middle ? Math.abs(port.port - 12.5) : port.port + 0.5;
    return { ...port, path_mm: Math.round(300 + (24 - Number(port.u)) * 44.45 + across * 18.5) };
  });
  const far = Math.max(...ports.map((port) => port.path_mm));
  const near = Math.min(...ports.map((port) => port.path_mm));
  const tails = plain.tails.map((tail) => ({
    ...tail,
    free_mm: Math.round(near + 80 + random() * (far - near) * 1.3),
  }));
  return { ...plain, ports, tails };
}

/** The same choice as a mixed-integer model in LP format. Its objective is the one number of the model. */
export function tailsLp(instance: TailsInstance): string {
  const { problem } = tailsProblem(instance);
  const { reach, way, joined, roomOf, roomBreak, orderBreakInRoom, orderBreakBetweenRooms } = problem;
  const can = (tail: number, port: number) => (way[port] as number) <= (reach[tail] as number) + 1e-9;
  const x = (tail: number, port: number) => `x_${tail}_${port}`;
  const terms: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const tails = [...reach.keys()];
  const ports = [...way.keys()];
  const rooms = [...new Set(roomOf)];
  const farthest = Math.max(...reach) - Math.min(...way) + instance.minSpare_mm;
  for (const tail of tails) {
    const open = ports.filter((port) => can(tail, port));
    for (const port of open) binaries.push(x(tail, port));
    binaries.push(`u_${tail}`);
    terms.push(`+ 100000000 u_${tail}`);
    rows.push(`${[...open.map((port) => x(tail, port)), `u_${tail}`].join(' + ')} = 1`);
    for (const port of open) {
      const spare = (reach[tail] as number) - (way[port] as number) + instance.minSpare_mm;
      rows.push(`spare + ${farthest - spare} ${x(tail, port)} <= ${farthest}`);
    }
    if (tail === 0) continue;
    // A pair is together when the first is on a port and the second on the next.
    const together = ports.filter((port) => port > 0 && joined[port] && can(tail, port) && can(tail - 1, port - 1));
    const price = roomOf[tail] === roomOf[tail - 1] ? orderBreakInRoom : orderBreakBetweenRooms;
    terms.push(`+ ${price * 10_000} b_${tail}`);
    rows.push(`${[`b_${tail}`, ...together.map((port) => `w_${tail}_${port}`)].join(' + ')} >= 1`);
    for (const port of together) {
      rows.push(`w_${tail}_${port} - ${x(tail, port)} <= 0`, `w_${tail}_${port} - ${x(tail - 1, port - 1)} <= 0`);
    }
  }
  for (const port of ports) {
    const on = tails.filter((tail) => can(tail, port)).map((tail) => x(tail, port));
    if (on.length > 0) rows.push(`${on.join(' + ')} <= 1`);
  }
  for (const room of rooms) {
    const members = tails.filter((tail) => roomOf[tail] === room);
    const here = (port: number, sign: '+' | '-') =>
      members
        .filter((tail) => can(tail, port))
        .map((tail) => `${sign} ${x(tail, port)}`)
        .join(' ');
    const starts: string[] = [];
    for (const port of ports) {
      const now = here(port, '-');
      if (now === '') continue;
      const before = port > 0 && joined[port] ? here(port - 1, '+') : '';
      starts.push(`s_${room}_${port}`);
      rows.push(`s_${room}_${port} ${now} ${before} >= 0`);
    }
    if (starts.length === 0) continue;
    terms.push(`+ ${roomBreak * 10_000} r_${room}`);
    rows.push(`r_${room} - ${starts.join(' - ')} >= -1`);
  }
  return `Minimize\n obj: ${terms.join(' ')} - spare\nSubject To\n ${rows.map((row, at) => `c${at}: ${row}`).join('\n ')}\nBounds\n -100000 <= spare <= ${farthest}\nBinary\n ${binaries.join('\n ')}\nEnd`;
}
