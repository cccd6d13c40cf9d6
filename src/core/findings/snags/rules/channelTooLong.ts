import { channelSource, copperLengths } from '../../../base/standards/copperLengths';
import { type CordGauge, cordDerating, mostCords } from '../../../base/standards/cordDerating';
import { isPoweredByWord } from '../../../base/text/deviceWords';
import { formatLength } from '../../../base/units/length';
import type { Run } from '../../../job/records/run';
import { cableCategory } from '../../../trade/runs/cableCategory';
import { isScreened } from '../../../trade/runs/cableKinds';
import { channelOf } from '../../../trade/runs/channelLength';
import { cordsAllowedMm, fixedAllowedMm, linkLimitMm, temperatureLoss } from '../../../trade/runs/linkLimits';
import { runCelsius } from '../../../trade/runs/pathways/cableHeat';
import { figureOf } from '../../../trade/survey/answers/answers';
import { RUN_LIMIT_READS } from '../pathwayReads';
import type { Finding, SnagRule } from '../snag';

export const channelTooLong: SnagRule = {
  id: 'channel-too-long',
  why: 'Cable and cords together are over the limit of the channel. Shorten the cords, take thicker ones, or shorten the run.',
  source: channelSource,
  stations: ['runs', 'patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: RUN_LIMIT_READS,
    cableKinds: true,
    pathways: true,
    passages: true,
    landings: true,
    cords: true,
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    shelvings: true,
    units: true,
  },
  find: (index) => {
    const gauge = figureOf(index.job, 'cord-awg') as CordGauge;
    const show = (mm: number) => formatLength(Math.max(0, Math.floor(mm / 10) * 10), index.job.units);
    const { outletMm } = mostCords[gauge];
    const outletCordMm = figureOf(index.job, 'outlet-cord');
    const long: Finding[] =
      outletMm !== null && outletCordMm > outletMm
        ? [
            {
              grade: 'wont-work',
              rowIds: ['outlet-cord'],
              what: `Cords of ${show(outletCordMm)} at the outlets: of ${gauge} AWG they may be ${show(outletMm)}.`,
              source: mostCords[gauge].source,
            },
          ]
        : [];
    const linkLimitOf = (run: Run) =>
      linkLimitMm(
        cableCategory(run.cable),
        runCelsius(index.job, run),
        isScreened(index.job, run.cable),
        run.speedMbps,
      );
    const channels = index.runsInOrder.flatMap((run): Finding[] => {
      const channel = run.carries === 'ethernet' ? channelOf(index.job, run) : null;
      if (!channel) return [];
      const { fixedMm } = channel;
      const celsius = runCelsius(index.job, run);
      const loss = temperatureLoss(celsius, isScreened(index.job, run.cable));
      // The cord at an access point or a camera is in the same heat as its cable.
      const cordsMm = channel.cordsMm + (isPoweredByWord(run.device) ? (outletCordMm * loss) / (1 - loss) : 0);
      // A link that is too long by itself is said to be so, and not once more with its cords.
      if (fixedMm > linkLimitOf(run)) return [];
      const total = fixedMm + cordsMm;
      if (total > copperLengths.channelMm) {
        const what = `${run.label} makes a channel of ${show(total)} with its cords; the limit is ${show(copperLengths.channelMm)}.`;
        return [{ grade: 'wont-work', runIds: [run.id], what }];
      }
      const allowedMm = cordsAllowedMm(fixedMm, gauge, loss);
      if (cordsMm <= allowedMm) return [];
      const what = `${run.label} has ${show(fixedMm)} of fixed cable: cords of ${gauge} AWG may be ${show(allowedMm)} together, and ${show(cordsMm)} are planned. With those the fixed cable may be ${show(fixedAllowedMm(cordsMm, gauge, loss))}${loss > 0 ? ` at ${Math.round(celsius)} °C` : ''}.`;
      return [
        {
          grade: 'wont-work',
          runIds: [run.id],
          what,
          source: allowedMm < mostCords[gauge].mm ? cordDerating[gauge].source : mostCords[gauge].source,
        },
      ];
    });
    return [...long, ...channels];
  },
};
