import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import type { Gear } from '../records/gear';
import { portKey } from '../records/portKey';
import { type Port, portsOf } from '../records/ports';

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
