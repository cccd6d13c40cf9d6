import { citeSource } from '../../../base/standards/source';
import {
  eurocodePermanent,
  eurocodeWithdrawalN,
  leadHoleShare,
  leastPenetration,
  leastPenetrationSource,
  MM_PER_INCH,
  NEWTON_PER_POUND,
  specificGravity,
  ultimatePerInch,
  withdrawalPerInch,
  woodScrews,
} from '../../../base/standards/withdrawal';
import { counted } from '../../../base/text/counted';
import { formatForce } from '../../../base/units/force';
import { formatSize, type Units } from '../../../base/units/length';
import type { Job } from '../../../job/document/job';
import { outerDepthOf } from '../../../job/rack/outer';
import { Mount } from '../../../job/records/mount';
import type { Rack } from '../../../job/records/rack';
import { answerOf } from '../../survey/answers/answers';
import { meetsStuds } from './backboard';
import { type RackLoad, rackLoad } from './rackLoad';

/** The wall as the survey tells of it; null: not known. */
const SURVEYED: Record<string, Mount['wall'] | undefined> = {
  studs: 'studs',
  masonry: 'masonry',
  board: 'plasterboard',
};
const surveyedWall = (job: Job): Mount['wall'] | null => SURVEYED[answerOf(job, 'wall-kind')] ?? null;
const keptMount = (job: Job, rack: Rack): Mount | undefined =>
  Object.values(job.mounts).find((row) => row.rackId === rack.id);

/** The mount of a rack as kept, or an example to begin from, on the wall that the survey tells of. */
export const mountOf = (job: Job, rack: Rack): Mount =>
  keptMount(job, rack) ??
  Mount.parse({ id: `mount-${rack.id}`, rackId: rack.id, wall: surveyedWall(job) ?? undefined });

export const WALL_WORDS: Record<Mount['wall'], string> = {
  studs: 'board on wooden studs',
  masonry: 'masonry or concrete',
  plasterboard: 'plasterboard, no studs reached',
};

export type FixingCase = {
  words: string;
  /** On all top fixings together, and on each, newtons. */
  pullN: number;
  pullEachN: number;
  shearEachN: number;
};

/**
 * Forces on the top fixings. The box turns about its lower edge, or, on the safe side, about the lower line of
 * fixings when that is nearer; the top fixings alone are taken to bear the shear.
 * @param outMm centre of gravity out from the wall
 * @param bearing how many of the top fixings bear it: all, or those of the hinge side
 */
export function fixingForces(
  mount: Mount,
  weightN: number,
  outMm: number,
  leanN = 0,
  leanOutMm = 0,
  bearing = mount.topCount,
): Omit<FixingCase, 'words'> {
  const arm = mount.bottomCount > 0 ? Math.min(mount.bracketHeightMm, mount.lineHeightMm) : mount.bracketHeightMm;
  const pullN = (weightN * outMm + leanN * leanOutMm) / arm;
  return { pullN, pullEachN: pullN / bearing, shearEachN: (weightN + leanN) / bearing };
}

export type WallVerdict = {
  mount: Mount;
  load: RackLoad;
  cases: FixingCase[];
  /** What one fixing may be pulled by before the chosen safety factor; null: not known. */
  permittedPullN: number | null;
  permittedShearN: number | null;
  ultimatePullN: number | null;
  eurocodePullN: number | null;
  leadHoleMm: { least: number; most: number } | null;
  /** Share of what is permitted, safety factor counted; null: cannot be told. */
  use: number | null;
  /** Null: not judged, for what is in `open`. */
  holds: boolean | null;
  /** What is not known, as far as it is about the fixings. */
  open: string[];
  notes: string[];
};

/** What a wood screw may be pulled by, newtons: reference value × length × load duration. */
export function permittedPullN({
  fastener,
  species,
  threadInMm,
  lastingFactor,
}: Pick<Mount, 'fastener' | 'species' | 'threadInMm' | 'lastingFactor'>): number | null {
  if (fastener === 'anchor') return null;
  const perInch = withdrawalPerInch(woodScrews[fastener], specificGravity[species]);
  return perInch * NEWTON_PER_POUND * (threadInMm / MM_PER_INCH) * lastingFactor;
}

/** Density that goes with a specific gravity for the European formula: softwood of class C24. */
const C24_KG_M3 = 350;

