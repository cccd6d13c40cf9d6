import { commonPractice } from '../../../base/standards/source';
import { groupBy } from '../../../base/text/groupBy';
import { formatSize } from '../../../base/units/length';
import { tailShortfall } from '../../../trade/runs/tailReach';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

/** One finding for a panel that tails do not reach, with the shortest of them. */
export const tailTooShort: SnagRule = {
  id: 'tail-too-short',
  why: 'It does not reach with a service loop. Move the panel nearer to the entry, use a coupler, or extend it with a joint that is noted.',
  source: commonPractice,
  stations: ['runs', 'land'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'entry', 'tailMm', 'origin'],
    landings: true,
    answers: true,
    units: true,
  },
  find: (index) => {
    const show = (mm: number) => formatSize(mm, index.job.units);
    const short = index.runsInOrder.flatMap((run) => {
      const reach = tailShortfall(index.job, run);
      return reach && reach.missingMm > 0 ? [{ run, ...reach }] : [];
    });
    // A new cable is cut to what it takes; one that was there has the tail that it has.
    const unmeasured = index.runsInOrder.filter(
      (run) => run.origin !== 'new' && run.tailMm === null && index.landingOfRun.has(run.id),
    );
    const known = [...groupBy(short, ({ panelName }) => panelName).values()].flatMap((some): Finding[] => {
      const [worst, ...others] = some.toSorted((a, b) => b.missingMm - a.missingMm);
      const least = others.at(-1);
      if (!worst) return [];
      const what = least
        ? `${some.length} tails are too short for ${worst.panelName}: ${worst.run.label} by ${show(worst.missingMm)} the most, ${least.run.label} by ${show(least.missingMm)} the least.`
        : `The tail of ${worst.run.label} is ${show(worst.missingMm)} short of ${worst.panelName}, which takes ${show(worst.needMm)}.`;
      return [{ grade: 'wont-work', runIds: some.map(({ run }) => run.id), what }];
    });
    return [...runsNotJudged(unmeasured, 'reach to the panel', 'the length of the tail'), ...known];
  },
};
