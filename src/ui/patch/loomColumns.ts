/** Shares of the width at which the columns stand: rows, their device's end, outlet, run, panel and switch port, network. */
const SHARES = { row: 0.1, plugged: 0.222, outlet: 0.292, run: 0.352, panel: 0.52, device: 0.745, network: 0.925 };
/** Where there is less room, networks are told by their codes alone. */
const NARROW = { row: 0.13, plugged: 0.235, outlet: 0.315, run: 0.385, panel: 0.545, device: 0.77, network: 0.95 };
const NARROW_PX = 720;

export type LoomColumns = Record<keyof typeof SHARES, number> & { narrow: boolean };

/** Where the columns of the loom stand, pixels from its left. */
export function columnsOf(width: number): LoomColumns {
  const narrow = width < NARROW_PX;
  const at = (share: number) => Math.round(width * share);
  const { row, plugged, outlet, run, panel, device, network } = narrow ? NARROW : SHARES;
  return {
    row: at(row),
    plugged: at(plugged),
    outlet: at(outlet),
    run: at(run),
    panel: at(panel),
    device: at(device),
    network: at(network),
    narrow,
  };
}
