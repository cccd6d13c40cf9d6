import { published } from '../../../base/standards/source';
import { groupBy } from '../../../base/text/groupBy';
import { countedWith } from '../../../base/text/listed';
import { copperLandings } from '../../../trade/panels/copperLandings';
import { jackFor } from '../../../trade/panels/jacks';
import type { Finding, SnagRule } from '../snag';

export const plugEnded: SnagRule = {
  id: 'plug-ended',
  why: 'A plug on solid cable needs the plug that is made for it, and is tested with a plug adapter: neither the limit of a channel nor that of a plain link holds.',
  source: published('ANSI/TIA-568.2-D: modular-plug-terminated link'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label', 'carries', 'cable'], landings: true, cableKinds: true },
  find: ({ job }) => {
    const plugged = copperLandings(job).filter(({ run, port }) => jackFor(job, run, port).fitting === 'coupler');
    return [...groupBy(plugged, ({ panel }) => panel.id).values()].flatMap((some): Finding[] => {
      const [first] = some;
      if (!first) return [];
      const runs = countedWith(
        some.map(({ run }) => run.label),
        'run',
      );
      return [
        {
          grade: 'could-be-neater',
          runIds: some.map(({ run }) => run.id),
          gearIds: [first.panel.id],
          what: `${runs} behind ${first.panel.name} with a plug in a coupler.`,
        },
      ];
    });
  },
};
