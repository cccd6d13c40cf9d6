import { type FitKind, fitFault } from '../rack/fit';
import type { Source } from '../standards/source';
import { moveGearMends } from './mends';
import type { Grade, SnagRule } from './snag';

/** A rule about the place of each device: one kind of fault of the fit. */
export const fitRule = (id: string, kind: FitKind, grade: Grade, why: string, source: Source): SnagRule => ({
  id,
  why,
  source,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true, units: true },
  find: (index) =>
    Object.values(index.job.placements).flatMap(({ gearId, rackId, bottomU, face }) => {
      const [gear, rack] = [index.job.gear[gearId], index.job.racks[rackId]];
      const fault = gear && rack && fitFault(index.job, gear, { rack, bottomU, face }, kind);
      if (!fault) return [];
      return {
        grade,
        gearIds: [gear.id],
        rackIds: [rack.id],
        what: fault.words,
        mends: () => moveGearMends(index.job, rack, gear, kind),
      };
    }),
});
