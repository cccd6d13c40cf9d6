import { runsThrough } from '../../pathways/pathwayFigures';
import type { CableRating } from '../../records/cableKind';
import type { Pathway, Surroundings } from '../../records/pathway';
import { cableCategory } from '../../runs/cableCategory';
import { cableKindOf, cableKindsOf } from '../../runs/cableKinds';
import { answerOf } from '../../site/answers';
import { published } from '../../standards/source';
import type { Mend, SnagRule } from '../snag';

/** Ratings that will do in each surrounding; the first is the one to ask for. */
const RATED: Record<Surroundings, CableRating[]> = {
  indoor: ['indoor', 'riser', 'plenum'],
  riser: ['riser', 'plenum'],
  plenum: ['plenum'],
  outdoor: ['outdoor', 'direct-burial'],
  buried: ['direct-burial'],
};

/**
 * What will do in a pathway. In the ground a conduit keeps the soil away: outdoor cable will do in it. Riser and plenum are
 * listings of North America: where the mains are another they are not asked for, and local code decides.
 */
function ratedFor({ surroundings, kind }: Pathway, northAmerica: boolean): CableRating[] {
  if (surroundings === 'buried' && kind === 'conduit') return RATED.outdoor;
  if (!northAmerica && (surroundings === 'riser' || surroundings === 'plenum')) return RATED.indoor;
  return RATED[surroundings];
}

export const cableNotRated: SnagRule = {
  id: 'cable-not-rated',
  why: 'The wrong jacket burns, rots or lets water in. Local code decides which one is allowed.',
  source: published('NFPA 70 800.113 and 800.179: listing of cable by where it runs; local code elsewhere'),
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'cable'], cableKinds: true, pathways: true, passages: true, answers: true },
  find: ({ job }) =>
    Object.values(job.pathways).flatMap((pathway) => {
      const rated = ratedFor(pathway, answerOf(job, 'mains-volts') === '120');
      const runs = runsThrough(job, pathway.id).filter((run) => {
        const kind = cableKindOf(job, run.cable);
        return kind && !kind.ratings.some((rating) => rated.includes(rating));
      });
      const [first] = runs;
      if (!first) return [];
      const wanted = rated[0] ?? 'indoor';
      const labels = runs.map((run) => run.label);
      const shown =
        labels.length > 6 ? `${labels.slice(0, 6).join(', ')} and ${labels.length - 6} more` : labels.join(', ');
      const mends = (): Mend[] => {
        const category = cableCategory(first.cable);
        const better = cableKindsOf(job).find(
          (kind) =>
            kind.carries === first.carries &&
            cableCategory(kind.name) === category &&
            kind.ratings.some((rating) => rated.includes(rating)),
        );
        if (!better || runs.some((run) => cableCategory(run.cable) !== category)) return [];
        const edits = runs.map((run) => ({ runId: run.id, changes: { cable: better.name } }));
        return [{ label: `Plan ${better.name}`, commands: [{ type: 'editRuns', edits }] }];
      };
      return {
        grade: 'wont-work' as const,
        runIds: runs.map((run) => run.id),
        rowIds: [pathway.id],
        what: `${pathway.name} is ${pathway.surroundings}: ${shown} ${runs.length === 1 ? 'is' : 'are'} not of ${wanted} cable.`,
        mends,
      };
    }),
};
