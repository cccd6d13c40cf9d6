import { rackDimensions } from '../../../base/standards/rackDimensions';
import { GRAVITY } from '../../../base/standards/withdrawal';
import { type AtLeast, together } from '../../../base/units/atLeast';
import type { Job } from '../../../job/document/job';
import { outerDepthOf } from '../../../job/rack/outer';
import { depthsOf, loadedKg, placedIn } from '../../../job/rack/space';
import type { Gear } from '../../../job/records/gear';
import type { Placement } from '../../../job/records/placement';
import type { Rack } from '../../../job/records/rack';

/** Where the lowest unit begins when nothing is said, millimetres above the floor. Common practice, no source. */
const USUAL_BASE: Record<Rack['standing'], number> = { wall: 1100, floor: 80, table: 780 };
export const baseOf = (rack: Rack): number => rack.baseMm ?? USUAL_BASE[rack.standing];

export type RackLoad = {
  /** Gear and cabinet, kilograms. What is not known of them adds nothing to the forces. */
  massKg: AtLeast;
  /** Gear and what it carries, kilograms. */
  gearKg: AtLeast;
  emptyKnown: boolean;
  /** Centre of gravity above the floor and out from the wall or back, millimetres. */
  heightMm: number;
  outMm: number;
  weightN: number;
};

/** Middle of a device out from the back of the rack, millimetres. */
function outOf(rack: Rack, gear: Gear, { face }: Placement): number {
  const { frontMm, backMm } = depthsOf(rack, gear, face);
  return Math.max(0, rack.depthMm - (frontMm + backMm) / 2);
}

/**
 * Mass of a loaded rack and where its centre of gravity lies.
 * Devices count as even bodies: the real centre of a battery or a transformer lies elsewhere.
 */
export function rackLoad(job: Job, rack: Rack): RackLoad {
  const base = baseOf(rack);
  const placed = placedIn(job, rack.id);
  const parts = placed.map(({ gear, placement }) => ({
    massKg: loadedKg(job, gear).sum,
    heightMm: base + (placement.bottomU - 1 + gear.heightU / 2) * rackDimensions.unitMm,
    outMm: outOf(rack, gear, placement),
  }));
  const gearKg = together(placed.map(({ gear }) => loadedKg(job, gear)));
  if (rack.emptyKg !== null) {
    const heightMm = base + (rack.units * rackDimensions.unitMm) / 2;
    parts.push({ massKg: rack.emptyKg, heightMm, outMm: outerDepthOf(rack) / 2 });
  }
  const massKg = parts.reduce((sum, part) => sum + part.massKg, 0);
  const mean = (of: (part: (typeof parts)[number]) => number, none: number) =>
    massKg === 0 ? none : parts.reduce((sum, part) => sum + part.massKg * of(part), 0) / massKg;
  return {
    massKg: { sum: massKg, unknown: gearKg.unknown + (rack.emptyKg === null ? 1 : 0) },
    gearKg,
    emptyKnown: rack.emptyKg !== null,
    heightMm: mean((part) => part.heightMm, base),
    outMm: mean((part) => part.outMm, outerDepthOf(rack) / 2),
    weightN: massKg * GRAVITY,
  };
}

/** What makes a standing rack tip forwards: the lean, and the pull at its top. Statics, on a level floor. */
export function tipping(job: Job, rack: Rack) {
  const load = rackLoad(job, rack);
  // It tips about what it stands on: the floor, or the table's top.
  const belowMm = rack.standing === 'floor' ? baseOf(rack) : 0;
  const heightMm = load.heightMm - baseOf(rack) + belowMm;
  const topMm = rack.outerHeightMm ?? rack.units * rackDimensions.unitMm + belowMm;
  const toFrontMm = Math.max(0, outerDepthOf(rack) - load.outMm);
  // The heaviest device on slide rails, drawn out by its whole depth.
  const drawn = placedIn(job, rack.id)
    .filter(({ gear }) => gear.rails !== 'none')
    .reduce((most, { gear }) => Math.max(most, loadedKg(job, gear).sum * gear.depthMm), 0);
  const drawnOutMm = load.massKg.sum === 0 ? toFrontMm : toFrontMm - drawn / load.massKg.sum;
  return {
    angleDeg: (Math.atan2(toFrontMm, Math.max(1, heightMm)) * 180) / Math.PI,
    pullAtTopN: (load.weightN * toFrontMm) / topMm,
    tipsWithDrawnDevice: drawnOutMm <= 0,
  };
}
