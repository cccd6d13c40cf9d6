import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portKey } from '../../job/records/portKey';
import type { Run } from '../../job/records/run';
import { cordLengthMm } from '../patching/cords/cordLength';
import { figureOf } from '../survey/answers/answers';
import { runLengthMm } from './routeLength';

/** Parts of a channel, mm: fixed cable, and its cords in the cabinet and at the outlet. */
export type Channel = { fixedMm: number; cordsMm: number };

/** The channel of a run: its cord in the cabinet as planned, and as much cord at the outlet as the job says. Null while the fixed length is not known. */
export function channelOf(job: Job, run: Run): Channel | null {
  const index = indexJob(job);
  const fixedMm = runLengthMm(job, run);
  if (fixedMm === null) return null;
  const landing = index.landingOfRun.get(run.id);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const cabinetMm = cord ? (cordLengthMm(job, cord) ?? 0) : 0;
  return { fixedMm, cordsMm: cabinetMm + figureOf(job, 'outlet-cord') };
}

/** Length of the whole channel, mm; null while the fixed length is not known. */
export function channelLengthMm(job: Job, run: Run): number | null {
  const channel = channelOf(job, run);
  return channel && channel.fixedMm + channel.cordsMm;
}
