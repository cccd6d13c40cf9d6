import { channelLoopOhm, loopSource } from '../../../base/standards/copperWire';
import { deviceLeastSource, poeFeedSource } from '../../../base/standards/poeFeed';
import { isNow } from '../../../job/records/run';
import { limitLoopOhm, loopOhm } from '../../../trade/power/copperWire';
import { deviceWattsOf, poeUnknown, takesPower } from '../../../trade/power/poe';
import { runFeed } from '../../../trade/power/poeFeed';
import { cableKindOf } from '../../../trade/runs/cableKinds';
import { channelOf } from '../../../trade/runs/channelLength';
import { runCelsius } from '../../../trade/runs/pathways/cableHeat';
import { figureOf } from '../../../trade/survey/answers/answers';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

export const poeFeedWeak: SnagRule = {
  id: 'poe-feed-weak',
  why: 'The device reboots or never starts: the voltage drop over this length of thin copper is too high.',
  source: poeFeedSource,
  stations: ['runs', 'patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'floor', 'carries', 'cable', 'lengthMm', 'device', 'poeW', 'poeClass', 'entry', 'scope'],
    landings: true,
    cords: true,
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    pathways: true,
    passages: true,
    shelvings: true,
  },
  find: (index) => {
    const cordAwg = figureOf(index.job, 'cord-awg');
    const powered = index.runsInOrder.filter((run) => takesPower(run) && run.carries === 'ethernet' && isNow(run));
    const unknown = {
      'watts of their devices': powered.filter(poeUnknown),
      length: powered.filter((run) => channelOf(index.job, run) === null),
      cable: powered.filter((run) => !cableKindOf(index.job, run.cable)?.gaugeAwg),
    };
    const weak = powered.flatMap((run): Finding[] | Finding => {
      const channel = channelOf(index.job, run);
      const celsius = runCelsius(index.job, run);
      const awg = cableKindOf(index.job, run.cable)?.gaugeAwg;
      if (poeUnknown(run) || !channel || !awg) return [];
      // What the cable may have at most, not what good copper has.
      const ohm = limitLoopOhm(channel.fixedMm, awg, celsius) + loopOhm(channel.cordsMm, cordAwg, celsius);
      const watts = deviceWattsOf(run);
      const feed = runFeed(watts, ohm, run.poeClass);
      const runIds = [run.id];
      // Beyond every class is another rule's finding, whatever the cable.
      if (feed === null || (feed === 'beyond' && watts > 71.3)) return [];
      if (feed === 'beyond' || feed.deviceV < feed.leastDeviceV) {
        const volts = feed === 'beyond' ? 'no' : feed.deviceV.toFixed(1);
        const least = feed === 'beyond' ? '' : `; its class needs ${feed.leastDeviceV} V`;
        const what = `${run.label} brings ${volts} V to ${run.device || 'its device'} of ${watts} W${least}.`;
        const source = feed === 'beyond' ? poeFeedSource : deviceLeastSource(feed.class);
        return { grade: 'wont-work' as const, runIds, what, source };
      }
      if (ohm <= channelLoopOhm) return [];
      const what = `${run.label} has a loop of ${ohm.toFixed(1)} Ω; the limit of the channel is ${channelLoopOhm} Ω.`;
      return { grade: 'will-bite' as const, runIds, what, source: loopSource };
    });
    return [
      ...weak,
      ...Object.entries(unknown).flatMap(([missing, runs]) => runsNotJudged(runs, 'power at the device', missing)),
    ];
  },
};
