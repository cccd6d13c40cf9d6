import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { takesPower } from '../power/poe';
import type { Gear } from '../records/gear';
import { portKey } from '../records/portKey';
import { portsOf } from '../records/ports';
import type { Run } from '../records/run';
import { components } from '../solve/components';
import type { SeenPort } from './readWalk';

export type CauseKind = 'exchanged' | 'missing' | 'extra' | 'shifted' | 'slow' | 'no-power' | 'network' | 'unknown';
export type Cause = {
  kind: CauseKind;
  ports: number[];
  /** Labels of the runs that it is about. */
  runs: string[];
  /** So many findings it explains. */
  explains: number;
  words: string;
  mend: string;
};

export type Reconciled = {
  causes: Cause[];
  /** Ports that are as planned, as far as can be told. */
  agree: number;
  /** What cannot be told, in words. */
  untold: string[];
  /**
   * No fewer causes explain what was found: each explains what hangs together, and nothing of another. Not so where a port is
   * down and another is up with nobody known on it: that may be one cord that was moved.
   */
  proven: boolean;
};

/** What the plan wants at a port of a switch. */
export type PlannedPort = { port: number; run: Run | null; uplink: boolean };

/** Ports of a switch with the run that is planned on each. */
export function plannedPorts(job: Job, device: Gear): PlannedPort[] {
  const index = indexJob(job);
  return portsOf(device).map(({ number }) => {
    const key = portKey(device.id, number);
    const cord = index.cordAtSwitchPort.get(key);
    const landing = cord && index.landingAtPort.get(portKey(cord.panelId, cord.panelPort));
    return { port: number, run: (landing && job.runs[landing.runId]) ?? null, uplink: index.uplinkAtPort.has(key) };
  });
}

/**
 * What a switch sees against what is planned on it, explained by the fewest causes. Two cords exchanged are one cause, so is a
 * ring of several, and so is a row of cords that sit one port off.
 * @param runOf which run's device an address belongs to; null: nobody knows
 */
export function reconcile(
  job: Job,
  device: Gear,
  seen: readonly SeenPort[],
  runOf: (address: string) => string | null,
): Reconciled {
  const planned = plannedPorts(job, device);
  const at = new Map(seen.map((one) => [one.port, one]));
  const plannedPort = new Map(planned.flatMap(({ port, run }) => (run ? [[run.id, port] as const] : [])));
  const isUplink = new Set(planned.filter(({ uplink }) => uplink).map(({ port }) => port));
  // A device is where its address was learnt, but for links to other switches: what is behind those is farther away.
  const seenPort = new Map<string, number>();
  for (const { port, addresses } of seen) {
    if (isUplink.has(port)) continue;
    for (const address of addresses) {
      const run = runOf(address);
      if (run !== null) seenPort.set(run, port);
    }
  }
  const label = (runId: string) => job.runs[runId]?.label ?? runId;
  const untold: string[] = [];
  const moved = [...seenPort].filter(([run, port]) => {
    const wanted = plannedPort.get(run);
    return wanted !== undefined && wanted !== port;
  });
  const causes: Cause[] = movedCauses(moved, plannedPort, label);
  const explained = new Set(causes.flatMap(({ ports }) => ports));
  let agree = 0;
  for (const { port, run, uplink } of planned) {
    const one = at.get(port);
    if (!one) {
      if (run || uplink) untold.push(`The switch says nothing of port ${port}.`);
      continue;
    }
    if (uplink) {
      if (one.up === false)
        causes.push({
          kind: 'missing',
          ports: [port],
          runs: [],
          explains: 1,
          words: `The uplink in port ${port} is down.`,
          mend: `Look at the cord in port ${port} and its other end.`,
        });
      else agree += 1;
      continue;
    }
    if (run === null) {
      if (explained.has(port) || !one.up) continue;
      const stranger = one.addresses.flatMap((address) => runOf(address) ?? []);
      causes.push({
        kind: 'extra',
        ports: [port],
        runs: stranger.map(label),
        explains: 1,
        words: `Port ${port} is up, though nothing is planned there${stranger.length > 0 ? `: it is ${stranger.map(label).join(', ')}` : ''}.`,
        mend: `Put into the plan what is in port ${port}, or unplug it.`,
      });
      continue;
    }
    if (explained.has(port)) continue;
    if (one.up === false) {
      causes.push({
        kind: 'missing',
        ports: [port],
        runs: [run.label],
        explains: 1,
        words: `Port ${port} is down; ${run.label}${run.device ? ` (${run.device})` : ''} should be on it.`,
        mend: `Look at the cord of ${run.label} and whether its device is on.`,
      });
      continue;
    }
    const before = causes.length;
    causes.push(...weak(port, run, one, job));
    if (one.addresses.length > 1)
      untold.push(`Port ${port} has learnt ${one.addresses.length} addresses: a small switch is behind it.`);
    else if (one.addresses.length === 0)
      untold.push(`Port ${port} is up and silent: whether ${run.label} is on it cannot be told.`);
    else if (one.addresses.every((address) => runOf(address) === null))
      untold.push(`The address in port ${port} is not known: whether it is ${run.label} cannot be told.`);
    if (causes.length === before) agree += 1;
  }
  return {
    causes: causes.sort((a, b) => b.explains - a.explains || (a.ports[0] ?? 0) - (b.ports[0] ?? 0)),
    agree,
    untold,
    proven: !mayBeFewer(causes),
  };
}

