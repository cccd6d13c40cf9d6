import { frameWidths } from '../../base/standards/rackDimensions';
import type { Job } from '../../job/document/job';
import { portLayout } from '../../job/gear/portLayout';
import { elevation } from '../../job/rack/elevation';
import { portKey } from '../../job/records/portKey';
import type { Rack } from '../../job/records/rack';
import type { Run } from '../../job/records/run';
import { type CordCode, listCords } from './cordList';
import type { CordWay } from './cords/cordLength';

export type Point = { x: number; y: number };
/** A cord as it hangs before the faces, in the measures of the rack's front: millimetres, y downwards from its top. */
export type HangingCord = {
  cordId: string;
  run: Run | null;
  code: CordCode;
  way: CordWay;
  /** Ends first and last; between them where the cord is led. */
  points: Point[];
  /** By how much it sags below its ends for what is left over. */
  sagMm: number;
};

/**
 * Depth to which a cord hangs below the line between its ends: of a shallow bow over a span w with a rest of r, about
 * the root of 3/8 · r · (2w + r).
 */
export function sagOf(spanMm: number, restMm: number): number {
  return Math.sqrt((3 / 8) * Math.max(0, restMm) * (2 * spanMm + Math.max(0, restMm)));
}

/** The cords of one rack's front, between the ports where they are plugged. */
export function hangingCords(job: Job, rack: Rack): HangingCord[] {
  const front = elevation(job, rack);
  const { panelMm } = frameWidths[rack.frame];
  const portAt = new Map<string, Point>();
  const boxOf = new Map(front.items.map((item) => [item.gearId, item]));
  for (const item of front.items) {
    const gear = job.gear[item.gearId];
    if (!gear || item.face !== 'front') continue;
    for (const port of portLayout(gear))
      portAt.set(portKey(gear.id, port.number), {
        x: item.x + port.x + port.width / 2,
        y: item.y + port.y + port.height / 2,
      });
  }
  return listCords(job).flatMap((one): HangingCord[] => {
    const from = portAt.get(portKey(one.cord.panelId, one.cord.panelPort));
    const to = portAt.get(portKey(one.cord.switchId, one.cord.switchPort));
    if (!from || !to || one.way === null) return [];
    const manager = boxOf.get(one.managerId ?? '');
    const side = from.x + to.x < panelMm ? -18 : panelMm + 18;
    const between: Point[] =
      one.way === 'manager' && manager
        ? [
            { x: from.x, y: manager.y + manager.height / 2 },
            { x: to.x, y: manager.y + manager.height / 2 },
          ]
        : one.way === 'side'
          ? [
              { x: side, y: from.y },
              { x: side, y: to.y },
            ]
          : [];
    const span = Math.hypot(to.x - from.x, to.y - from.y);
    return [
      {
        cordId: one.cord.id,
        run: one.run,
        code: one.code,
        way: one.way,
        points: [from, ...between, to],
        sagMm: one.way === 'straight' ? Math.min(180, sagOf(span, one.coilMm ?? 0)) : 0,
      },
    ];
  });
}
