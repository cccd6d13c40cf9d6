import type { Loom, LoomPort, LoomRow } from './loomLayout';

const alike = <T extends object>(a: T, b: T): boolean =>
  (Object.keys(b) as (keyof T)[]).every((key) => Object.is(a[key], b[key]));

/** A port is what its device says of it. */
const samePort = (a: LoomPort, b: LoomPort): boolean => alike({ ...a, port: b.port }, b);
const sameRow = (a: LoomRow, b: LoomRow): boolean => alike(a.trace, b.trace) && alike({ ...a, trace: b.trace }, b);

/** Items of the former list wherever the new one has them just so. */
function kept<T>(
  before: readonly T[],
  now: readonly T[],
  keyOf: (one: T) => string,
  same: (a: T, b: T) => boolean,
): T[] {
  const known = new Map(before.map((one) => [keyOf(one), one]));
  return now.map((one) => {
    const old = known.get(keyOf(one));
    return old !== undefined && same(old, one) ? old : one;
  });
}

/** A layout with the rows and ports of the one before where nothing about them changed, so that they are not drawn anew. */
export function steadyLoom(before: Loom | null, now: Loom): Loom {
  if (before === null) return now;
  const ports = (of: 'panelPorts' | 'switchPorts') => kept<LoomPort>(before[of], now[of], (port) => port.key, samePort);
  return {
    ...now,
    rows: kept<LoomRow>(before.rows, now.rows, (row) => row.run.id, sameRow),
    panelPorts: ports('panelPorts'),
    switchPorts: ports('switchPorts'),
  };
}
