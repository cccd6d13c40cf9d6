import { kept } from '../../base/memo/kept';
import type { Connector } from '../../base/standards/connectors';
import { rackDimensions } from '../../base/standards/rackDimensions';
import type { Gear, PortGroup } from '../records/gear';
import { isPanel, portsOf } from '../records/ports';
import { frontWidthMm } from './body';

/** Where a port opening lies on its side of the device: its box in millimetres from the top left of that side as seen. */
export type PortBox = {
  number: number;
  connector: Connector;
  side: 'front' | 'rear';
  x: number;
  y: number;
  width: number;
  height: number;
};

/** Opening and pitch by connector, millimetres. Typical of the class of gear; the data sheet rules. */
const OPENING: Record<Connector, { width: number; height: number; pitch: number }> = {
  keystone: { width: 14.5, height: 16, pitch: 17.5 },
  rj45: { width: 12.5, height: 11, pitch: 14 },
  sfp: { width: 13.5, height: 9.5, pitch: 15 },
  'sfp+': { width: 13.5, height: 9.5, pitch: 15 },
  sfp28: { width: 13.5, height: 9.5, pitch: 15 },
  qsfp28: { width: 18, height: 9.5, pitch: 20 },
  lc: { width: 12, height: 10, pitch: 16 },
  sc: { width: 16, height: 10, pitch: 19 },
  f: { width: 10, height: 10, pitch: 16 },
};
const GROUP_GAP = 8;
const EDGE = 26;
const FREE_EDGE = 6;
const TWO_ROWS_FROM = 10;
const ROW_MM = 14.5;

/**
 * Boxes of all ports of a device. Panels spread one row a unit over the width; active gear has its ports at the
 * right, in two rows where a group has ten or more, odd numbers above. What a group says of itself goes before.
 */
export const portLayout = kept((gear: Gear): PortBox[] => {
  const plain = gear.ports.every((group) => group.rows === null && group.pitchMm === null && group.xMm === null);
  return isPanel(gear) && plain ? panelBoxes(gear) : groupBoxes(gear);
});

const edgeOf = (gear: Gear) => (gear.frame === '19-inch' || gear.frame === '10-inch' ? EDGE : FREE_EDGE);

function panelBoxes(gear: Gear): PortBox[] {
  const ports = portsOf(gear);
  const perRow = Math.ceil(ports.length / gear.heightU);
  const pitch = (frontWidthMm(gear) - 2 * edgeOf(gear)) / Math.max(1, perRow);
  return ports.map(({ number, connector, side }) => {
    const row = Math.floor((number - 1) / perRow);
    const column = (number - 1) % perRow;
    const width = Math.min(OPENING[connector].width, pitch * 0.84);
    return {
      number,
      connector,
      side,
      width,
      height: OPENING[connector].height,
      x: edgeOf(gear) + pitch * (column + 0.5) - width / 2,
      y: row * rackDimensions.unitMm + 21,
    };
  });
}

const rowsOf = (group: PortGroup): number => group.rows ?? (group.count >= TWO_ROWS_FROM ? 2 : 1);
const columnsOf = (group: PortGroup): number => Math.ceil(group.count / rowsOf(group));
const pitchOf = (group: PortGroup): number => group.pitchMm ?? OPENING[group.connector].pitch;

function groupBoxes(gear: Gear): PortBox[] {
  const edge = edgeOf(gear);
  const room = Math.max(1, frontWidthMm(gear) - 2 * edge);
  const start = { front: 0, rear: 0 };
  const scale = { front: 1, rear: 1 };
  for (const side of ['front', 'rear'] as const) {
    const floating = gear.ports.filter((group) => group.side === side && group.xMm === null);
    const natural =
      floating.reduce((sum, group) => sum + columnsOf(group) * pitchOf(group), 0) +
      Math.max(0, floating.length - 1) * GROUP_GAP;
    scale[side] = Math.min(1, room / Math.max(1, natural));
    start[side] = frontWidthMm(gear) - edge - natural * scale[side];
  }
  let number = 0;
  const boxes: PortBox[] = [];
  for (const group of gear.ports) {
    const { side, connector, count, xMm } = group;
    const opening = OPENING[connector];
    const rows = rowsOf(group);
    const fit = xMm === null ? scale[side] : 1;
    const left = xMm ?? start[side];
    const pitch = pitchOf(group);
    for (let port = 0; port < count; port++) {
      number += 1;
      boxes.push({
        number,
        connector,
        side,
        width: opening.width * fit,
        height: opening.height,
        x: left + (Math.floor(port / rows) * pitch + (pitch - opening.width) / 2) * fit,
        y: rows === 1 ? 17 : 8 + (port % rows) * ROW_MM,
      });
    }
    if (xMm === null) start[side] = left + (columnsOf(group) * pitch + GROUP_GAP) * fit;
  }
  return boxes;
}

/** Middle of a port above the lower edge of its device, millimetres; null when there is no such port. */
export function portCentreY(gear: Gear, number: number): number | null {
  const box = portLayout(gear)[number - 1];
  if (!box) return null;
  const height =
    gear.frame === 'free' ? (gear.heightMm ?? rackDimensions.unitMm) : gear.heightU * rackDimensions.unitMm;
  return Math.max(0, height - box.y - box.height / 2);
}

/** Middle of a port, millimetres from the left edge of its side; null when there is no such port. */
export function portCentreX(gear: Gear, number: number): number | null {
  const box = portLayout(gear)[number - 1];
  return box ? box.x + box.width / 2 : null;
}
