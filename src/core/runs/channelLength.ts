import { type JobIndex, portKey } from '../job/jobIndex';
import type { Run } from '../job/records/run';
import { cordLengthMm } from '../patching/cordLength';
import { copperLengths } from '../standards/copperLengths';

/**
 * Length of the whole channel, millimetres: fixed cable, the cord in the cabinet as planned, and a work-area cord of
 * 5 m, which TIA-568.1 allows for. Null while the fixed length is not known.
 */
export function channelLengthMm(index: JobIndex, run: Run): number | null {
  if (run.lengthMm === null) return null;
  const landing = index.landingOfRun.get(run.id);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  return run.lengthMm + (cord ? (cordLengthMm(index.job, cord) ?? 0) : 0) + copperLengths.workAreaCordMm;
}
