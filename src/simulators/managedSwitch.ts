import { refuse } from '../core/base/text/refusal';
import { linksOf } from '../core/job/document/cordKinds';
import type { Job } from '../core/job/document/job';
import type { Gear } from '../core/job/records/gear';
import { portsOf } from '../core/job/records/ports';
import type { Run } from '../core/job/records/run';
import { deviceWattsOf, takesPower } from '../core/trade/power/poe';
import type { TreeColumn, TreeValue } from '../core/trade/testing/switches/managementTree';
import { plannedPorts } from '../core/trade/testing/switches/reconcile';
import { writeWalk } from '../core/trade/testing/switches/writeWalk';

/** What is wrong at a simulated switch. */
export type SwitchFault =
  | { kind: 'exchanged'; ports: readonly number[] }
  | { kind: 'shifted'; from: number; to: number; by: number }
  | { kind: (typeof AT_A_PORT)[number]; port: number };
/** `hub`: a small switch stands behind it. `errors`: it counts frames that do not check. */
const AT_A_PORT = [
  'missing',
  'extra',
  'slow',
  'no-power',
  'network',
  'silent',
  'errors',
  'hub',
  'half-duplex',
] as const;

/** The address that a simulated device has: locally administered, made of its run's id. */
export function simulatedAddress(runId: string): string {
  let mixed = 0x811c9dc5;
  let more = 0x01234567;
  for (let at = 0; at < runId.length; at++) {
    mixed = Math.imul(mixed ^ runId.charCodeAt(at), 0x01000193) >>> 0;
    more = Math.imul(more ^ runId.charCodeAt(at), 0x85ebca6b) >>> 0;
  }
  const octets = [0x02, more & 0xff, mixed >>> 24, (mixed >>> 16) & 0xff, (mixed >>> 8) & 0xff, mixed & 0xff];
  return octets.map((octet) => octet.toString(16).padStart(2, '0')).join(':');
}

/** `exchanged 3 7`, `shifted 1-12 +1`, `missing 5`, `extra 9`, `slow 4`, `no-power 6`, `network 8`, `silent 10`, `errors 2`, `hub 11`, `half-duplex 1`. @throws Refusal */
export function readSwitchFault(text: string): SwitchFault {
  const [kind = '', ...rest] = text.trim().split(/[\s,]+/);
  if (kind === 'exchanged' && rest.length >= 2 && rest.every((one) => /^\d+$/.test(one)))
    return { kind, ports: rest.map(Number) };
  const row = /^(\d+)-(\d+)$/.exec(rest[0] ?? '');
  if (kind === 'shifted' && row && /^[+-]?\d+$/.test(rest[1] ?? ''))
    return { kind, from: Number(row[1]), to: Number(row[2]), by: Number(rest[1]) };
  const single = AT_A_PORT.find((one) => one === kind);
  if (single && /^\d+$/.test(rest[0] ?? '') && rest.length === 1) return { kind: single, port: Number(rest[0]) };
  return refuse(
    'fault',
    `--fault: expected exchanged 3 7, shifted 1-12 +1, or one of ${AT_A_PORT.join(', ')} with a port; found “${text}”.`,
  );
}

/** What a simulated switch answers: everything of the standard modules that is read of one. It is not a real one. */
export function simulatedValues(job: Job, device: Gear, faults: readonly SwitchFault[]): TreeValue[] {
  const planned = plannedPorts(job, device);
  const at = afterFaults(new Map(planned.map(({ port, run }) => [port, run])), faults);
  const has = (kind: SwitchFault['kind'], port: number) =>
    faults.some((one) => one.kind === kind && 'port' in one && one.port === port);
  const values: TreeValue[] = [];
  const say = (column: TreeColumn, index: readonly number[], type: TreeValue['type'], value: string | number) =>
    values.push({ column, index, type, value: String(value) });
  const speeds = new Map(portsOf(device).map(({ number, speedMbps }) => [number, speedMbps ?? 1000]));
  const octetsOf = (address: string) => address.split(':').map((octet) => Number.parseInt(octet, 16));
  const others = new Map(
    Object.values(linksOf(job)).flatMap(({ fromId, fromPort, toId, toPort }) =>
      fromId === device.id
        ? [[fromPort, job.gear[toId]] as const]
        : toId === device.id
          ? [[toPort, job.gear[fromId]] as const]
          : [],
    ),
  );
  let drawnW = 0;
  for (const { port, uplink } of planned) {
    const run = at.get(port) ?? null;
    const up = (uplink && !has('missing', port)) || run !== null || has('extra', port);
    const most = speeds.get(port) ?? 1000;
    const speed = up ? (has('slow', port) ? 100 : Math.min(most, Math.max(1000, run?.speedMbps ?? 1000))) : 0;
    say('operStatus', [port], 'INTEGER', up ? 1 : 2);
    say('name', [port], 'STRING', `port ${port}`);
    say('highSpeed', [port], 'Gauge32', speed);
    say('fcsErrors', [port], 'Counter32', has('errors', port) ? 48_211 : 0);
    say('duplex', [port], 'INTEGER', up ? (has('half-duplex', port) ? 2 : 3) : 1);
    say('basePort', [port], 'INTEGER', port);
    const network = job.networks[run?.networkId ?? '']?.number ?? null;
    if (network !== null) say('network', [port], 'Gauge32', has('network', port) ? network + 1 : network);
    if (device.poeBudgetW > 0) {
      const wants = run !== null && takesPower(run);
      const gives = wants && !has('no-power', port);
      if (gives) drawnW += deviceWattsOf(run);
      say('poeState', [1, port], 'INTEGER', wants ? (gives ? 3 : 4) : 2);
      if (gives && run.poeClass !== null) say('poeClass', [1, port], 'INTEGER', run.poeClass + 1);
    }
    if (run && !has('silent', port)) say('learnt', octetsOf(simulatedAddress(run.id)), 'INTEGER', port);
    if (has('hub', port))
      for (const one of [1, 2])
        say('learnt', octetsOf(simulatedAddress(`${device.id} ${port} ${one}`)), 'INTEGER', port);
    const other = others.get(port);
    if (up && other) say('neighbour', [0, port, 1], 'STRING', other.name);
  }
  if (device.poeBudgetW > 0) {
    say('poeBudgetW', [1], 'Gauge32', Math.round(device.poeBudgetW));
    say('poeDrawnW', [1], 'Gauge32', Math.round(drawnW));
  }
  return values;
}

/** Runs by port, as cords that are in the wrong place leave them. */
function afterFaults(
  planned: ReadonlyMap<number, Run | null>,
  faults: readonly SwitchFault[],
): ReadonlyMap<number, Run | null> {
  const at = new Map(planned);
  for (const fault of faults) {
    if (fault.kind === 'exchanged') {
      const runs = fault.ports.map((port) => at.get(port) ?? null);
      fault.ports.forEach((_, slot) => {
        at.set(fault.ports[(slot + 1) % fault.ports.length] ?? 0, runs[slot] ?? null);
      });
    } else if (fault.kind === 'shifted') {
      const row = Array.from({ length: fault.to - fault.from + 1 }, (_, slot) => fault.from + slot);
      const runs = row.map((port) => at.get(port) ?? null);
      for (const port of row) at.set(port, null);
      row.forEach((port, slot) => {
        at.set(port + fault.by, runs[slot] ?? null);
      });
    } else if (fault.kind === 'missing') at.set(fault.port, null);
  }
  return at;
}

/** The same as a walk over it would print. */
export const simulatedWalk = (job: Job, device: Gear, faults: readonly SwitchFault[]): string =>
  writeWalk(simulatedValues(job, device, faults));
