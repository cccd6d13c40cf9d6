import { formatLength } from '../../base/units/length';
import type { PatchCord } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { shortPort } from '../../job/gear/shortNames';
import type { Gear } from '../../job/records/gear';
import type { Landing } from '../../job/records/landing';
import type { Network } from '../../job/records/network';
import { portKey } from '../../job/records/portKey';
import { portAt } from '../../job/records/ports';
import { isLive, type Run } from '../../job/records/run';
import type { StationId } from '../../job/records/stationIds';
import { cordColour } from '../patching/cordList';
import { cordLengthMm } from '../patching/cords/cordLength';
import { poeClassOf } from '../power/poe';
import { runLength } from '../runs/routeLength';

export type RunState = 'wanted' | 'landed' | 'patched' | 'spare';

/** The path of one run from end to end, as far as it goes. */
export type Trace = {
  run: Run;
  landing: Landing | null;
  panel: Gear | null;
  cord: PatchCord | null;
  cordMm: number | null;
  device: Gear | null;
  network: Network | null;
  state: RunState;
};

/** Follow a run from its outlet to its network. */
export function traceRun(job: Job, run: Run): Trace {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(run.id) ?? null;
  const cord = landing ? (index.cordAtPanelPort.get(portKey(landing.panelId, landing.port)) ?? null) : null;
  return {
    run,
    landing,
    panel: landing ? (job.gear[landing.panelId] ?? null) : null,
    cord,
    cordMm: cord ? cordLengthMm(job, cord) : null,
    device: cord ? (job.gear[cord.switchId] ?? null) : null,
    network: run.networkId === null ? null : (job.networks[run.networkId] ?? null),
    state: !landing ? 'wanted' : cord ? 'patched' : isLive(run) ? 'landed' : 'spare',
  };
}

/** `class 4 · 30 W`, or null when the device takes no power over its cable. */
export function powerWords(run: Run): string | null {
  const row = poeClassOf(run);
  if (row === null) return null;
  return row === 'beyond' ? `${run.poeW} W, beyond every class` : `PoE class ${row.class} · ${row.pseW} W`;
}

/** `short` says the same in a few letters, where there is little room. */
export type TracePart = { kind: string; words: string; short?: string; missing: boolean; station: StationId };

/** The parts of the trace strip in order. Each says where it can be changed. */
export function traceParts(job: Job, trace: Trace): TracePart[] {
  const { run, landing, panel, cord, cordMm, device, network } = trace;
  const place = [run.floor, run.room, run.outlet].filter(Boolean).join(', ');
  const { units } = job;
  const known = runLength(job, run);
  const length = known ? `${known.from === 'route' ? 'about ' : ''}${formatLength(known.mm, units)}` : 'length unknown';
  const part = (kind: string, station: StationId, words: string | null, otherwise: string): TracePart => ({
    kind,
    station,
    words: words || otherwise,
    missing: !words,
  });
  const speed = device && cord ? portAt(device, cord.switchPort) : null;
  const cordWords =
    cord && `${cordMm === null ? 'cord length unknown' : formatLength(cordMm, units)} ${cordColour(job, cord)}`.trim();
  return [
    part('Outlet', 'runs', place, 'no outlet'),
    part('Run', 'runs', [run.label, run.cable, length].filter(Boolean).join(' · '), 'no label'),
    part('Device', 'runs', run.device, 'spare'),
    {
      ...part('Panel port', 'land', panel && landing && `${panel.name} · ${landing.port}`, 'not landed'),
      ...(panel && landing ? { short: shortPort(job, panel.id, landing.port) } : {}),
    },
    part('Cord', 'patch', cordWords, 'no cord'),
    {
      ...part('Switch port', 'patch', device && cord && speed && `${device.name} · ${cord.switchPort}`, 'not patched'),
      ...(device && cord && speed ? { short: shortPort(job, device.id, cord.switchPort) } : {}),
    },
    part('Network', 'runs', network?.name ?? null, 'no network'),
    part('Power', 'patch', powerWords(run), 'no power needed'),
  ];
}
