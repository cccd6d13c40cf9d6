import { rackDimensions } from '../../base/standards/rackDimensions';
import type { Job } from '../../job/document/job';
import type { JobIndex } from '../../job/document/jobIndex';
import { frontWidthMm } from '../../job/gear/body';
import { portLayout } from '../../job/gear/portLayout';
import type { Gear } from '../../job/records/gear';
import type { ENTRY_SIDES } from '../../job/records/run';
import { figureOf } from '../survey/answers/answers';

export type EntrySide = (typeof ENTRY_SIDES)[number];

/**
 * Way of a cable from where it enters the rack to a panel port, without loop: to the nearer side, up or down it, from the
 * depth of the entry to that of the panel's back, and along the strain-relief bar to the port. An entry whose place is not
 * known is taken at the back, in the middle. Common practice, no source. Millimetres.
 * @returns by port number; null while the panel has no place in a rack
 */
export function tailPaths(
  { job, placementOfGear }: JobIndex,
  panel: Gear,
  entry: EntrySide,
): Map<number, number> | null {
  const place = placementOfGear.get(panel.id);
  const rack = place && job.racks[place.rackId];
  if (!place || !rack) return null;
  const fromBottom = (place.bottomU - 1 + panel.heightU / 2) * rackDimensions.unitMm;
  const height = rack.units * rackDimensions.unitMm;
  const alongMm =
    entry === 'bottom' ? fromBottom : entry === 'top' ? height - fromBottom : Math.abs(height / 2 - fromBottom);
  const depthMm = Math.abs((rack.entryDepthMm ?? rack.depthMm) - panel.depthMm);
  const width = frontWidthMm(panel);
  const enters = entry === 'left' ? 0 : entry === 'right' ? width : Math.min(width, rack.entryAcrossMm ?? width / 2);
  return new Map(
    portLayout(panel).map((port) => {
      const x = port.x + port.width / 2;
      const acrossMm = Math.min(enters + x, 2 * width - enters - x);
      return [port.number, Math.round(alongMm + depthMm + acrossMm)];
    }),
  );
}

/** Loop that every tail keeps beyond its port, millimetres. */
export const loopMm = (job: Job): number => figureOf(job, 'land-loop');
