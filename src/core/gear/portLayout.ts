import type { Connector, Gear } from '../job/records/gear';
import { rackDimensions } from '../standards/rackDimensions';
import { isPanel, portsOf } from './ports';

/** Where a port opening lies on the front of its device: its box in millimetres from the panel's top left. */
export type PortBox = { number: number; connector: Connector; x: number; y: number; width: number; height: number };

/** Opening and pitch by connector, millimetres. Typical of the class of gear; the data sheet rules. */
const OPENING: Record<Connector, { width: number; height: number; pitch: number }> = {
  keystone: { width: 14.5, height: 16, pitch: 17.5 },
  rj45: { width: 12.5, height: 11, pitch: 14 },
  sfp: { width: 13.5, height: 9.5, pitch: 15 },
  'sfp+': { width: 13.5, height: 9.5, pitch: 15 },
  lc: { width: 12, height: 10, pitch: 16 },
  f: { width: 10, height: 10, pitch: 16 },
};
const GROUP_GAP = 8;
const EDGE = 26;
const TWO_ROWS_FROM = 10;

const cache = new WeakMap<Gear, PortBox[]>();

/**
 * Boxes of all ports of a device. Panels spread one row per unit over the width; active gear has its ports at the
 * right, in two rows where a group has ten or more, odd numbers above.
 */
export function portLayout(gear: Gear): PortBox[] {
  const known = cache.get(gear);
  if (known) return known;
  const boxes = isPanel(gear) ? panelBoxes(gear) : activeBoxes(gear);
  if (Object.isFrozen(gear)) cache.set(gear, boxes);
  return boxes;
}

function panelBoxes(gear: Gear): PortBox[] {
  const ports = portsOf(gear);
  const perRow = Math.ceil(ports.length / gear.heightU);
  const pitch = (rackDimensions.panelWidthMm - 2 * EDGE) / Math.max(1, perRow);
  return ports.map(({ number, connector }) => {
    const row = Math.floor((number - 1) / perRow);
    const column = (number - 1) % perRow;
    const width = Math.min(OPENING[connector].width, pitch * 0.84);
    return {
      number,
      connector,
      width,
      height: OPENING[connector].height,
      x: EDGE + pitch * (column + 0.5) - width / 2,
      y: row * rackDimensions.unitMm + 21,
    };
  });
}

function activeBoxes(gear: Gear): PortBox[] {
  const columns = gear.ports.map((group) => {
    const rows = group.count >= TWO_ROWS_FROM ? 2 : 1;
    return { group, rows, columns: Math.ceil(group.count / rows) };
  });
  const natural =
    columns.reduce((sum, { group, columns: count }) => sum + count * OPENING[group.connector].pitch, 0) +
    Math.max(0, columns.length - 1) * GROUP_GAP;
  const room = rackDimensions.panelWidthMm - 2 * EDGE;
  const scale = Math.min(1, room / Math.max(1, natural));
  let x = rackDimensions.panelWidthMm - EDGE - natural * scale;
  let number = 0;
  const boxes: PortBox[] = [];
  for (const { group, rows, columns: count } of columns) {
    const opening = OPENING[group.connector];
    for (let port = 0; port < group.count; port++) {
      const column = Math.floor(port / rows);
      number += 1;
      boxes.push({
        number,
        connector: group.connector,
        width: opening.width * scale,
        height: opening.height,
        x: x + (column * opening.pitch + (opening.pitch - opening.width) / 2) * scale,
        y: rows === 2 ? 8 + (port % 2) * 14.5 : 17,
      });
    }
    x += (count * opening.pitch + GROUP_GAP) * scale;
  }
  return boxes;
}

/** Middle of a port, millimetres from the panel's left edge; null when there is no such port. */
export function portCentreX(gear: Gear, number: number): number | null {
  const box = portLayout(gear)[number - 1];
  return box ? box.x + box.width / 2 : null;
}
