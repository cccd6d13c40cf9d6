import { published } from '../../../base/standards/source';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import type { SnagRule } from '../snag';

export const networksMixed: SnagRule = {
  id: 'networks-mixed',
  why: 'A switch whose ports cannot be set puts all that is plugged in into one network: guests see the office.',
  source: published('IEEE 802.1Q'),
  stations: ['patch'],
  reads: { gear: true, networks: true, runs: ['id', 'label', 'networkId'], landings: true, cords: true },
  find: (index) => {
    const { job } = index;
    const on = new Map<string, Set<string>>();
    for (const { run, device } of patchedRuns(index.job)) {
      if (run.networkId === null || device.managed) continue;
      const set = on.get(device.id) ?? new Set();
      set.add(run.networkId);
      on.set(device.id, set);
    }
    return [...on].flatMap(([gearId, networks]) => {
      if (networks.size < 2) return [];
      const gear = job.gear[gearId];
      const names = [...networks].map((id) => job.networks[id]?.name).join(', ');
      return {
        grade: 'will-bite' as const,
        gearIds: [gearId],
        what: `${gear?.name} has runs of ${networks.size} networks (${names}), and is not a managed switch.`,
        mends: () => [
          {
            label: 'It is a managed switch',
            commands: [{ type: 'editGear' as const, gearId, changes: { managed: true } }],
          },
        ],
      };
    });
  },
};
