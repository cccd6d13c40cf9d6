import { always, kept } from '../../../base/memo/kept';
import { DEVICE_WORDS } from '../../../base/text/deviceWords';
import type { JobIndex } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { isLive } from '../../../job/records/run';

/** What people notice when it is gone. */
export type Service = {
  name: string;
  /** Runs at whose ends it is; empty for those of the cabinet itself. */
  runs: readonly { id: string; critical: boolean }[];
  /** Devices of the cabinet that it needs, one of each list; each must be reached from its run. */
  needs: readonly (readonly Gear[])[];
};

const NAMES: readonly (readonly [name: string, word: keyof typeof DEVICE_WORDS])[] = [
  ['Cameras', 'camera'],
  ['Wireless', 'access point'],
  ['Telephones', 'telephone'],
  ['Doors', 'door'],
  ['Computers', 'computer'],
  ['Televisions', 'television'],
  ['Printers', 'printer'],
];

/** Services of a job, by what its devices are called. */
export const servicesOf = kept((index: JobIndex): Service[] => {
  const live = index.runsInOrder.filter((run) => isLive(run) && run.carries === 'ethernet');
  const kinds = (kind: Gear['kind']) => index.gearInOrder.filter((gear) => gear.kind === kind);
  const left = new Set(live);
  const services: Service[] = [];
  const internet = [kinds('modem'), kinds('router')].filter((list) => list.length > 0);
  if (internet.length > 0) services.push({ name: 'Internet', runs: [], needs: internet });
  for (const [name, word] of NAMES) {
    const runs = live.filter((run) => left.has(run) && DEVICE_WORDS[word]?.test(run.device));
    for (const run of runs) left.delete(run);
    if (runs.length > 0) services.push({ name, runs: runs.map(({ id, critical }) => ({ id, critical })), needs: [] });
  }
  const cameras = services.find(({ name }) => name === 'Cameras');
  const recorders = kinds('recorder');
  if (recorders.length > 0) services.push({ name: 'Recording', runs: cameras?.runs ?? [], needs: [recorders] });
  const stores = [...kinds('server'), ...kinds('storage')];
  if (stores.length > 0) services.push({ name: 'Servers and storage', runs: [], needs: stores.map((gear) => [gear]) });
  if (left.size > 0)
    services.push({ name: 'Other devices', runs: [...left].map(({ id, critical }) => ({ id, critical })), needs: [] });
  return services;
}, always);
