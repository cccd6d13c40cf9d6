import { published } from '../../../base/standards/source';
import { switchingGear } from '../../../trade/patching/uplinks/portPlan';
import type { SnagRule } from '../snag';

export const networkUnnumbered: SnagRule = {
  id: 'network-unnumbered',
  why: 'A managed switch knows networks by their number only, 1 to 4094.',
  source: published('IEEE 802.1Q'),
  stations: ['patch'],
  reads: { gear: true, placements: true, networks: true },
  find: ({ job }) => {
    const networks = Object.values(job.networks);
    const open = networks.filter((network) => network.number === null);
    if (open.length === 0 || networks.length < 2 || !switchingGear(job).some((gear) => gear.managed)) return [];
    return [
      {
        grade: 'could-be-neater' as const,
        rowIds: open.map((network) => network.id),
        what: `${open.map((network) => network.name).join(', ')}: no number yet for the switches.`,
        mends: () => {
          const used = new Set(networks.flatMap((network) => network.number ?? []));
          let next = 10;
          return [
            {
              label: 'Number them 10, 20, 30 …',
              commands: open.map((network) => {
                while (used.has(next)) next += 10;
                used.add(next);
                return { type: 'editNetwork' as const, networkId: network.id, changes: { number: next } };
              }),
            },
          ];
        },
      },
    ];
  },
};
