import { published } from '../../../base/standards/source';
import { portKey } from '../../../job/records/portKey';
import { allowedNetworks } from '../../../trade/patching/networks/allowed';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import type { SnagRule } from '../snag';

export const networkNotOnPort: SnagRule = {
  id: 'network-not-on-port',
  why: 'The device comes up in another network, or in none.',
  source: published('IEEE 802.1Q'),
  stations: ['patch'],
  reads: {
    gear: true,
    networks: true,
    runs: ['id', 'label', 'networkId'],
    landings: true,
    cords: true,
    allowances: true,
    portNetworks: true,
  },
  find: (index) => {
    const { job } = index;
    const allowed = allowedNetworks(index.job);
    const set = new Map<string, { networkId: string; tagged: boolean }[]>();
    for (const { gearId, port, networkId, tagged } of Object.values(job.portNetworks)) {
      const key = portKey(gearId, port);
      set.set(key, [...(set.get(key) ?? []), { networkId, tagged }]);
    }
    return patchedRuns(index.job).flatMap(({ run, device, cord }) => {
      const network = run.networkId === null ? undefined : job.networks[run.networkId];
      if (!network) return [];
      const about = { runIds: [run.id], gearIds: [device.id] };
      const here = `${device.name} port ${cord.switchPort}`;
      const may = allowed.get(device.id);
      if (may && !may.has(network.id))
        return {
          ...about,
          grade: 'wont-work' as const,
          what: `${run.label} belongs to ${network.name}, which ${device.name} may not carry.`,
        };
      const rows = set.get(portKey(device.id, cord.switchPort));
      if (!rows || rows.some((row) => row.networkId === network.id)) return [];
      const mine = Object.values(job.portNetworks).filter(
        (row) => row.gearId === device.id && row.port === cord.switchPort,
      );
      return {
        ...about,
        grade: 'will-bite' as const,
        what: `${run.label} belongs to ${network.name}; ${here} is set to ${rows.map((row) => job.networks[row.networkId]?.name).join(', ')}.`,
        mends: () => [
          {
            label: `Let ${here} carry what is plugged in`,
            commands: [{ type: 'dropRows' as const, table: 'portNetworks' as const, ids: mine.map((row) => row.id) }],
          },
        ],
      };
    });
  },
};
