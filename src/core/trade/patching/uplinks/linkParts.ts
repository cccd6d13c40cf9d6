import { FIBRES } from '../../../base/standards/links';
import { naturalOrder } from '../../../base/text/naturalOrder';
import type { Job } from '../../../job/document/job';
import { isCage } from '../../../job/records/ports';
import { runLength } from '../../runs/routeLength';
import { patchedRuns } from '../patchedRuns';
import { COPPER_MODULE, type LinkPart, listUplinks, moduleFor, moduleWords } from './uplinkFacts';

/**
 * What uplinks and runs in cages take beside patch cords: modules, direct-attach cables and fibre cords, each with its
 * count. A run on fibre takes a module here and one at its far end.
 */
export function linkParts(job: Job): LinkPart[] {
  const counts = new Map<string, number>();
  const need = (what: string, count: number) => counts.set(what, (counts.get(what) ?? 0) + count);
  for (const { parts } of listUplinks(job)) for (const { what, count } of parts) need(what, count);
  for (const { run, port } of patchedRuns(job)) {
    if (!isCage(port)) continue;
    if (run.carries === 'ethernet') need(COPPER_MODULE, 1);
    if (run.carries !== 'fibre') continue;
    const fibre = FIBRES.find((one) => run.cable.toUpperCase().includes(one));
    const speedMbps = Math.min(run.speedMbps ?? port.speedMbps ?? 0, port.speedMbps ?? 0);
    const { module } = fibre ? moduleFor(speedMbps, runLength(job, run)?.mm ?? 0, fibre) : { module: undefined };
    need(module ? moduleWords(module.name) : 'fibre module, not known which', 2);
  }
  return [...counts].map(([what, count]) => ({ what, count })).sort((a, b) => naturalOrder(a.what, b.what));
}
