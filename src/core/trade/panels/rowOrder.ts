import type { Gear } from '../../job/records/gear';
import { portsOf } from '../../job/records/ports';

export type RearBlock = { port: number; row: number; column: number };

/**
 * Where the block of each port lies on the back of a punch-down panel, seen from behind: counted from the right, since
 * port 1 is at the left in front. Straight: one row. Two-level: odd ports above, even ones below.
 */
export function rearBlocks(panel: Gear): RearBlock[] {
  const ports = portsOf(panel).filter((port) => port.connector === 'rj45' && port.fitting === 'punch');
  const perUnit = Math.ceil(ports.length / panel.heightU);
  return ports.map(({ number }, at) => {
    const [unit, place] = [Math.floor(at / perUnit), at % perUnit];
    return panel.rowOrder === 'two-level'
      ? { port: number, row: unit * 2 + (place % 2), column: Math.floor(place / 2) }
      : { port: number, row: unit, column: place };
  });
}

/** Is there a back to draw: a panel whose runs are punched down on blocks. */
export const isPunchDown = (panel: Gear): boolean => rearBlocks(panel).length > 0;
