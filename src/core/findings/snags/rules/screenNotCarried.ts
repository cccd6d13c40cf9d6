import { published } from '../../../base/standards/source';
import { groupBy } from '../../../base/text/groupBy';
import { countedWith } from '../../../base/text/listed';
import { copperLandings } from '../../../trade/panels/copperLandings';
import { jackFor } from '../../../trade/panels/jacks';
import { cableKindOf } from '../../../trade/runs/cableKinds';
import type { Finding, SnagRule } from '../snag';

/** One finding for a panel: the panel is the cause, not each of its ports. */
export const screenNotCarried: SnagRule = {
  id: 'screen-not-carried',
  why: 'A screen works only from end to end, in screened jacks, a bonded panel and screened cords. Bonding by someone qualified, to local code.',
  source: published('ANSI/TIA-607; EN 50174: screened cabling'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label', 'carries', 'cable'], landings: true, cableKinds: true },
  find: ({ job }) => {
    const unlike = copperLandings(job).flatMap(({ run, panel, port }) => {
      const cable = cableKindOf(job, run.cable);
      return cable && cable.screened !== jackFor(job, run, port).screened
        ? [{ run, panel, screened: cable.screened }]
        : [];
    });
    return [...groupBy(unlike, ({ panel, screened }) => `${panel.id} ${screened}`).values()].flatMap(
      (some): Finding[] => {
        const [first] = some;
        if (!first) return [];
        const { panel, screened } = first;
        const labels = some.map(({ run }) => run.label);
        const what = screened
          ? `${countedWith(labels, 'screened cable')} on unscreened ports of ${panel.name}: the screen ends in the air.`
          : `${countedWith(labels, 'unscreened cable')} in screened ports of ${panel.name}: the screen does nothing there.`;
        return [
          {
            grade: screened ? 'will-bite' : 'could-be-neater',
            runIds: some.map(({ run }) => run.id),
            gearIds: [panel.id],
            what,
          },
        ];
      },
    );
  },
};
