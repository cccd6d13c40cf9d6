import { limitLoopOhm, loopOhm } from '../../power/copperWire';
import { deviceWattsOf, takesPower } from '../../power/poe';
import { runFeed } from '../../power/poeFeed';
import { cableKindOf } from '../../runs/cableKinds';
import { channelOf } from '../../runs/channelLength';
import { figureOf } from '../../site/answers';
import { channelLoopOhm, loopSource } from '../../standards/copperWire';
import { poeFeedSource } from '../../standards/poeFeed';
import type { SnagRule } from '../snag';

export const poeFeedWeak: SnagRule = {
  id: 'poe-feed-weak',
  why: 'The device starts and stops, or never starts: too little voltage arrives over so much thin copper.',
  source: poeFeedSource,
  stations: ['runs', 'patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    runs: ['id', 'label', 'floor', 'carries', 'cable', 'lengthMm', 'device', 'poeW', 'poeClass', 'entry'],
    landings: true,
    cords: true,
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    shelvings: true,
  },
  find: (index) => {
    const celsius = figureOf(index.job, 'route-c');
    const cordAwg = figureOf(index.job, 'cord-awg');
    return index.runsInOrder.flatMap((run) => {
      const channel = takesPower(run) && run.carries === 'ethernet' ? channelOf(index.job, run) : null;
      const awg = cableKindOf(index.job, run.cable)?.gaugeAwg;
      if (!channel || !awg) return [];
      // What the cable may have at most, not what good copper has.
      const ohm = limitLoopOhm(channel.fixedMm, awg, celsius) + loopOhm(channel.cordsMm, cordAwg, celsius);
      const watts = deviceWattsOf(run);
      const feed = runFeed(watts, ohm);
      const runIds = [run.id];
      // Beyond every class is another rule's finding, whatever the cable.
      if (feed === null || (feed === 'beyond' && watts > 71.3)) return [];
      if (feed === 'beyond' || feed.deviceV < feed.leastDeviceV) {
        const volts = feed === 'beyond' ? 'no' : feed.deviceV.toFixed(1);
        const least = feed === 'beyond' ? '' : `; its class needs ${feed.leastDeviceV} V`;
        const what = `${run.label} brings ${volts} V to ${run.device || 'its device'} of ${watts} W${least}.`;
        return { grade: 'wont-work' as const, runIds, what };
      }
      if (ohm <= channelLoopOhm) return [];
      const what = `${run.label} has a loop of ${ohm.toFixed(1)} Ω; the limit of the channel is ${channelLoopOhm} Ω.`;
      return { grade: 'will-bite' as const, runIds, what, source: loopSource };
    });
  },
};
