import { LayoutInstance } from '../../src/cli/models/layout';
import { seededRandom } from '../../src/core/base/solve/random';

/** A seeded cabinet: panels with their switches, servers, a gateway near the entry, a heavy battery, some pairs and pins. */
export function layoutInstance(rackUnits: number, count: number, seed: number): LayoutInstance {
  const random = seededRandom(seed * 6151 + rackUnits * 131 + count);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  const kinds = [
    'panel',
    'switch',
    'panel',
    'switch',
    'router',
    'ups',
    'server',
    'manager',
    'recorder',
    'shelf',
    'distribution',
  ];
  let room = rackUnits - count;
  const devices = Array.from({ length: count }, (_, at) => {
    const kind = kinds[at % kinds.length] as string;
    const wanted = kind === 'ups' || kind === 'server' ? pick([2, 2, 3]) : kind === 'shelf' ? pick([1, 2]) : 1;
    const height_U = Math.min(wanted, 1 + Math.max(0, room - 1));
    room -= height_U - 1;
    const heavy = { ups: 24, server: 15, recorder: 7, switch: 4, router: 3 }[kind] ?? 1;
    const heat = { ups: 40, server: 180, recorder: 60, switch: 70, router: 40 }[kind] ?? 0;
    return {
      id: `d${at + 1}`,
      kind,
      height_U,
      weight_kg: Math.round(heavy * (0.7 + random() * 0.6) * 10) / 10,
      heat_W: Math.round(heat * (0.5 + random())),
      nearEntry: kind === 'router' || (kind === 'panel' && random() < 0.4),
    };
  });
  const of = (kind: string) => devices.filter((device) => device.kind === kind);
  const links: { a: string; b: string; cords: number }[] = [];
  const switches = of('switch');
  for (const panel of of('panel')) {
    const targets = [pick(switches), pick(switches)].filter(Boolean);
    for (const target of new Set(targets))
      links.push({ a: panel.id, b: target.id, cords: 4 + Math.floor(random() * 20) });
  }
  for (const device of [...of('router'), ...of('server'), ...of('recorder')]) {
    const target = pick(switches);
    if (target) links.push({ a: device.id, b: target.id, cords: 1 + Math.floor(random() * 4) });
  }
  const managers = of('manager').map((device) => ({ ...device, adjacentTo: pick(switches)?.id ?? null }));
  const used = new Map<string, number>();
  const withTies = devices.map((device) => {
    const tie = managers.find((one) => one.id === device.id)?.adjacentTo ?? null;
    if (tie === null || (used.get(tie) ?? 0) >= 2) return device;
    used.set(tie, (used.get(tie) ?? 0) + 1);
    return { ...device, adjacentTo: tie };
  });
  return LayoutInstance.parse({
    rackUnits,
    cableEntry: pick(['top', 'bottom', 'either']),
    hot_W: 50,
    weights: { cordDistance: 1, weightHeight: 0.5, heatAdjacency: 20, entryDistance: 3, freeBlock: 2 },
    devices: withTies.map((device) => (device.id === 'd11' && random() < 0.5 ? { ...device, fixedU: 1 } : device)),
    links,
  });
}

/** The same choice as a mixed-integer model in LP format; its objective leaves out nothing. */
export function layoutLp(instance: LayoutInstance): string {
  const { rackUnits, cableEntry, hot_W, weights, devices, links } = instance;
  const bottoms = (height: number) => Array.from({ length: rackUnits - height + 1 }, (_, at) => at + 1);
  const x = (device: number, bottom: number) => `x_${device}_${bottom}`;
  const rows: string[] = [];
  const terms: string[] = [];
  const binaries: string[] = [];
  const term = (points: number, name: string) => terms.push(`${points < 0 ? '-' : '+'} ${Math.abs(points)} ${name}`);
  const at = new Map(devices.map(({ id }, index) => [id, index]));
  const middle = (device: number, sign: '+' | '-') =>
    bottoms(devices[device]?.height_U ?? 1)
      .map((bottom) => `${sign} ${bottom + ((devices[device]?.height_U ?? 1) - 1) / 2} ${x(device, bottom)}`)
      .join(' ');
  const covers: string[][] = Array.from({ length: rackUnits + 1 }, () => []);
  devices.forEach((device, d) => {
    const { height_U, weight_kg, nearEntry, fixedU } = device;
    rows.push(
      `${bottoms(height_U)
        .map((bottom) => x(d, bottom))
        .join(' + ')} = 1`,
    );
    for (const bottom of bottoms(height_U)) {
      binaries.push(x(d, bottom));
      const [down, up] = [bottom - 1, rackUnits - bottom - height_U + 1];
      const entry = cableEntry === 'top' ? up : cableEntry === 'bottom' ? down : Math.min(up, down);
      term(
        weights.weightHeight * weight_kg * (bottom + (height_U - 1) / 2) +
          (nearEntry ? weights.entryDistance * entry : 0),
        x(d, bottom),
      );
      for (let unit = bottom; unit < bottom + height_U; unit++) covers[unit]?.push(x(d, bottom));
    }
    if (fixedU !== null) rows.push(`${x(d, fixedU)} = 1`);
    const mate = device.adjacentTo === null ? undefined : at.get(device.adjacentTo);
    if (mate !== undefined) {
      const tall = devices[mate]?.height_U ?? 1;
      for (const bottom of bottoms(height_U)) {
        const beside = [bottom - tall, bottom + height_U].filter(
          (other) => other >= 1 && other + tall - 1 <= rackUnits,
        );
        rows.push(`${x(d, bottom)} ${beside.map((other) => `- ${x(mate, other)}`).join(' ')} <= 0`);
      }
    }
  });
  links.forEach(({ a, b, cords }, index) => {
    const [from, to] = [at.get(a) ?? 0, at.get(b) ?? 0];
    term(weights.cordDistance * cords, `t_${index}`);
    rows.push(
      `t_${index} ${middle(from, '-')} ${middle(to, '+')} >= 0`,
      `t_${index} ${middle(from, '+')} ${middle(to, '-')} >= 0`,
    );
  });
  devices.forEach((lower, a) => {
    devices.forEach((upper, b) => {
      if (a === b || lower.heat_W < hot_W || upper.heat_W < hot_W) return;
      term(weights.heatAdjacency, `z_${a}_${b}`);
      for (const bottom of bottoms(lower.height_U)) {
        const above = bottom + lower.height_U;
        if (above + upper.height_U - 1 <= rackUnits) rows.push(`${x(a, bottom)} + ${x(b, above)} - z_${a}_${b} <= 1`);
      }
    });
  });
  const blocks: string[] = [];
  for (let bottom = 1; bottom <= rackUnits; bottom++) {
    for (let size = 1; bottom + size - 1 <= rackUnits; size++) {
      const name = `f_${bottom}_${size}`;
      binaries.push(name);
      blocks.push(name);
      term(-weights.freeBlock * size, name);
      for (let unit = bottom; unit < bottom + size; unit++) covers[unit]?.push(name);
    }
  }
  rows.push(`${blocks.join(' + ')} <= 1`);
  for (const cover of covers) if (cover.length > 0) rows.push(`${cover.join(' + ')} <= 1`);
  return `Minimize\n obj: ${terms.join(' ')}\nSubject To\n ${rows.map((row, index) => `c${index}: ${row}`).join('\n ')}\nBinary\n ${binaries.join('\n ')}\nEnd`;
}
