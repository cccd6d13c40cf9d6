import { practice } from '../../../base/standards/practice';
import { commonPractice } from '../../../base/standards/source';
import { percent } from '../../../base/units/percent';
import type { Gear } from '../../../job/records/gear';
import { portsOf } from '../../../job/records/ports';
import type { Finding, SnagRule } from '../snag';

export const fewSparePorts: SnagRule = {
  id: 'few-spare-ports',
  why: 'A panel or switch bought exactly full is full within half a year.',
  source: commonPractice,
  stations: ['land', 'patch'],
  reads: { gear: true, landings: true, cords: true },
  find: ({ job, landingAtPort, cordAtSwitchPort }) => {
    const gear = Object.values(job.gear);
    const judge = (what: string, devices: Gear[], used: number): Finding[] => {
      const ports = devices.flatMap((one) => portsOf(one).filter((port) => port.use === 'access')).length;
      if (ports === 0 || used < ports * practice.fullShare) return [];
      const free = Math.max(0, ports - used);
      const share = percent(used, ports);
      return [
        {
          grade: free === 0 ? 'will-bite' : 'could-be-neater',
          gearIds: devices.map((one) => one.id),
          what: free === 0 ? `No ${what} port is free.` : `${free} of ${ports} ${what} ports are free (${share} used).`,
        },
      ];
    };
    return [
      ...judge(
        'panel',
        gear.filter((one) => one.kind === 'panel'),
        landingAtPort.size,
      ),
      ...judge(
        'switch',
        gear.filter((one) => one.kind === 'switch'),
        [...cordAtSwitchPort.values()].filter((cord) => job.gear[cord.switchId]?.kind === 'switch').length,
      ),
    ];
  },
};
