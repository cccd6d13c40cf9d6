import type { Job } from '../job/job';
import { takesPower } from '../power/poe';
import type { Run } from '../records/run';
import type { SeenPort } from './readWalk';

type Weakness = { kind: 'slow' | 'no-power' | 'network' | 'unknown'; words: string; mend: string };

/** What of a run is up and yet not as it should be. */
export function weakPort(job: Job, run: Run, seen: SeenPort, port: string): Weakness[] {
  const found: Weakness[] = [];
  if (seen.mbps !== null && run.speedMbps !== null && seen.mbps < run.speedMbps)
    found.push({
      kind: 'slow',
      words: `Port ${port} links at ${seen.mbps} Mb/s; ${run.label} wants ${run.speedMbps}.`,
      mend: `Trouble: ${run.label}, slow.`,
    });
  else if (seen.halfDuplex === true)
    found.push({
      kind: 'slow',
      words: `Port ${port} links at half duplex.`,
      mend: `Set the port and ${run.device || 'the device'} of ${run.label} both to find the speed themselves. Trouble: half duplex.`,
    });
  if (takesPower(run) && seen.poe !== null && seen.poe !== 'delivering')
    found.push({
      kind: 'no-power',
      words: `Port ${port} gives no power (${seen.poe}); ${run.label} takes it.`,
      mend: `Trouble: ${run.label}, no power.`,
    });
  const wanted = job.networks[run.networkId ?? '']?.number ?? null;
  if (seen.network !== null && wanted !== null && seen.network !== wanted)
    found.push({
      kind: 'network',
      words: `Port ${port} is in network ${seen.network}; ${run.label} belongs to ${wanted}.`,
      mend: `Set port ${port} to network ${wanted}.`,
    });
  if (seen.fcsErrors !== null && seen.fcsErrors > 0)
    found.push({
      kind: 'unknown',
      words: `Port ${port} has counted ${seen.fcsErrors} broken frames since it was started.`,
      mend: `A sound short link shows none. Trouble: ${run.label}, errors; or read it again later and see whether it grows.`,
    });
  return found;
}
