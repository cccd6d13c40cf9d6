import { naturalOrder } from '../../../base/text/naturalOrder';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { gearShortNames } from '../../../job/gear/shortNames';
import type { Gear } from '../../../job/records/gear';
import type { Network } from '../../../job/records/network';
import { portKey } from '../../../job/records/portKey';
import { isSwitching, type Port, portsOf } from '../../../job/records/ports';
import type { Run } from '../../../job/records/run';
import { allowedNetworks } from '../networks/allowed';
import { runBehind } from '../switchLoad';
import { bundledWith } from './linkBundles';

export type PlannedPort = {
  gear: Gear;
  port: Port;
  use: 'access' | 'uplink' | 'internet' | 'free';
  run: Run | null;
  /** What hangs on it, in words that fit a port description. */
  description: string;
  /** The network of plain devices on it. */
  untagged: Network | null;
  tagged: Network[];
  /** Set by hand, instead of what is plugged in. */
  byHand: boolean;
};

/**
 * What each port of a switching device is to be set to: access to one network, or several. What was set by hand stands
 * before what is plugged in; an uplink carries every network that the switch may carry.
 */
export function portPlan(job: Job, gear: Gear): PlannedPort[] {
  const index = indexJob(job);
  const allowed = allowedNetworks(job).get(gear.id);
  const networks = Object.values(job.networks)
    .filter((network) => !allowed || allowed.has(network.id))
    .sort((a, b) => (a.number ?? 9999) - (b.number ?? 9999) || naturalOrder(a.name, b.name));
  const rows = Object.values(job.portNetworks).filter((row) => row.gearId === gear.id);
  return portsOf(gear).map((port): PlannedPort => {
    const cord = index.cordAtSwitchPort.get(portKey(gear.id, port.number));
    const run = cord ? runBehind(job, cord) : null;
    const far = farEnd(job, gear.id, port.number);
    const set = rows.filter((row) => row.port === port.number);
    const named = (tagged: boolean) =>
      set
        .flatMap((row) => (row.tagged === tagged ? [job.networks[row.networkId]] : []))
        .filter((one) => one !== undefined);
    const other = farGear(job, gear.id, port.number);
    const use =
      port.use === 'internet' ? 'internet' : other && isSwitching(other) ? 'uplink' : run || other ? 'access' : 'free';
    const own = run?.networkId ? (job.networks[run.networkId] ?? null) : null;
    return {
      gear,
      port,
      use,
      run,
      description:
        far !== undefined
          ? `to ${far.words}${bundleWords(bundledWith(job, gear.id, port.number))}`
          : run
            ? [run.label, run.room, run.outlet, run.device].filter(Boolean).join(' ')
            : use === 'internet'
              ? 'internet'
              : '',
      untagged: set.length > 0 ? (named(false)[0] ?? null) : own,
      tagged: set.length > 0 ? named(true) : use === 'uplink' ? networks : [],
      byHand: set.length > 0,
    };
  });
}

const bundleWords = (ports: number[]): string => (ports.length > 0 ? `, bundled with ${ports.join(', ')}` : '');

/** The device at the other end of the link in a port. */
function farGear(job: Job, gearId: string, port: number): Gear | undefined {
  const row = indexJob(job).uplinkAtPort.get(portKey(gearId, port));
  return row && job.gear[row.fromId === gearId && row.fromPort === port ? row.toId : row.fromId];
}

/** What lies at the other end of the link in a port. @returns `Gateway 6`, and `R1 6` where there is little room */
export function farEnd(job: Job, gearId: string, port: number): { words: string; short: string } | undefined {
  const { uplinkAtPort } = indexJob(job);
  const row = uplinkAtPort.get(portKey(gearId, port));
  if (!row) return undefined;
  const here = row.fromId === gearId && row.fromPort === port;
  const [id, farPort] = here ? [row.toId, row.toPort] : [row.fromId, row.fromPort];
  const name = job.gear[id]?.name ?? '';
  return { words: `${name} ${farPort}`, short: `${gearShortNames(job).get(id) || name} ${farPort}` };
}

/** Every switching device of the job, from the top of the rack down. */
export const switchingGear = (job: Job): Gear[] =>
  indexJob(job).gearInOrder.filter((gear) => gear.kind === 'switch' || gear.kind === 'router');

const numbered = (network: Network): string => String(network.number ?? network.name);

/** `access 20`, `several: 10, 20, 30`, `several: 20, 30, plain devices in 10`. */
export function portSetting({ untagged, tagged, use }: PlannedPort): string {
  if (use === 'internet') return 'internet';
  if (tagged.length > 0) {
    const plain = untagged ? `, plain devices in ${numbered(untagged)}` : '';
    return `several: ${tagged.map(numbered).join(', ')}${plain}`;
  }
  if (untagged) return `access ${numbered(untagged)}`;
  return use === 'free' ? 'off' : 'access, no network set';
}
