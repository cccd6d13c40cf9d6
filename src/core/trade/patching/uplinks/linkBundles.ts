import { commonPractice } from '../../../base/standards/source';
import { linksOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import type { Cord } from '../../../job/records/cord';
import type { UplinkFacts, UplinkFault } from './uplinkFacts';

/** Links that act as one (link aggregation, IEEE 802.1AX): a bundle, or one link by itself. */
export type Bundle = readonly [UplinkFacts, ...UplinkFacts[]];

/** What links of one bundle have alike: their two ends; of a link by itself also who it is. */
const bundleOf = ({ id, fromId, toId, bundled }: Cord): string =>
  [...[fromId, toId].sort(), ...(bundled ? [] : [id])].join(' ');

/** Every link in its bundle: those that are bundled between the same two devices, and each of the others alone. */
export function bundlesOf(links: readonly UplinkFacts[]): Bundle[] {
  const bundles = new Map<string, Bundle>();
  for (const link of links) {
    const key = bundleOf(link.uplink);
    bundles.set(key, [...(bundles.get(key) ?? []), link] as unknown as Bundle);
  }
  return [...bundles.values()];
}

/** What a bundle carries at the same time, Mb/s. One flow of data never gets more than one of its links. */
export const bundleMbps = (bundle: Bundle): number => bundle.reduce((sum, { speedMbps }) => sum + (speedMbps ?? 0), 0);

/** What is wrong with a bundle as such; of a link by itself only when it is meant to be bundled. */
export function bundleFaults(bundle: Bundle): UplinkFault[] {
  const [{ uplink, from, to }] = bundle;
  if (!uplink.bundled) return [];
  const faults: UplinkFault[] = [];
  const fault = (grade: UplinkFault['grade'], words: string) => faults.push({ grade, words, source: commonPractice });
  for (const gear of [from, to])
    if (gear.kind === 'switch' && !gear.managed)
      fault('wont-work', `${gear.name} is not a managed switch, so that it cannot bundle: its links form a ring`);
  if (bundle.length === 1) fault('will-bite', 'A bundle of one link: bundle another between the same two, or none');
  if (new Set(bundle.map(({ speedMbps }) => speedMbps)).size > 1)
    fault('will-bite', 'Links of one bundle come up at different speeds: most switches bundle those of one speed only');
  return faults;
}

/** The ports of a device that are bundled with one of its ports, in order. */
export function bundledWith(job: Job, gearId: string, port: number): number[] {
  const rows = Object.values(linksOf(job));
  const portOf = ({ fromId, fromPort, toId, toPort }: Cord) =>
    fromId === gearId ? fromPort : toId === gearId ? toPort : null;
  const own = rows.find((row) => portOf(row) === port);
  return rows
    .filter((row) => own && row !== own && bundleOf(row) === bundleOf(own))
    .flatMap((row) => portOf(row) ?? [])
    .sort((a, b) => a - b);
}
