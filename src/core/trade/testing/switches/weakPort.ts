import type { Job } from '../../../job/document/job';
import type { Run } from '../../../job/records/run';
import type { SeenPort } from './readWalk';
import { HAS_CAUSE, misfits } from './signs';

type Weakness = { kind: 'slow' | 'no-power' | 'network' | 'unknown'; words: string; mend: string };

/** What of a run is up and yet not as it should be, and what no fault of it explains. */
export function weakPort(
  job: Job,
  run: Run,
  seen: SeenPort,
  port: string,
): { causes: Weakness[]; unexplained: string[] } {
  const causes: Weakness[] = [];
  const unexplained: string[] = [];
  const wanted = job.networks[run.networkId ?? '']?.number ?? null;
  const mends = {
    slow: `Troubleshoot ${run.label}: slow link.`,
    'no-power': `Troubleshoot ${run.label}: no power.`,
    network: `Set port ${port} to network ${wanted}.`,
  } as const;
  for (const { kind, words } of misfits(job, run, seen, port)) {
    if (HAS_CAUSE.has(kind)) {
      const own = kind as keyof typeof mends;
      causes.push({ kind: own, words, mend: mends[own] });
    } else unexplained.push(words);
  }
  if (seen.halfDuplex === true && !causes.some(({ kind }) => kind === 'slow'))
    causes.push({
      kind: 'slow',
      words: `Port ${port} links at half duplex.`,
      mend: `Set the port and ${run.device || 'the device'} of ${run.label} both to negotiate. Troubleshoot: half duplex.`,
    });
  if (seen.fcsErrors !== null && seen.fcsErrors > 0)
    causes.push({
      kind: 'unknown',
      words: `Port ${port} has counted ${seen.fcsErrors} broken frames since it was started.`,
      mend: `A sound short link shows none. Troubleshoot ${run.label}: errors; or read it again later and see whether it grows.`,
    });
  return { causes, unexplained };
}
