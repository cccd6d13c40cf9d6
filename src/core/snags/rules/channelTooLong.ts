import { channelLengthMm } from '../../runs/channelLength';
import { channelSource, copperLengths } from '../../standards/copperLengths';
import { formatLength } from '../../units/length';
import type { SnagRule } from '../snag';

export const channelTooLong: SnagRule = {
  id: 'channel-too-long',
  why: 'Cable and cords together are over the limit of the channel. Shorten the cords, or the run.',
  source: channelSource,
  stations: ['runs', 'patch'],
  find: (index) =>
    index.runsInOrder.flatMap((run) => {
      const lengthMm = run.carries === 'ethernet' ? channelLengthMm(index, run) : null;
      if (lengthMm === null || lengthMm <= copperLengths.channelMm) return [];
      const [is, desk, limit] = [lengthMm, copperLengths.workAreaCordMm, copperLengths.channelMm].map((mm) =>
        formatLength(mm, index.job.units),
      );
      const what = `${run.label} makes a channel of ${is} with its cords (${desk} reckoned at the outlet); the limit is ${limit}.`;
      return { grade: 'wont-work' as const, runIds: [run.id], what };
    }),
};
