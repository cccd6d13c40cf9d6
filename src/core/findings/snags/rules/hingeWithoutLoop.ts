import { commonPractice } from '../../../base/standards/source';
import { formatSize } from '../../../base/units/length';
import { portKey } from '../../../job/records/portKey';
import { figureOf } from '../../../trade/survey/answers/answers';
import type { SnagRule } from '../snag';

export const hingeWithoutLoop: SnagRule = {
  id: 'hinge-without-loop',
  why: 'A cabinet that swings out takes its cables with it: without a loop at the hinge they are pulled off their jacks.',
  source: commonPractice,
  stations: ['land'],
  reads: { racks: true, gear: true, placements: true, landings: true, answers: true, units: true },
  find: ({ job, placementOfGear }) =>
    Object.values(job.racks).flatMap((rack) => {
      const loopMm = figureOf(job, 'land-loop');
      // The way of the cables grows by the depth when the body swings through a quarter turn.
      if (rack.hinge === 'none' || loopMm >= rack.depthMm) return [];
      const landed = new Set(
        Object.values(job.landings)
          .filter((row) => placementOfGear.get(row.panelId)?.rackId === rack.id)
          .map((row) => portKey(row.panelId, row.port)),
      );
      if (landed.size === 0) return [];
      const what = `${rack.name} swings out on its hinge and is ${formatSize(rack.depthMm, job.units)} deep; the service loop of the tails is ${formatSize(loopMm, job.units)}.`;
      return { grade: 'will-bite' as const, rackIds: [rack.id], what };
    }),
};
