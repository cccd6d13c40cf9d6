import type { Job } from '../core/job/job';
import { takesPower } from '../core/power/poe';
import type { Gear } from '../core/records/gear';
import { portsOf } from '../core/records/ports';
import { TREE } from '../core/switching/managementTree';
import { plannedPorts } from '../core/switching/reconcile';
import { refuse } from '../core/text/refusal';

/** What is wrong at a simulated switch. */
export type SwitchFault =
  | { kind: 'exchanged'; ports: readonly number[] }
  | { kind: 'shifted'; from: number; to: number; by: number }
  | { kind: 'missing' | 'extra' | 'slow' | 'no-power' | 'network' | 'silent'; port: number };

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

/** `exchanged 3 7`, `shifted 1-12 +1`, `missing 5`, `extra 9`, `slow 4`, `no-power 6`, `network 8`, `silent 10`. @throws Refusal */
export function readSwitchFault(text: string): SwitchFault {
  const [kind = '', ...rest] = text.trim().split(/[\s,]+/);
  if (kind === 'exchanged' && rest.length >= 2 && rest.every((one) => /^\d+$/.test(one)))
    return { kind, ports: rest.map(Number) };
  const row = /^(\d+)-(\d+)$/.exec(rest[0] ?? '');
  if (kind === 'shifted' && row && /^[+-]?\d+$/.test(rest[1] ?? ''))
    return { kind, from: Number(row[1]), to: Number(row[2]), by: Number(rest[1]) };
  const single = (['missing', 'extra', 'slow', 'no-power', 'network', 'silent'] as const).find((one) => one === kind);
  if (single && /^\d+$/.test(rest[0] ?? '') && rest.length === 1) return { kind: single, port: Number(rest[0]) };
  return refuse(
    'fault',
    `--fault: expected exchanged 3 7, shifted 1-12 +1, or missing, extra, slow, no-power, network or silent with a port; found “${text}”.`,
  );
}

/** What a simulated switch would answer to a walk over the standard modules, as text with numbers. It is not a real one. */
export function simulatedWalk(job: Job, device: Gear, faults: readonly SwitchFault[]): string {
  const planned = plannedPorts(job, device);
  const at = new Map(planned.map(({ port, run }) => [port, run]));
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
  const has = (kind: SwitchFault['kind'], port: number) =>
    faults.some((one) => one.kind === kind && 'port' in one && one.port === port);
  const lines: string[] = [];
  const say = (oid: string, value: string) => lines.push(`.${oid} = ${value}`);
  const speeds = new Map(portsOf(device).map(({ number, speedMbps }) => [number, speedMbps ?? 1000]));
  for (const { port, uplink } of planned) {
    const run = at.get(port) ?? null;
    const up = uplink || run !== null || has('extra', port);
    const most = speeds.get(port) ?? 1000;
    const speed = up ? (has('slow', port) ? 100 : Math.min(most, Math.max(1000, run?.speedMbps ?? 1000))) : 0;
    say(`${TREE.operStatus}.${port}`, `INTEGER: ${up ? 'up(1)' : 'down(2)'}`);
    say(`${TREE.name}.${port}`, `STRING: "port ${port}"`);
    say(`${TREE.highSpeed}.${port}`, `Gauge32: ${speed}`);
    say(`${TREE.basePort}.${port}`, `INTEGER: ${port}`);
    say(`${TREE.duplex}.${port}`, `INTEGER: ${up ? 3 : 1}`);
    const network = job.networks[run?.networkId ?? '']?.number ?? null;
    if (network !== null) say(`${TREE.network}.${port}`, `Gauge32: ${has('network', port) ? network + 1 : network}`);
    if (device.poeBudgetW > 0)
      say(`${TREE.poeState}.1.${port}`, `INTEGER: ${run && takesPower(run) ? (has('no-power', port) ? 4 : 3) : 2}`);
    if (run && !has('silent', port)) {
      const octets = simulatedAddress(run.id)
        .split(':')
        .map((octet) => Number.parseInt(octet, 16));
      say(`${TREE.learnt}.${octets.join('.')}`, `INTEGER: ${port}`);
    }
  }
  return `${lines.join('\n')}\n`;
}
