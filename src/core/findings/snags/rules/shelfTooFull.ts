import { commonPractice } from '../../../base/standards/source';
import { formatSize } from '../../../base/units/length';
import { shelfLayout, trayOf } from '../../../job/rack/shelf';
import { isCarrier } from '../../../job/records/gear';
import type { SnagRule } from '../snag';

export const shelfTooFull: SnagRule = {
  id: 'shelf-too-full',
  why: 'Boxes stacked on one another hide their vents and pull at their plugs.',
  source: commonPractice,
  stations: ['stack'],
  reads: { gear: true, shelvings: true, units: true },
  find: ({ job }) =>
    Object.values(job.gear).flatMap((carrier) => {
      if (!isCarrier(carrier)) return [];
      const { left, proven } = shelfLayout(job, carrier);
      if (left.length === 0) return [];
      const tray = trayOf(carrier);
      const room = `${formatSize(tray.widthMm, job.units)} × ${formatSize(tray.depthMm, job.units)}`;
      const names = left.map((gear) => gear.name).join(', ');
      const how = proven ? 'no arrangement holds all' : 'no arrangement was found that holds all';
      return {
        grade: 'wont-work' as const,
        gearIds: [carrier.id],
        what: `${carrier.name} has ${room}: ${how}; ${names} ${left.length === 1 ? 'is' : 'are'} left over.`,
        mends: () => [
          { label: `Take ${names} off`, commands: [{ type: 'liftGear', gearIds: left.map((gear) => gear.id) }] },
        ],
      };
    }),
};
