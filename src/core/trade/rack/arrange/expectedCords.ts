import { patchCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { isPanel, isSwitching, portsOf } from '../../../job/records/ports';

export type CordsBetween = { a: string; b: string; cords: number };

/** Devices that hang on a switch by cords of their own. */
const CLIENTS: ReadonlySet<Gear['kind']> = new Set(['server', 'storage', 'recorder', 'computer', 'modem']);
/** Cords that such a device usually has, when none are planned. Common practice, no source. */
const UPLINK_CORDS = 2;
/** Share of a panel's ports that will be patched, while nothing is landed. Common practice, no source. */
const LIVE_SHARE = 0.7;

const copper = (gear: Gear) =>
  portsOf(gear).filter((port) => port.connector === 'rj45' && port.use === 'access').length;

/**
 * How many cords will run between each two devices: the ones planned, and for ports that are not patched yet a share
 * to each switch by its ports.
 */
export function expectedCords(job: Job, gear: readonly Gear[]): CordsBetween[] {
  const index = indexJob(job);
  const here = new Set(gear.map((one) => one.id));
  const counts = new Map<string, CordsBetween>();
  const add = (a: string, b: string, cords: number) => {
    if (!here.has(a) || !here.has(b) || a === b || cords <= 0) return;
    const key = [a, b].sort().join(' ');
    const known = counts.get(key);
    if (known) known.cords += cords;
    else counts.set(key, { a, b, cords });
  };
  const patched = new Map<string, number>();
  for (const cord of Object.values(patchCordsOf(job))) {
    add(cord.panelId, cord.switchId, 1);
    patched.set(cord.panelId, (patched.get(cord.panelId) ?? 0) + 1);
  }
  const landed = new Map<string, number>();
  for (const landing of index.landingOfRun.values()) {
    if (job.runs[landing.runId]?.device) landed.set(landing.panelId, (landed.get(landing.panelId) ?? 0) + 1);
  }
  const switches = gear.filter((one) => one.kind === 'switch' && copper(one) > 0);
  const ports = switches.reduce((sum, one) => sum + copper(one), 0);
  for (const panel of gear.filter(isPanel)) {
    const wanted = landed.get(panel.id) ?? Math.round(portsOf(panel).length * LIVE_SHARE);
    const open = Math.max(0, wanted - (patched.get(panel.id) ?? 0));
    for (const one of switches) add(panel.id, one.id, ports > 0 ? (open * copper(one)) / ports : 0);
  }
  // Uplinks: everything that is not a panel hangs on the switch with most fast ports.
  const fast = (one: Gear) => portsOf(one).filter((port) => (port.speedMbps ?? 0) >= 10_000).length;
  const core = gear.filter(isSwitching).sort((a, b) => fast(b) - fast(a) || copper(b) - copper(a))[0];
  if (core) {
    for (const one of gear) if (isSwitching(one) || CLIENTS.has(one.kind)) add(one.id, core.id, UPLINK_CORDS);
  }
  return [...counts.values()].map((row) => ({ ...row, cords: Math.round(row.cords * 10) / 10 }));
}
