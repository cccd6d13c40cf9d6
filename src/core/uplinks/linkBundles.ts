import type { Gear } from '../job/records/gear';
import { commonPractice } from '../standards/source';
import type { UplinkFacts, UplinkFault } from './uplinkFacts';

/** Links that act as one (link aggregation, IEEE 802.1AX): a bundle, or one link by itself. */
export type Bundle = readonly UplinkFacts[];

/** Every link in its bundle: those that are bundled between the same two devices, and each of the others alone. */
export function bundlesOf(links: readonly UplinkFacts[]): Bundle[] {
  const bundles = new Map<string, UplinkFacts[]>();
  for (const link of links) {
    const ends = [link.from.id, link.to.id].sort().join(' ');
    const key = link.uplink.bundled ? ends : `${ends} ${link.uplink.id}`;
    bundles.set(key, [...(bundles.get(key) ?? []), link]);
  }
  return [...bundles.values()];
}

/** What a bundle carries at the same time, Mb/s. One flow of data never gets more than one of its links. */
export const bundleMbps = (bundle: Bundle): number => bundle.reduce((sum, { speedMbps }) => sum + speedMbps, 0);

/** What is wrong with a bundle as such; of a link by itself only when it is meant to be bundled. */
export function bundleFaults(bundle: Bundle): UplinkFault[] {
  const [first] = bundle;
  if (!first?.uplink.bundled) return [];
  const faults: UplinkFault[] = [];
  const fault = (grade: UplinkFault['grade'], words: string) => faults.push({ grade, words, source: commonPractice });
  const dumb = [first.from, first.to].filter((gear: Gear) => gear.kind === 'switch' && !gear.managed);
  for (const gear of dumb)
    fault('wont-work', `${gear.name} is not a managed switch, so that it cannot bundle: its links form a ring`);
  if (bundle.length === 1) fault('will-bite', 'A bundle of one link: bundle another between the same two, or none');
  if (new Set(bundle.map(({ speedMbps }) => speedMbps)).size > 1)
    fault('will-bite', 'Links of one bundle come up at different speeds: most switches bundle those of one speed only');
  return faults;
}

/** The ports of this device that are bundled with one of its ports, in order. */
export function bundledWith(links: readonly UplinkFacts[], gearId: string, port: number): number[] {
  const portOf = ({ uplink }: UplinkFacts): number | null =>
    uplink.fromId === gearId ? uplink.fromPort : uplink.toId === gearId ? uplink.toPort : null;
  const own = bundlesOf(links).find((bundle) => bundle.some((link) => portOf(link) === port)) ?? [];
  return own
    .map(portOf)
    .filter((one): one is number => one !== null && one !== port)
    .sort((a, b) => a - b);
}
