import { portLayout } from '../gear/portLayout';
import { isPanel } from '../gear/ports';
import { type JobIndex, portKey } from '../job/jobIndex';
import type { Run } from '../job/records/run';
import { frontWidthMm } from '../rack/space';
import { rackDimensions } from '../standards/rackDimensions';
import { pulling } from '../standards/slack';

export type TailShortfall = { panelName: string; needMm: number; missingMm: number };

/**
 * Whether the free tail of a run reaches a panel: from the entry at the top or bottom of the rack up or down its side,
 * along to the port, and a service loop. Its own port where it is landed, else the nearest port of any panel.
 * @returns null while the tail, the rack or every panel's place is not known
 */
export function tailShortfall({ job, placementOfGear, landingOfRun }: JobIndex, run: Run): TailShortfall | null {
  if (run.tailMm === null) return null;
  const landing = landingOfRun.get(run.id);
  let nearest: TailShortfall | null = null;
  for (const panel of Object.values(job.gear)) {
    if (!isPanel(panel) || (landing && landing.panelId !== panel.id)) continue;
    const place = placementOfGear.get(panel.id);
    const rack = place && job.racks[place.rackId];
    if (!place || !rack) continue;
    const middleU = place.bottomU - 1 + panel.heightU / 2;
    const fromBottom = middleU * rackDimensions.unitMm;
    const height = rack.units * rackDimensions.unitMm;
    const entry = run.entry ?? 'top';
    const alongMm =
      entry === 'bottom' ? fromBottom : entry === 'top' ? height - fromBottom : Math.abs(height / 2 - fromBottom);
    for (const port of portLayout(panel)) {
      if (landing && portKey(panel.id, port.number) !== portKey(landing.panelId, landing.port)) continue;
      const x = port.x + port.width / 2;
      const needMm = Math.round(alongMm + Math.min(x, frontWidthMm(panel) - x) + pulling.serviceLoopMm);
      if (nearest && needMm >= nearest.needMm) continue;
      nearest = { panelName: panel.name, needMm, missingMm: needMm - run.tailMm };
    }
  }
  return nearest;
}
