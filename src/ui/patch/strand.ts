import { portKey } from '@/core/job/records/portKey';
import { columnsOf } from './loomColumns';
import type { Loom, LoomRow } from './loomLayout';
import type { SCurve } from './sCurve';

/** Where ports and networks stand, px from the top of the loom. */
export type Places = { panel: Map<string, number>; device: Map<string, number>; network: Map<string, number> };

export const placesOf = (loom: Loom): Places => ({
  panel: new Map(loom.panelPorts.map((port) => [port.key, port.y])),
  device: new Map(loom.switchPorts.map((port) => [port.key, port.y])),
  network: new Map(loom.networks.map(({ network, y }) => [network.id, y])),
});

/** `cordEnd`: where its cord comes to the switch port. */
export type Strand = { curves: SCurve[]; cordEnd: { x: number; y: number } | null };

/** The curve of a cord between its ports. */
export const cordCurve = (width: number, panelY: number, deviceY: number): SCurve => {
  const x = columnsOf(width);
  return [x.panel + 14, panelY, x.device - 20, deviceY];
};

/** The curves of one strand, from its outlet as far as it goes. */
export function strandOf(row: LoomRow, places: Places, width: number): Strand {
  const x = columnsOf(width);
  const { landing, cord, run } = row.trace;
  const curves: SCurve[] = [];
  if (run.outlet) curves.push([x.outlet + 4, row.outletY, x.run - 22, row.y]);
  const panelY = landing && places.panel.get(portKey(landing.panelId, landing.port));
  if (panelY == null) return { curves, cordEnd: null };
  curves.push([x.run + 22, row.y, x.panel - 14, panelY]);
  const deviceY = cord && places.device.get(portKey(cord.switchId, cord.switchPort));
  if (deviceY == null) return { curves, cordEnd: null };
  const patched = cordCurve(width, panelY, deviceY);
  curves.push(patched);
  const networkY = places.network.get(run.networkId ?? '');
  if (networkY !== undefined) curves.push([x.device + 20, deviceY, x.network, networkY]);
  return { curves, cordEnd: { x: patched[2], y: deviceY } };
}
