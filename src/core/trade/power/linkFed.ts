import { kept } from '../../base/memo/kept';
import { linksOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import type { JobIndex } from '../../job/document/jobIndex';
import { ownW } from '../../job/gear/body';
import type { Gear } from '../../job/records/gear';
import { inletCount } from '../../job/records/mainsSockets';
import { portKey } from '../../job/records/portKey';
import { isSwitching, portAt, portsOf } from '../../job/records/ports';
import { drawnWattsFor } from './poe';

type LinkEnd = { uplinkId: string; otherId: string; otherPort: number };
/** Links by the device at either of their ends. */
const linksAt = kept((links: ReturnType<typeof linksOf>): ReadonlyMap<string, LinkEnd[]> => {
  const ends = new Map<string, LinkEnd[]>();
  const add = (at: string, end: LinkEnd) => ends.set(at, [...(ends.get(at) ?? []), end]);
  for (const { id, fromId, fromPort, toId, toPort } of Object.values(links)) {
    add(fromId, { uplinkId: id, otherId: toId, otherPort: toPort });
    add(toId, { uplinkId: id, otherId: fromId, otherPort: fromPort });
  }
  return ends;
});

/** Devices that feed a switch without an inlet of its own, over the links in their ports with power. */
export function linkSources(job: Job, gear: Gear): { from: Gear; uplinkId: string }[] {
  if (!isSwitching(gear) || inletCount(gear) > 0) return [];
  return (linksAt(linksOf(job)).get(gear.id) ?? []).flatMap(({ uplinkId, otherId, otherPort }) => {
    const from = job.gear[otherId];
    return from && (portAt(from, otherPort)?.poeW ?? 0) > 0 ? [{ from, uplinkId }] : [];
  });
}

/** Switches that a device feeds over its links; of several sources the first has it all. */
function fedOverLinks({ job, uplinkAtPort }: JobIndex, gear: Gear): Gear[] {
  if (gear.poeBudgetW === 0) return [];
  return portsOf(gear).flatMap(({ number }) => {
    const uplink = uplinkAtPort.get(portKey(gear.id, number));
    const other = uplink && job.gear[uplink.fromId === gear.id ? uplink.toId : uplink.fromId];
    return other && linkSources(job, other)[0]?.uplinkId === uplink.id ? [other] : [];
  });
}

/**
 * Watts that leave a device's ports for the switches that it feeds over its links, the loss of their class counted. What
 * they hand on in turn is not known: such a switch shares what its class gives.
 */
export const linkFedW = (index: JobIndex, gear: Gear): number =>
  fedOverLinks(index, gear).reduce((sum, fed) => {
    const own = ownW(fed) ?? 0;
    const drawn = drawnWattsFor(own);
    return sum + (Number.isFinite(drawn) ? drawn : own);
  }, 0);