const mayBeFewer = (causes: readonly Cause[]): boolean =>
  causes.some(({ kind, runs }) => kind === 'missing' && runs.length > 0) &&
  causes.some(({ kind, runs }) => kind === 'extra' && runs.length === 0);

/** Cords that sit elsewhere than planned, each group that hangs together as one cause. */
function movedCauses(
  moved: readonly (readonly [runId: string, port: number])[],
  plannedPort: ReadonlyMap<string, number>,
  label: (runId: string) => string,
): Cause[] {
  const ports = [...new Set(moved.flatMap(([run, port]) => [plannedPort.get(run) ?? port, port]))].sort(
    (a, b) => a - b,
  );
  const slot = new Map(ports.map((port, index) => [port, index]));
  const links = moved.map(([run, port]): [number, number] => [
    slot.get(plannedPort.get(run) ?? port) ?? 0,
    slot.get(port) ?? 0,
  ]);
  return components(ports.length, links).map((group): Cause => {
    const inside = group.map((index) => ports[index] ?? 0);
    const runs = moved.filter(([, port]) => inside.includes(port));
    const offsets = new Set(runs.map(([run, port]) => port - (plannedPort.get(run) ?? port)));
    const ring = runs.length === inside.length;
    const names = runs.map(([run]) => label(run));
    const [offset] = offsets;
    if (ring)
      return {
        kind: 'exchanged',
        ports: inside,
        runs: names,
        explains: inside.length,
        words:
          inside.length === 2
            ? `The cords in ports ${inside.join(' and ')} are exchanged: ${names.join(' and ')}.`
            : `The cords in ports ${inside.join(', ')} went round in a ring: ${names.join(', ')}.`,
        mend: 'Put them where they are planned, or take what is seen into the plan.',
      };
    const row = offsets.size === 1 && offset !== undefined;
    return {
      kind: 'shifted',
      ports: inside,
      runs: names,
      explains: inside.length,
      words:
        row && runs.length > 1
          ? `${runs.length} cords sit ${Math.abs(offset)} ${Math.abs(offset) === 1 ? 'port' : 'ports'} ${offset > 0 ? 'too high' : 'too low'}, ports ${inside[0]} to ${inside.at(-1)}.`
          : `${names.join(', ')} sit${names.length === 1 ? 's' : ''} in another port: ${runs.map(([run, port]) => `${label(run)} in ${port} and not in ${plannedPort.get(run)}`).join(', ')}.`,
      mend: 'Put them where they are planned, or take what is seen into the plan.',
    };
  });
}

/** What is up and yet not as it should be. */
function weak(port: number, run: Run, one: SeenPort, job: Job): Cause[] {
  const cause = (kind: CauseKind, words: string, mend: string): Cause => ({
    kind,
    ports: [port],
    runs: [run.label],
    explains: 1,
    words,
    mend,
  });
  const causes: Cause[] = [];
  if (one.mbps !== null && run.speedMbps !== null && one.mbps < run.speedMbps)
    causes.push(
      cause(
        'slow',
        `Port ${port} links at ${one.mbps} Mb/s; ${run.label} wants ${run.speedMbps}.`,
        `Trouble: ${run.label}, slow.`,
      ),
    );
  if (takesPower(run) && one.poe !== null && one.poe !== 'delivering')
    causes.push(
      cause(
        'no-power',
        `Port ${port} gives no power (${one.poe}); ${run.label} takes it.`,
        `Trouble: ${run.label}, no power.`,
      ),
    );
  const wanted = job.networks[run.networkId ?? '']?.number ?? null;
  if (one.network !== null && wanted !== null && one.network !== wanted)
    causes.push(
      cause(
        'network',
        `Port ${port} is in network ${one.network}; ${run.label} belongs to ${wanted}.`,
        `Set port ${port} to network ${wanted}.`,
      ),
    );
  return causes;
}
