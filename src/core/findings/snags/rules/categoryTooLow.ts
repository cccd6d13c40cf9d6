import { CATEGORIES, categoryReach, reachFor } from '../../../base/standards/categoryReach';
import { copperLengths } from '../../../base/standards/copperLengths';
import { fromMemory } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import { formatLength } from '../../../base/units/length';
import { cableCategory } from '../../../trade/runs/cableCategory';
import { channelLengthMm } from '../../../trade/runs/channelLength';
import type { Mend, SnagRule } from '../snag';

/** The lowest category that surely carries a speed over a length. */
function categoryFor(speedMbps: number, lengthMm: number) {
  return CATEGORIES.filter((one) => one !== '7' && one !== '7A').find((one) => {
    const reach = categoryReach[one].find((row) => row.speedMbps >= speedMbps);
    return reach !== undefined && lengthMm <= reach.sureMm;
  });
}

export const categoryTooLow: SnagRule = {
  id: 'category-too-low',
  why: 'The link will come up slower than wanted, or with losses.',
  source: fromMemory('ANSI/TIA-568.2-D; IEEE 802.3'),
  stations: ['runs'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'carries', 'cable', 'lengthMm', 'speedMbps'],
    landings: true,
    cords: true,
    answers: true,
    shelvings: true,
    units: true,
  },
  find: (index) =>
    index.runsInOrder.flatMap((run) => {
      const category = run.carries === 'ethernet' && run.speedMbps !== null ? cableCategory(run.cable) : null;
      if (category === null || run.speedMbps === null) return [];
      const { speedMbps } = run;
      const reach = reachFor(category, speedMbps);
      // Where the length is unknown only what no length would allow is a snag.
      const lengthMm = channelLengthMm(index.job, run) ?? 1;
      if (reach && lengthMm <= reach.sureMm) return [];
      // Where only the length is over what any channel may have, that is said of its length.
      if (reach && lengthMm > copperLengths.channelMm && copperLengths.channelMm <= reach.sureMm) return [];
      const perhaps = reach !== null && lengthMm <= reach.perhapsMm;
      const speed = formatSpeed(speedMbps);
      const limit =
        reach && reach.perhapsMm > 0
          ? `to ${formatLength(reach.sureMm || reach.perhapsMm, index.job.units)}`
          : 'at no length';
      const what = perhaps
        ? `${run.label} wants ${speed} over ${formatLength(lengthMm, index.job.units)} of Cat ${category}: it depends on what lies beside it.`
        : `${run.label} wants ${speed} over ${formatLength(lengthMm, index.job.units)}; Cat ${category} carries that ${limit}.`;
      const mends = (): Mend[] => {
        const better = categoryFor(speedMbps, lengthMm);
        if (!better) return [];
        const cable = `Cat ${better}`;
        const edits = [{ runId: run.id, changes: { cable } }];
        return [{ label: `Plan ${cable} for ${run.label}`, commands: [{ type: 'editRuns', edits }] }];
      };
      return {
        grade: perhaps ? ('will-bite' as const) : ('wont-work' as const),
        runIds: [run.id],
        what,
        ...(reach ? { source: reach.source } : {}),
        mends,
      };
    }),
};
