import type { Source } from '../../base/standards/source';
import type { Grade } from '../../base/text/grade';
import { type FitKind, fitFault } from '../../job/rack/fit';
import type { Gear } from '../../job/records/gear';
import { moveGearMends } from './mends';
import { type Finding, notJudged, type SnagRule } from './snag';

/** What of a device must be known for a check, and what the check is called. */
type Needs = { check: string; missing: (gear: Gear) => string[] };

/** A rule about the place of each device: one kind of fault of the fit. */
export const fitRule = (
  id: string,
  kind: FitKind,
  grade: Grade,
  why: string,
  source: Source,
  needs: Needs | null = null,
): SnagRule => ({
  id,
  why,
  source,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true, units: true },
  find: (index) =>
    Object.values(index.job.placements).flatMap(({ gearId, rackId, bottomU, face }): Finding[] => {
      const [gear, rack] = [index.job.gear[gearId], index.job.racks[rackId]];
      if (!gear || !rack) return [];
      const fault = fitFault(index.job, gear, { rack, bottomU, face }, kind);
      if (!fault) {
        const missing = needs?.missing(gear) ?? [];
        return needs && missing.length > 0 ? [notJudged({ gearIds: [gear.id] }, gear.name, needs.check, missing)] : [];
      }
      return [
        {
          grade,
          gearIds: [gear.id],
          rackIds: [rack.id],
          what: fault.words,
          mends: () => moveGearMends(index.job, rack, gear, kind),
        },
      ];
    }),
});
