import { patchedRuns } from '../../patching/patchedRuns';
import { fibreKindOf } from '../../runs/fibreKind';
import { runLength } from '../../runs/routeLength';
import { modules } from '../../standards/links';
import { published } from '../../standards/source';
import { formatSpeed } from '../../text/speed';
import { formatLength } from '../../units/length';
import { moduleFor } from '../../uplinks/uplinkFacts';
import type { Finding, SnagRule } from '../snag';

export const fibreTooFar: SnagRule = {
  id: 'fibre-too-far',
  why: 'Beyond the reach of its modules the link does not come up, or drops in the heat. Never look into a fibre or a port.',
  source: published('IEEE 802.3: reach by module and fibre'),
  stations: ['runs', 'patch'],
  reads: {
    gear: true,
    runs: ['id', 'label', 'floor', 'room', 'outlet', 'carries', 'cable', 'lengthMm', 'entry', 'speedMbps'],
    landings: true,
    cords: true,
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    units: true,
  },
  find: ({ job }) =>
    patchedRuns(job).flatMap(({ run, device, port }): Finding[] => {
      if (run.carries !== 'fibre') return [];
      const fibre = fibreKindOf(run.cable);
      const speedMbps = Math.min(run.speedMbps ?? Number.POSITIVE_INFINITY, port.speedMbps ?? Number.POSITIVE_INFINITY);
      const length = runLength(job, run);
      if (!fibre || !length || !Number.isFinite(speedMbps)) return [];
      const fit = moduleFor(speedMbps, length.mm, fibre);
      // A module for another fibre is no module for this one.
      if (fit.module && fit.fibre === fibre) return [];
      const most = Math.max(0, ...modules.map((one) => (one.speedMbps >= speedMbps ? (one.reachMm[fibre] ?? 0) : 0)));
      return [
        {
          grade: 'wont-work',
          runIds: [run.id],
          gearIds: [device.id],
          what: `${run.label} is ${formatLength(length.mm, job.units)} of ${fibre}: at ${formatSpeed(speedMbps)} its modules reach ${most > 0 ? formatLength(most, job.units) : 'nowhere on it'}.`,
        },
      ];
    }),
};
