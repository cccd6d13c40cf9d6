import { channelLossDb, channelLossSource, type FibreKind, modules } from '../../../base/standards/links';
import { published } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import { formatLength } from '../../../base/units/length';
import type { Run } from '../../../job/records/run';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { linkLossDb, moduleFor } from '../../../trade/patching/uplinks/uplinkFacts';
import { fibreKindOf } from '../../../trade/runs/fibreKind';
import { runLength } from '../../../trade/runs/routeLength';
import { type Finding, notJudged, type SnagRule } from '../snag';

/** Mated pairs of a fixed link at least: at the panel and at the outlet, each with its cord. */
const MATED_PAIRS = 2;

/** The loss of a run by its length and the pairs it has at least, against what its module allows a channel. */
function tooMuchLoss(
  run: Run,
  deviceId: string,
  lengthMm: number,
  module: (typeof modules)[number],
  fibre: FibreKind,
): Finding[] {
  const most = channelLossDb[module.name]?.[fibre];
  const loss = linkLossDb(lengthMm, MATED_PAIRS, module.mode);
  const runIds = [run.id];
  if (most === undefined)
    return [notJudged({ runIds }, `Run ${run.label}`, 'loss', [`what ${module.name} allows over ${fibre}`])];
  if (loss <= most + 1e-9) return [];
  return [
    {
      grade: 'wont-work',
      runIds,
      gearIds: [deviceId],
      source: channelLossSource(module.name),
      what: `${run.label} may lose ${loss.toFixed(2)} dB with ${MATED_PAIRS} mated pairs; ${module.name} over ${fibre} allows ${most} dB.`,
    },
  ];
}

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
      if (fit.module && fit.fibre === fibre) return tooMuchLoss(run, device.id, length.mm, fit.module, fibre);
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
