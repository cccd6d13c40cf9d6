import { frontWidthMm } from '../gear/body';
import { portLayout } from '../gear/portLayout';
import type { Job } from '../job/job';
import type { JobIndex } from '../job/jobIndex';
import type { Gear } from '../records/gear';
import type { ENTRY_SIDES } from '../records/run';
import { figureOf } from '../site/answers';
import { rackDimensions } from '../standards/rackDimensions';

export type EntrySide = (typeof ENTRY_SIDES)[number];

/**
 * Way of a cable from where it enters the rack to a panel port, without loop: up or down the side, then along the
 * strain-relief bar to the port. Common practice, no source. Millimetres.
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
  const width = frontWidthMm(panel);
  return new Map(
    portLayout(panel).map((port) => {
      const x = port.x + port.width / 2;
      const fromSide = entry === 'left' ? x : entry === 'right' ? width - x : Math.min(x, width - x);
      return [port.number, Math.round(alongMm + fromSide)];
    }),
  );
}

/** Loop that every tail keeps beyond its port, millimetres. */
export const loopMm = (job: Job): number => figureOf(job, 'land-loop');
