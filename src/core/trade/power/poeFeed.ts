import { poeClasses } from '../../base/standards/poeClasses';
import { deviceLeastV, poeFeed } from '../../base/standards/poeFeed';
import { poeClassFor } from './poe';

export type Feed = { amps: number; deviceV: number; lossW: number; portW: number };

/**
 * What a device that takes constant watts draws through a resistance.
 * I = (V − √(V² − 4 R P)) / 2R
 * @param ohm resistance there and back of all conductors in use, ohm
 * @returns null when no current can bring that power through
 */
export function feedThrough(portV: number, ohm: number, deviceW: number): Feed | null {
  if (ohm <= 0) return { amps: deviceW / portV, deviceV: portV, lossW: 0, portW: deviceW };
  const root = portV ** 2 - 4 * ohm * deviceW;
  if (root < 0) return null;
  const amps = (portV - Math.sqrt(root)) / (2 * ohm);
  return { amps, deviceV: portV - amps * ohm, lossW: amps ** 2 * ohm, portW: portV * amps };
}

/** Resistance of the feed, ohm, from the loop of one pair: a pairset halves it, two pairsets halve it again. */
export const feedOhm = (loopOhm: number, pairs: 2 | 4): number => (pairs === 2 ? loopOhm / 2 : loopOhm / 4);

export type RunFeed = Feed & { class: number; pairs: 2 | 4; portV: number; leastDeviceV: number; lossShare: number };

/**
 * Feed of a device over a run, from the lowest voltage that the standard allows at the port.
 * @param ownClass class that the device states; null: by its watts
 * @returns null when the device takes no power, 'beyond' when no class or no current carries it
 */
export function runFeed(deviceW: number, loopOhm: number, ownClass: number | null = null): RunFeed | null | 'beyond' {
  const byWatts = poeClassFor(deviceW);
  if (byWatts === null || byWatts === 'beyond') return byWatts;
  // What a device tells of its class decides the supply and the voltage it needs, even where it draws less.
  const own = poeClasses.find((one) => one.class === ownClass);
  const row = own && own.class > byWatts.class ? own : byWatts;
  const supply = poeFeed.find(({ upToClass }) => row.class <= upToClass);
  const feed = supply && feedThrough(supply.leastV, feedOhm(loopOhm, row.pairs), deviceW);
  if (!supply || !feed) return 'beyond';
  return {
    ...feed,
    class: row.class,
    pairs: row.pairs,
    portV: supply.leastV,
    leastDeviceV: deviceLeastV[row.class] ?? 0,
    lossShare: feed.lossW / feed.portW,
  };
}
