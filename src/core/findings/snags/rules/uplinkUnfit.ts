import { commonPractice } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import type { Cord, PortSide } from '../../../job/records/cord';
import type { Gear } from '../../../job/records/gear';
import { isPanel } from '../../../job/records/ports';
import { listUplinks } from '../../../trade/patching/uplinks/uplinkFacts';
import { type Finding, notJudged, type SnagRule } from '../snag';

const words = (gear: Gear, port: number, side: PortSide) =>
  `${gear.name} ${port}${side === 'rear' ? ' at the rear' : ''}`;

function unknownSpeed(cord: Cord, from: Gear, to: Gear): Finding {
  const ends = [
    { gear: from, words: words(from, cord.fromPort, cord.fromSide) },
    { gear: to, words: words(to, cord.toPort, cord.toSide) },
  ];
  const panels = ends.filter(({ gear }) => isPanel(gear));
  const missing =
    panels.length > 0 ? `what is joined behind ${listed(panels.map((end) => end.words))}` : 'the speed of both ports';
  const about = { gearIds: [from.id, to.id], rowIds: [cord.id] };
  return notJudged(about, `The cord ${ends.map((end) => end.words).join(' to ')}`, 'speed and reach', [missing]);
}

export const uplinkUnfit: SnagRule = {
  id: 'uplink-unfit',
  why: 'All that is patched below it goes through this link.',
  source: commonPractice,
  stations: ['patch'],
  reads: { racks: true, gear: true, placements: true, answers: true, shelvings: true, cords: true, units: true },
  find: ({ job }) =>
    listUplinks(job).flatMap(({ uplink, from, to, faults, speedMbps }) => [
      ...(speedMbps === null ? [unknownSpeed(uplink, from, to)] : []),
      ...faults.map(({ grade, words, source }) => ({
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
    ]),
};
