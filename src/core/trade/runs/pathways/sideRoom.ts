import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { bodyWidthMm, isUpright } from '../../../job/gear/body';
import { placedIn } from '../../../job/rack/space';
import { isPanel, portsOf } from '../../../job/records/ports';
import type { Rack } from '../../../job/records/rack';
import type { Run } from '../../../job/records/run';
import { cableKindOf } from '../cableKinds';
import { circleArea } from './fill';

/** Common practice, no source: depth of the channel beside the rails, how full it may be, and a cable of unknown kind. */
const CHANNEL_DEPTH_MM = 100;
const FILL = 0.5;
const USUAL_CABLE_MM = 6.5;

/** Runs that are landed in a rack: they come down its sides. */
export function runsDownSides(job: Job, rack: Pick<Rack, 'id'>): Run[] {
  const panels = new Set(
    placedIn(job, rack.id)
      .filter(({ gear }) => isPanel(gear) && portsOf(gear).length > 0)
      .map(({ gear }) => gear.id),
  );
  return [...indexJob(job).landingOfRun.values()].flatMap((row) =>
    panels.has(row.panelId) ? (job.runs[row.runId] ?? []) : [],
  );
}

/** How full the sides of a rack become when the landed runs go down them, half on each; null while the room is not known. */
export function sideRoom(job: Job, rack: Rack): { cables: number; roomMm: number; share: number } | null {
  if (rack.sideRoomMm === null) return null;
  const placed = placedIn(job, rack.id);
  const upright = Math.max(0, ...placed.filter(({ gear }) => isUpright(gear)).map(({ gear }) => bodyWidthMm(gear)));
  const roomMm = Math.max(0, rack.sideRoomMm - upright);
  const runs = runsDownSides(job, rack);
  const area = runs.reduce(
    (sum, run) => sum + circleArea(cableKindOf(job, run.cable)?.diameterMm ?? USUAL_CABLE_MM),
    0,
  );
  const can = roomMm * CHANNEL_DEPTH_MM * FILL;
  return {
    cables: Math.ceil(runs.length / 2),
    roomMm,
    share: can === 0 ? (runs.length > 0 ? Number.POSITIVE_INFINITY : 0) : area / 2 / can,
  };
}
