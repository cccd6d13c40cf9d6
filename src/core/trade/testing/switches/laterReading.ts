import { secondsAnError } from '../reflections';
import type { SeenPort } from './readWalk';

const DAY_S = 86_400;
const LONGEST_FRAME = 1518;
/** What a link of each speed may have at most, by its standard (IEEE 802.3): broken bits of all. */
const WORST_BER = (mbps: number): number => (mbps >= 2500 ? 1e-12 : 1e-10);

export type PortChange = { port: number; words: string; worse: boolean };

/** Broken frames a day that a link may have at most: every bit in use, as many broken as its standard allows. */
export const mostErrorsADay = (mbps: number): number => DAY_S / secondsAnError(WORST_BER(mbps), LONGEST_FRAME, mbps);

/**
 * What changed at the ports of a switch between two readings.
 * @param days between them; null: not known
 */
export function changesBetween(
  before: readonly SeenPort[],
  after: readonly SeenPort[],
  days: number | null,
): PortChange[] {
  const was = new Map(before.map((one) => [one.port, one]));
  return after.flatMap((now): PortChange[] => {
    const then = was.get(now.port);
    if (!then) return [{ port: now.port, words: 'It was not there before.', worse: false }];
    const found: PortChange[] = [];
    const say = (words: string, worse: boolean) => found.push({ port: now.port, words, worse });
    if (then.up !== now.up && now.up !== null && then.up !== null)
      say(now.up ? 'It came up.' : 'It went down.', !now.up);
    if (now.up && then.up && then.mbps !== null && now.mbps !== null && then.mbps !== now.mbps)
      say(`It links at ${now.mbps} Mb/s; it was ${then.mbps}.`, now.mbps < then.mbps);
    if (then.network !== null && now.network !== null && then.network !== now.network)
      say(`It is in network ${now.network}; it was ${then.network}.`, true);
    if (then.poe !== null && now.poe !== null && then.poe !== now.poe)
      say(`Power: ${now.poe}; it was ${then.poe}.`, then.poe === 'delivering');
    const gone = then.addresses.filter((one) => !now.addresses.includes(one));
    const come = now.addresses.filter((one) => !then.addresses.includes(one));
    if (come.length > 0 && gone.length > 0) say('Another device is on it.', true);
    found.push(...errorsSince(then, now, days));
    return found;
  });
}

function errorsSince(then: SeenPort, now: SeenPort, days: number | null): PortChange[] {
  if (then.fcsErrors === null || now.fcsErrors === null) return [];
  const { port } = now;
  // A counter that is smaller was begun anew with the switch.
  const more = now.fcsErrors - then.fcsErrors;
  if (more < 0) return [{ port, words: 'Its counters began anew: the switch was started in between.', worse: false }];
  if (more === 0) return [];
  if (days === null || days <= 0)
    return [{ port, words: `${more} more broken frames; how many a day is not known.`, worse: true }];
  const rate = more / days;
  const most = now.mbps === null || now.mbps === 0 ? null : mostErrorsADay(now.mbps);
  const verdict =
    most === null
      ? 'a sound short link shows none'
      : rate > most
        ? `more than the ${Math.round(most)} that its standard allows even at full use`
        : `within the ${Math.round(most)} that its standard allows at full use, but a sound short link shows none`;
  return [
    { port, words: `${rate < 10 ? rate.toFixed(1) : Math.round(rate)} broken frames a day: ${verdict}.`, worse: true },
  ];
}
