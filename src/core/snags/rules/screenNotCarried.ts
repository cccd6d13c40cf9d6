import { copperLandings } from '../../panels/copperLandings';
import { jackFor } from '../../panels/jacks';
import { cableKindOf } from '../../runs/cableKinds';
import { published } from '../../standards/source';
import type { SnagRule } from '../snag';

export const screenNotCarried: SnagRule = {
  id: 'screen-not-carried',
  why: 'A screen works only from end to end, in screened jacks, a bonded panel and screened cords. Bonding by someone qualified, to local code.',
  source: published('ANSI/TIA-607; EN 50174: screened cabling'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label', 'carries', 'cable'], landings: true, cableKinds: true },
  find: ({ job }) =>
    copperLandings(job).flatMap(({ run, panel, port }) => {
      const cable = cableKindOf(job, run.cable);
      if (cable === null) return [];
      const { screened } = jackFor(job, run, port);
      if (cable.screened === screened) return [];
      const about = { runIds: [run.id], gearIds: [panel.id] };
      return cable.screened
        ? {
            ...about,
            grade: 'will-bite' as const,
            what: `${run.label} is screened cable on an unscreened port of ${panel.name}: the screen ends in the air.`,
          }
        : {
            ...about,
            grade: 'could-be-neater' as const,
            what: `${run.label} is unscreened cable in a screened port of ${panel.name}: the screen does nothing there.`,
          };
    }),
};
