import { published } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { copperLandings } from '../../../trade/panels/copperLandings';
import { jackFor } from '../../../trade/panels/jacks';
import { answerOf } from '../../../trade/survey/answers/answers';
import { notJudged, type SnagRule } from '../snag';

export const panelNotBonded: SnagRule = {
  id: 'panel-not-bonded',
  why: 'A screen that is not bonded picks up noise instead of draining it, and can carry a fault to anyone who touches it. Bonding is work for a qualified person, to local code.',
  source: published('ANSI/TIA-607; EN 50310: bonding of racks and screened panels'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'carries', 'cable', 'label'], landings: true, cableKinds: true, answers: true },
  find: ({ job }) => {
    const answer = answerOf(job, 'bonded');
    if (answer === 'yes') return [];
    const panels = new Map(
      copperLandings(job).flatMap(({ run, panel, port }) =>
        jackFor(job, run, port).screened ? [[panel.id, panel.name] as const] : [],
      ),
    );
    if (panels.size === 0) return [];
    const names = listed([...panels.values()]);
    const gearIds = [...panels.keys()];
    if (answer !== 'no') return [notJudged({ gearIds }, names, 'screen', ['whether the rack is bonded to earth'])];
    const what = `${names} ${panels.size === 1 ? 'has' : 'have'} screened jacks, and the rack is not bonded to earth.`;
    return [{ grade: 'will-bite' as const, gearIds, what }];
  },
};
