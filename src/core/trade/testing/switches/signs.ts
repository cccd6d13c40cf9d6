import { formatSpeed } from '../../../base/text/speed';
import type { Job } from '../../../job/document/job';
import type { Run } from '../../../job/records/run';
import { poeClassOf, poeUnknown, takesPower } from '../../power/poe';
import type { SeenPort } from './readWalk';

/** What of a port does not fit the run that is thought to be on it. */
export type SignKind = 'slow' | 'fast' | 'no-power' | 'power' | 'class' | 'network';
export type Misfit = { kind: SignKind; words: string };

/** Links of a device that needs less come up at this speed all the same, Mb/s. */
const USUAL_MBPS = 1000;

/**
 * What a port that is up shows and the run planned on it does not explain: a link that is slower or faster than its device,
 * power that is missing or that nothing there draws, power of another class, another network.
 * @param port as it is called in words
 */
export function misfits(job: Job, run: Run, seen: SeenPort, port: string): Misfit[] {
  const found: Misfit[] = [];
  const { mbps, poe, poeClass, network } = seen;
  if (mbps !== null && run.speedMbps !== null) {
    if (mbps < run.speedMbps)
      found.push({
        kind: 'slow',
        words: `Port ${port} links at ${formatSpeed(mbps)}; ${run.label} needs ${formatSpeed(run.speedMbps)}.`,
      });
    else if (mbps > Math.max(run.speedMbps, USUAL_MBPS))
      found.push({
        kind: 'fast',
        words: `Port ${port} links at ${formatSpeed(mbps)}, faster than ${run.label} (${formatSpeed(run.speedMbps)}) is planned for.`,
      });
  }
  const powered = takesPower(run);
  if (powered && !poeUnknown(run) && poe !== null && poe !== 'delivering')
    found.push({ kind: 'no-power', words: `Port ${port} supplies no power (${poe}); ${run.label} needs it.` });
  if (!powered && poe === 'delivering')
    found.push({ kind: 'power', words: `Port ${port} supplies power; ${run.label} needs none.` });
  const planned = run.poeClass ?? null;
  const row = poeClassOf(run);
  if (poe === 'delivering' && poeClass !== null && planned !== null && powered) {
    if (poeClass !== planned)
      found.push({
        kind: 'class',
        words: `Port ${port} supplies a device of power class ${poeClass}; ${run.label} is class ${planned}.`,
      });
  } else if (poe === 'delivering' && poeClass !== null && row !== null && row !== 'beyond' && (run.poeW ?? 0) > 0) {
    // A device of no stated class may state any that covers its watts; a smaller one cannot be it.
    const least = (run.poeW ?? 0) > 25.5 ? 5 : (run.poeW ?? 0) > 12.95 ? 4 : 0;
    if (poeClass !== 0 && poeClass < least)
      found.push({
        kind: 'class',
        words: `Port ${port} supplies a device of power class ${poeClass}; ${run.label} draws ${run.poeW} W.`,
      });
  }
  const wanted = job.networks[run.networkId ?? '']?.number ?? null;
  if (network !== null && wanted !== null && network !== wanted)
    found.push({ kind: 'network', words: `Port ${port} is in network ${network}; ${run.label} belongs to ${wanted}.` });
  return found;
}

/** Misfits that have one usual cause of their own; of the others only another device is one. */
export const HAS_CAUSE: ReadonlySet<SignKind> = new Set(['slow', 'no-power', 'network']);
