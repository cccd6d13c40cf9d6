import { always, kept, keptFor } from '../../../base/memo/kept';
import { mostInBundle } from '../../../base/standards/cableHandling';
import { type ConduitSize, conduitSizes } from '../../../base/standards/conduits';
import { conduitRules, stackingHeightMm, supportRules } from '../../../base/standards/pathwayRules';
import { ruleSets } from '../../../base/standards/ruleSets';
import { pulling } from '../../../base/standards/slack';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { CableKind } from '../../../job/records/cableKind';
import type { Pathway } from '../../../job/records/pathway';
import type { Run } from '../../../job/records/run';
import { figureOf } from '../../survey/answers/answers';
import { cableKindOf } from '../cableKinds';
import { type Bundle, bundleOf } from './bundle';
import { type Allowance, allowanceOf, areaOf, fillOf, insideAreaMm2, mayJam, nextConduit } from './fill';
import { separationAskedMm } from './separation';

export type PathwayFigures = {
  pathway: Pathway;
  runs: readonly Run[];
  kinds: (CableKind | null)[];
  /** Runs whose kind of cable nobody knows, so that they are not in the figures. */
  unknown: Run[];
  diametersMm: number[];
  /** Share of the inside area that is taken, and the share that may be. Fill grows with each cable. */
  fill: number;
  allowance: Allowance;
  bundle: Bundle;
  /** What the cables together take of a round pathway, mm across. */
  roundMm: number;
  /** Whether they go through at all. */
  fits: boolean;
  next: ConduitSize | null;
  jam: boolean;
  /** Inside bend radius needed by the pathway's size and by its cables, mm. */
  bendMm: number;
  pullPointsNeeded: number;
  hooks: number | null;
  stackingMm: number | null;
  ties: number;
  stringMm: number;
  fishTapeMm: number | null;
  separationMm: number;
};

/** Runs of each pathway in label order. */
const throughOf = kept((job: Job): Map<string, Run[]> => {
  const pathwaysOf = new Map<string, string[]>();
  for (const { runId, pathwayId } of Object.values(job.passages)) {
    const ids = pathwaysOf.get(runId);
    if (ids) ids.push(pathwayId);
    else pathwaysOf.set(runId, [pathwayId]);
  }
  const through = new Map<string, Run[]>();
  if (pathwaysOf.size > 0) {
    for (const run of indexJob(job).runsInOrder) {
      for (const id of pathwaysOf.get(run.id) ?? []) {
        const runs = through.get(id);
        if (runs) runs.push(run);
        else through.set(id, [run]);
      }
    }
  }
  return through;
}, always);

/** The runs through a pathway, in label order. */
export const runsThrough = (job: Job, pathwayId: string): readonly Run[] => throughOf(job).get(pathwayId) ?? [];

/** Bend radius of conduit, mm: 6 × its inside diameter, 10 × above the 2-inch size or with fibre in it. */
export function conduitBendMm(insideMm: number, holdsFibre: boolean): number {
  const { upToMm, factor, above, fibre } = conduitRules.bend;
  return insideMm * (holdsFibre ? fibre : insideMm > upToMm ? above : factor);
}

/** Boxes on the way: at most two bends and 30 m between one and the next. */
export function pullPointsNeeded({ bends, lengthMm }: Pick<Pathway, 'bends' | 'lengthMm'>): number {
  const byBends = Math.ceil(bends / conduitRules.mostBendsBetweenPulls) - 1;
  const byLength = Math.ceil(lengthMm / conduitRules.mostBetweenPullsMm) - 1;
  return Math.max(0, byBends, byLength);
}

/** Hooks along a way, one at each end, never farther apart than said. */
export const hookCount = (lengthMm: number, spacingMm: number): number => Math.ceil(lengthMm / spacingMm) + 1;

/** Ties along a bundle, one at each end. */
export const tieCount = (lengthMm: number, spacingMm: number): number => Math.floor(lengthMm / spacingMm) + 1;

/** Everything there is to say about a pathway and the runs through it. */
export const pathwayFigures: (job: Job, pathway: Pathway) => PathwayFigures = keptFor(makeFigures, always);

function makeFigures(job: Job, pathway: Pathway): PathwayFigures {
  const rules = ruleSets[job.rules];
  const runs = runsThrough(job, pathway.id);
  const kinds = runs.map((run) => cableKindOf(job, run.cable));
  const known = kinds.filter((kind) => kind !== null);
  const diametersMm = known.map((kind) => kind.diameterMm);
  const areaMm2 = insideAreaMm2(pathway);
  const bundle = bundleOf(diametersMm);
  // A bundle goes through a hole as it is dressed; into a conduit cables are drawn one beside the other.
  const roundMm = pathway.kind === 'conduit' ? bundle.diameterMm : bundle.dressedMm;
  const spacingMm = pathway.spacingMm ?? supportRules.mostApartMm;
  const family =
    conduitSizes.find((size) => size.insideMm === pathway.widthMm)?.family ?? rules.conduits[0] ?? 'IEC pliable';
  const cableBend = known.reduce((most, kind) => Math.max(most, kind.bendFactor * kind.diameterMm), 0);
  const conduit = pathway.kind === 'conduit';
  const bundles = Math.ceil(diametersMm.length / mostInBundle);
  return {
    pathway,
    runs,
    kinds,
    unknown: runs.filter((_, at) => kinds[at] === null),
    diametersMm,
    fill: fillOf(diametersMm, areaMm2),
    allowance: allowanceOf(pathway, diametersMm.length, rules),
    bundle,
    roundMm,
    fits: pathway.heightMm !== null ? areaOf(diametersMm) <= areaMm2 : roundMm <= pathway.widthMm + 1e-6,
    next: conduit ? nextConduit(diametersMm, pathway.lengthMm, family, rules.conduitFill) : null,
    jam: conduit && mayJam(pathway.widthMm, diametersMm),
    bendMm: Math.max(
      cableBend,
      conduit
        ? conduitBendMm(
            pathway.widthMm,
            runs.some((run) => run.carries === 'fibre'),
          )
        : 0,
    ),
    pullPointsNeeded: conduit ? pullPointsNeeded(pathway) : 0,
    hooks: pathway.kind === 'hooks' ? hookCount(pathway.lengthMm, spacingMm) : null,
    stackingMm: pathway.kind === 'hooks' ? stackingHeightMm(spacingMm) : null,
    ties: pathway.kind === 'conduit' ? 0 : tieCount(pathway.lengthMm, figureOf(job, 'tie-spacing')) * bundles,
    stringMm: pathway.lengthMm + 2 * pulling.stringOverMm,
    fishTapeMm: pulling.fishTapesMm.find((tape) => tape >= pathway.lengthMm / (pathway.pullPoints + 1)) ?? null,
    separationMm: separationAskedMm(
      known.length > 0 && known.every((kind) => kind.screened),
      pathway.containment,
      pathway.mainsCircuits,
    ),
  };
}
