import { CATEGORIES } from '../../../base/standards/categoryReach';
import { published } from '../../../base/standards/source';
import { groupBy } from '../../../base/text/groupBy';
import { countedWith } from '../../../base/text/listed';
import { copperLandings } from '../../../trade/panels/copperLandings';
import { jackFor } from '../../../trade/panels/jacks';
import { cableCategory } from '../../../trade/runs/cableCategory';
import type { Finding, SnagRule } from '../snag';

/** One finding for a panel: the panel is the cause, not each of its ports. */
export const jackTooLow: SnagRule = {
  id: 'jack-too-low',
  why: 'A link is only as good as its lowest part: cable, jack, panel or cord.',
  source: published('ANSI/TIA-568.2; ISO/IEC 11801-1: category of a link'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label', 'carries', 'cable'], landings: true, cableKinds: true },
  find: ({ job }) => {
    const low = copperLandings(job).flatMap(({ run, panel, port }) => {
      const [cable, jack] = [cableCategory(run.cable), jackFor(job, run, port).category];
      return cable !== null && jack !== null && CATEGORIES.indexOf(jack) < CATEGORIES.indexOf(cable)
        ? [{ run, panel, cable, jack }]
        : [];
    });
    return [...groupBy(low, ({ panel, cable, jack }) => `${panel.id} ${cable} ${jack}`).values()].flatMap(
      (some): Finding[] => {
        const [first] = some;
        if (!first) return [];
        const { panel, cable, jack } = first;
        const cables = countedWith(
          some.map(({ run }) => run.label),
          `Cat ${cable} cable`,
        );
        return [
          {
            grade: 'will-bite',
            runIds: some.map(({ run }) => run.id),
            gearIds: [panel.id],
            what: `${cables} on Cat ${jack} ports of ${panel.name}: the ${some.length === 1 ? 'link is' : 'links are'} Cat ${jack}.`,
          },
        ];
      },
    );
  },
};
