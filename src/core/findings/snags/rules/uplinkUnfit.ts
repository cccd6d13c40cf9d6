import { commonPractice } from '../../../base/standards/source';
import { listUplinks } from '../../../trade/patching/uplinks/uplinkFacts';
import type { SnagRule } from '../snag';

export const uplinkUnfit: SnagRule = {
  id: 'uplink-unfit',
  why: 'All that is patched below it goes through this link.',
  source: commonPractice,
  stations: ['patch'],
  reads: { racks: true, gear: true, placements: true, answers: true, shelvings: true, cords: true, units: true },
  find: ({ job }) =>
    listUplinks(job).flatMap(({ uplink, from, to, faults }) =>
      faults.map(({ grade, words, source }) => ({
        grade,
        gearIds: [from.id, to.id],
        rowIds: [uplink.id],
        source,
        what: `Uplink ${from.name} ${uplink.fromPort} to ${to.name} ${uplink.toPort}: ${words}.`,
        mends: () =>
          uplink.medium === 'auto'
            ? []
            : [
                {
                  label: 'Choose the medium by distance',
                  commands: [
                    {
                      type: 'editRows' as const,
                      edits: [{ table: 'cords' as const, id: uplink.id, changes: { medium: 'auto' as const } }],
                    },
                  ],
                },
              ],
      })),
    ),
};
