import { commonPractice } from '../../../base/standards/source';
import { standOf } from '../../../job/rack/stand';
import { powerSide } from '../../../trade/power/mainsCords';
import type { SnagRule } from '../snag';

export const mainsBesideData: SnagRule = {
  id: 'mains-beside-data',
  why: 'Mains cords beside data cables couple noise into them and are hard to separate later. Use one side of the cabinet for each.',
  source: commonPractice,
  stations: ['power'],
  reads: { gear: true, plugs: true, racks: true, placements: true, shelvings: true },
  find: ({ job }) => {
    const beside = Object.values(job.plugs).filter((plug) => {
      const rack = job.racks[standOf(job, plug.gearId)?.rackId ?? ''];
      return plug.side !== null && rack !== undefined && plug.side !== powerSide(rack);
    });
    if (beside.length === 0) return [];
    return [
      {
        grade: 'could-be-neater',
        rowIds: beside.map(({ id }) => id),
        what: `${beside.length === 1 ? 'A mains cord runs' : `${beside.length} mains cords run`} on the side where data comes in.`,
        mends: () => [
          {
            label: 'Run them on the other side',
            commands: [
              {
                type: 'editRows',
                edits: beside.map((plug) => ({
                  table: 'plugs',
                  id: plug.id,
                  changes: { side: plug.side === 'left' ? 'right' : 'left' },
                })),
              },
            ],
          },
        ],
      },
    ];
  },
};