/** Whether a loaded rack holds on its wall: as it hangs, with its front loaded or swung out, with somebody leaning on it. */
export function wallVerdict(job: Job, rack: Rack): WallVerdict {
  const mount = mountOf(job, rack);
  const load = rackLoad(job, rack);
  const depth = outerDepthOf(rack);
  const front = rack.hinge === 'none' ? 'all the weight at the front edge' : 'swung out on its hinge';
  // Swung out, all hangs on the column of fixings by the hinge.
  const hingeSide = rack.hinge === 'none' ? mount.topCount : Math.max(1, Math.floor(mount.topCount / 2));
  const cases = [
    { words: 'as it hangs', ...fixingForces(mount, load.weightN, load.outMm) },
    { words: front, ...fixingForces(mount, load.weightN, depth, 0, 0, hingeSide) },
    {
      words: `somebody leaning on the front edge with ${formatForce(mount.leanN, job.units)}`,
      ...fixingForces(mount, load.weightN, load.outMm, mount.leanN, depth),
    },
  ];
  const screw = mount.fastener === 'anchor' ? null : woodScrews[mount.fastener];
  const gravity = specificGravity[mount.species];
  const inStuds = mount.wall === 'studs' && screw !== null;
  const permitted = inStuds ? permittedPullN(mount) : mount.fastener === 'anchor' ? mount.pullN : null;
  const diameterMm = screw ? screw.diameterIn * MM_PER_INCH : 0;
  const euro = screw && inStuds ? eurocodeWithdrawalN(diameterMm, mount.threadInMm, C24_KG_M3) : null;
  const lead = screw?.kind === 'lag' && inStuds ? leadHoleShare(gravity) : null;
  const worst = Math.max(...cases.map((one) => one.pullEachN));
  const shear = Math.max(...cases.map((one) => one.shearEachN));
  const tooShallow = inStuds && screw?.kind === 'lag' && mount.threadInMm < leastPenetration * diameterMm;
  const shareOf = (force: number, bears: number) => (force === 0 ? 0 : force / bears);
  const share =
    permitted === null
      ? null
      : mount.safetyFactor * (shareOf(worst, permitted) + (mount.shearN === null ? 0 : shareOf(shear, mount.shearN)));
  const hollow = mount.wall === 'plasterboard';
  const beside = mount.wall === 'studs' && !meetsStuds(mount);
  const entered = keptMount(job, rack) !== undefined;
  const surveyed = surveyedWall(job);
  const open: string[] = [];
  if (!entered) open.push('Nothing was entered of how it hangs: the figures here are an example.');
  else if (surveyed !== null && surveyed !== mount.wall)
    open.push(`The survey says ${WALL_WORDS[surveyed]} and this page ${WALL_WORDS[mount.wall]}: which is it?`);
  if (entered && mount.fastener === 'anchor' && mount.pullN === null)
    open.push(
      'Enter what one anchor may be pulled by from its maker’s table, for this wall, embedment and edge distance.',
    );
  if (mount.wall === 'masonry' && mount.fastener !== 'anchor')
    open.push('Wood screws hold in wood only. In masonry take anchors by their maker’s table.');
  if (entered && beside)
    open.push('Not every fixing meets a stud: the figures hold for wood behind each one. Take a board over the studs.');
  if (entered && mount.shearN === null)
    open.push('Enter what one fixing may bear sideways, from its table: without it only the pull is judged.');
  // What is too much is too much whatever else is not known; that it holds is said only when all of it is.
  const tooMuch = hollow || (entered && (tooShallow || (share !== null && share > 1)));
  const known = share !== null && open.length === 0 && load.massKg.unknown === 0;
  return {
    mount,
    load,
    cases,
    permittedPullN: permitted,
    permittedShearN: mount.shearN,
    ultimatePullN:
      inStuds && screw ? ultimatePerInch(screw, gravity) * NEWTON_PER_POUND * (mount.threadInMm / MM_PER_INCH) : null,
    eurocodePullN: euro === null ? null : (euro * eurocodePermanent.modification) / eurocodePermanent.material,
    leadHoleMm: lead && { least: lead.least * diameterMm, most: lead.most * diameterMm },
    use: hollow ? null : share,
    holds: tooMuch ? false : known ? true : null,
    open,
    notes: notesOf(job.units, mount, load, tooShallow ? leastPenetration * diameterMm : null),
  };
}

function notesOf(units: Units, mount: Mount, load: RackLoad, leastThreadMm: number | null): string[] {
  const notes: string[] = [];
  if (mount.wall === 'plasterboard')
    notes.push(
      'Plasterboard alone does not hold a cabinet: fix to studs, to masonry, or to a board that is fixed to studs.',
    );
  if (leastThreadMm !== null)
    notes.push(
      `A lag screw needs ${formatSize(Math.ceil(leastThreadMm), units)} of thread in the stud at least [${citeSource(leastPenetrationSource)}].`,
    );
  if (!load.emptyKnown) notes.push('The mass of the empty cabinet is not known: enter it under the rack.');
  if (load.gearKg.unknown > 0)
    notes.push(`The mass of ${counted(load.gearKg.unknown, 'device')} is not known: enter it with the gear.`);
  return notes;
}
