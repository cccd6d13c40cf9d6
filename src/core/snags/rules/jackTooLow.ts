import { copperLandings } from '../../panels/copperLandings';
import { jackFor } from '../../panels/jacks';
import { cableCategory } from '../../runs/cableCategory';
import { CATEGORIES } from '../../standards/categoryReach';
import { published } from '../../standards/source';
import type { SnagRule } from '../snag';

export const jackTooLow: SnagRule = {
  id: 'jack-too-low',
  why: 'A link is only as good as its lowest part: cable, jack, panel or cord.',
  source: published('ANSI/TIA-568.2; ISO/IEC 11801-1: category of a link'),
  stations: ['land'],
  reads: { gear: true, runs: ['id', 'label', 'carries', 'cable'], landings: true, cableKinds: true },
  find: ({ job }) =>
    copperLandings(job).flatMap(({ run, panel, port }) => {
      const [cable, jack] = [cableCategory(run.cable), jackFor(job, run, port).category];
      if (cable === null || jack === null || CATEGORIES.indexOf(jack) >= CATEGORIES.indexOf(cable)) return [];
      const what = `${run.label} is Cat ${cable} cable on a Cat ${jack} port of ${panel.name}: the link is Cat ${jack}.`;
      return { grade: 'will-bite' as const, runIds: [run.id], gearIds: [panel.id], what };
    }),
};
