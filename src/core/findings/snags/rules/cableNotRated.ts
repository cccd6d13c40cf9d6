import {
  FIRE_CLASSES,
  type FireClass,
  fireClassSource,
  reactsAsWell,
  ruleSets,
} from '../../../base/standards/ruleSets';
import { published } from '../../../base/standards/source';
import type { CableKind, CableRating } from '../../../job/records/cableKind';
import type { Pathway, Surroundings } from '../../../job/records/pathway';
import { cableCategory } from '../../../trade/runs/cableCategory';
import { cableKindOf, cableKindsOf, isForOutdoorsOnly } from '../../../trade/runs/cableKinds';
import { runsThrough } from '../../../trade/runs/pathways/pathwayFigures';
import { answerOf } from '../../../trade/survey/answers/answers';
import type { Finding, Mend, SnagRule } from '../snag';

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
 * listings of North America, and are not asked for elsewhere.
 */
function ratedFor({ surroundings, kind }: Pathway, listed: boolean): CableRating[] {
  if (surroundings === 'buried' && kind === 'conduit') return RATED.outdoor;
  if (!listed && (surroundings === 'riser' || surroundings === 'plenum')) return RATED.indoor;
  return RATED[surroundings];
}

const isIndoors = ({ surroundings }: Pathway): boolean => surroundings !== 'outdoor' && surroundings !== 'buried';

const LISTED = 6;
const listed = (labels: string[]): string =>
  labels.length > LISTED
    ? `${labels.slice(0, LISTED).join(', ')} and ${labels.length - LISTED} more`
    : labels.join(', ');

export const cableNotRated: SnagRule = {
  id: 'cable-not-rated',
  why: 'The wrong jacket burns, rots or lets water in. Local code decides which one is allowed.',
  source: published('local code; NFPA 70 800.113 and 800.179 in North America'),
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'cable'], cableKinds: true, pathways: true, passages: true, answers: true },
  find: ({ job }) => {
    const { jackets } = ruleSets[job.rules];
    const source = jackets === 'listing' ? cableNotRated.source : published('local code');
    const answer = answerOf(job, 'fire-class');
    const asked = jackets === 'reaction to fire' ? (FIRE_CLASSES.find((one) => one === answer) ?? null) : null;
    return Object.values(job.pathways).flatMap((pathway): Finding[] => {
      const rated = ratedFor(pathway, jackets === 'listing');
      const through = runsThrough(job, pathway.id).flatMap((run) => {
        const kind = cableKindOf(job, run.cable);
        return kind ? [{ run, kind }] : [];
      });
      /** Cable that will do there, of the same category as all of these. */
      const mendsOf = (some: typeof through, willDo: (kind: CableKind) => boolean) => (): Mend[] => {
        const [first] = some;
        const category = first && cableCategory(first.run.cable);
        if (!first || some.some(({ run }) => cableCategory(run.cable) !== category)) return [];
        const better = cableKindsOf(job).find(
          (kind) => kind.carries === first.run.carries && cableCategory(kind.name) === category && willDo(kind),
        );
        if (!better) return [];
        const edits = some.map(({ run }) => ({ runId: run.id, changes: { cable: better.name } }));
        return [{ label: `Plan ${better.name}`, commands: [{ type: 'editRuns', edits }] }];
      };
      const isRated = (kind: CableKind) => kind.ratings.some((rating) => rated.includes(rating));
      const reacts = (kind: CableKind) =>
        asked === null || (kind.fireClass !== null && reactsAsWell(kind.fireClass as FireClass, asked));
      const finding = (
        some: typeof through,
        grade: Finding['grade'],
        id: string[],
        words: (isAre: string) => string,
        willDo: (kind: CableKind) => boolean,
      ): Finding[] =>
        some.length === 0
          ? []
          : [
              {
                grade,
                runIds: some.map(({ run }) => run.id),
                rowIds: [pathway.id, ...id],
                what: `${pathway.name} is ${pathway.surroundings}: ${listed(some.map(({ run }) => run.label))} ${words(some.length === 1 ? 'is' : 'are')}`,
                mends: mendsOf(some, willDo),
              },
            ];
      // How far outdoor cable may go on indoors is a rule of its own.
      const wrong = through.filter(
        ({ kind }) => !isRated(kind) && !(pathway.surroundings === 'indoor' && isForOutdoorsOnly(kind)),
      );
      const inside = asked !== null && isIndoors(pathway) ? through.filter(({ kind }) => isRated(kind)) : [];
      const low = inside.filter(({ kind }) => kind.fireClass !== null && !reacts(kind));
      const unknown = inside.filter(({ kind }) => kind.fireClass === null);
      const classed = (kind: CableKind) => isRated(kind) && reacts(kind);
      return [
        ...finding(wrong, 'wont-work', [], (are) => `${are} not of ${rated[0] ?? 'indoor'} cable.`, isRated),
        ...finding(low, 'wont-work', ['class'], (are) => `${are} below ${asked}.`, classed),
        ...finding(
          unknown,
          'will-bite',
          ['unknown class'],
          (are) => `${are} of cable whose class is not known; ${asked} is asked. It is printed on the sheath.`,
          classed,
        ),
      ].map((one) => ({ ...one, source: one.rowIds?.length === 1 ? source : fireClassSource }));
    });
  },
};
