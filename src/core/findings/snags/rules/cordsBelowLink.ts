import { CATEGORIES } from '../../../base/standards/categoryReach';
import { published } from '../../../base/standards/source';
import { countedWith } from '../../../base/text/listed';
import { portAt } from '../../../job/records/ports';
import { jackFor } from '../../../trade/panels/jacks';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { cableCategory } from '../../../trade/runs/cableCategory';
import { cableKindOf } from '../../../trade/runs/cableKinds';
import { answerOf } from '../../../trade/survey/answers/answers';
import type { Finding, SnagRule } from '../snag';

export const cordsBelowLink: SnagRule = {
  id: 'cords-below-link',
  why: 'A channel is only as good as its cords: one of a lower category, or without a screen, takes the rest down to it.',
  source: published('ANSI/TIA-568.2; ISO/IEC 11801-1: category of a channel'),
  stations: ['patch'],
  reads: {
    gear: true,
    runs: ['id', 'label', 'carries', 'cable'],
    landings: true,
    cords: true,
    cableKinds: true,
    answers: true,
  },
  find: ({ job }) => {
    const links = patchedRuns(job).flatMap(({ run, cord }) => {
      const panel = job.gear[cord.panelId];
      const port = panel && portAt(panel, cord.panelPort);
      if (run.carries !== 'ethernet' || !port) return [];
      const jack = jackFor(job, run, port);
      const [cable, own] = [cableCategory(run.cable), jack.category];
      const ranks = [cable, own].map((one) => (one === null ? -1 : CATEGORIES.indexOf(one)));
      return [
        {
          run,
          // The category of the link, where that of cable and jack are both known.
          rank: Math.min(...ranks),
          screened: jack.screened && (cableKindOf(job, run.cable)?.screened ?? false),
        },
      ];
    });
    const findings: Finding[] = [];
    const tell = (some: typeof links, id: string, words: (cables: string) => string) => {
      if (some.length === 0) return;
      const cables = countedWith(
        some.map(({ run }) => run.label),
        'run',
      );
      findings.push({
        grade: 'will-bite',
        runIds: some.map(({ run }) => run.id),
        rowIds: [id],
        what: words(cables),
      });
    };
    const cordRank = (CATEGORIES as readonly string[]).indexOf(answerOf(job, 'cord-category'));
    if (cordRank >= 0)
      tell(
        links.filter(({ rank }) => rank > cordRank),
        'cord-category',
        (cables) => `${cables} of a higher category than the cords: the channels are Cat ${CATEGORIES[cordRank]}.`,
      );
    if (answerOf(job, 'cord-screened') === 'no')
      tell(
        links.filter(({ screened }) => screened),
        'cord-screened',
        (cables) => `${cables} screened from end to end, and the cords are not.`,
      );
    return findings;
  },
};
