import type { Reckoning } from '../../../base/text/reckoning';
import type { Job } from '../../../job/document/job';
import { figureOf } from '../../survey/answers/answers';
import type { PathwayFigures } from './pathwayFigures';

export type PathwayFigureName =
  | 'fill'
  | 'bundle'
  | 'bend'
  | 'pullPoints'
  | 'hooks'
  | 'ties'
  | 'stacking'
  | 'separation';

/** The figures of a pathway that the handbook can reckon once more; those of unlike cables have no entry for one width. */
export function pathwayReckonings(job: Job, figures: PathwayFigures): Partial<Record<PathwayFigureName, Reckoning>> {
  const { pathway, diametersMm, kinds } = figures;
  const metres = pathway.lengthMm / 1000;
  const [first] = diametersMm;
  const alike = first !== undefined && diametersMm.every((one) => one === first);
  const count = diametersMm.length;
  const conduit = pathway.kind === 'conduit';
  const spacingMm = pathway.spacingMm ?? 1500;
  const known = kinds.filter((kind) => kind !== null);
  const screened = known.length > 0 && known.every((kind) => kind.screened);
  const made: Partial<Record<PathwayFigureName, Reckoning>> = {
    separation: {
      entry: 'mains-separation',
      given: {
        shield: screened ? 'screened' : 'unscreened',
        containment: pathway.containment,
        circuits: pathway.mainsCircuits,
      },
    },
  };
  if (alike) made.bundle = { entry: 'bundle-dressed', given: { count, diameter: first } };
  if (conduit) {
    if (alike) made.fill = { entry: 'conduit-fill', given: { count, diameter: first, inside: pathway.widthMm } };
    const holds = figures.runs.some((run) => run.carries === 'fibre') ? 'fibre' : 'copper';
    made.bend = { entry: 'conduit-bend', given: { inside: pathway.widthMm, holds } };
    made.pullPoints = { entry: 'pull-points', given: { bends: pathway.bends, metres } };
  } else made.ties = { entry: 'ties', given: { metres, spacing: figureOf(job, 'tie-spacing') } };
  if (pathway.kind === 'hooks') {
    made.hooks = { entry: 'hooks', given: { metres, spacing: spacingMm / 1000 } };
    made.stacking = { entry: 'stacking-height', given: { spacing: spacingMm } };
  }
  return made;
}
