import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { portKey } from '../../../job/records/portKey';
import { isCage, type Port, portsOf } from '../../../job/records/ports';

/** Ports that an uplink could go into: nothing is in them, and they are not for the internet. Fast ones first. */
export function freePorts(job: Job, gear: Gear): Port[] {
  const { cordAtSwitchPort, uplinkAtPort } = indexJob(job);
  return portsOf(gear)
    .filter(({ number, use }) => {
      const key = portKey(gear.id, number);
      return use === 'access' && !uplinkAtPort.has(key) && !cordAtSwitchPort.has(key);
    })
    .sort((a, b) => (b.speedMbps ?? 0) - (a.speedMbps ?? 0) || a.number - b.number);
}

/** A pair of ports of like speed, the fastest that both have free; else the first of each. */
export function likePorts(a: readonly Port[], b: readonly Port[]): [Port | undefined, Port | undefined] {
  for (const one of a) {
    const like = b.find((other) => other.speedMbps === one.speedMbps && isCage(other) === isCage(one));
    if (like) return [one, like];
  }
  const same = a.flatMap((one) =>
    b.filter((other) => other.speedMbps === one.speedMbps).map((other) => [one, other] as const),
  );
  return same[0] ? [...same[0]] : [a[0], b[0]];
}
