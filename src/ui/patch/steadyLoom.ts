import { alike, kept } from './kept';
import type { Loom, LoomPort, LoomRow } from './loomLayout';

/** A port is what its device says of it. */
const samePort = (a: LoomPort, b: LoomPort): boolean => alike({ ...a, port: b.port }, b);
const sameRow = (a: LoomRow, b: LoomRow): boolean => alike(a.trace, b.trace) && alike({ ...a, trace: b.trace }, b);

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
