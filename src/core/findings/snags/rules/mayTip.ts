import { staticsSource } from '../../../base/standards/withdrawal';
import { placedIn } from '../../../job/rack/space';
import { tipping } from '../../../trade/rack/mounting/rackLoad';
import { type Finding, notJudged, type SnagRule } from '../snag';

/** A cabinet that tips sooner than this is not steady. From memory: IEC 62368-1, stability test on a slope of 10°. */
const LEAST_DEG = 10;

export const mayTip: SnagRule = {
  id: 'may-tip',
  why: 'A rack that falls crushes who stands before it. Fix it to floor or wall before anything goes in, and load it from the bottom.',
  source: staticsSource,
  stations: ['stack'],
  reads: { racks: true, gear: true, placements: true, shelvings: true },
  find: ({ job }) =>
    Object.values(job.racks).flatMap((rack): Finding[] => {
      if (rack.standing === 'wall') return [];
      const missing = [
        ...(rack.standing === 'floor' && rack.baseMm === null ? ['the height of its lowest unit'] : []),
        ...(rack.outerDepthMm === null ? ['its outer depth'] : []),
      ];
      const { angleDeg, tipsWithDrawnDevice } = tipping(job, rack);
      if (tipsWithDrawnDevice) {
        const what = `${rack.name} tips forwards when its heaviest device is drawn out.`;
        return [{ grade: 'wont-work', rackIds: [rack.id], what }];
      }
      if (angleDeg >= LEAST_DEG)
        return missing.length > 0 && placedIn(job, rack.id).length > 0
          ? [notJudged({ rackIds: [rack.id] }, rack.name, 'tipping', missing)]
          : [];
      const what = `${rack.name} tips forwards beyond ${angleDeg.toFixed(0)}° when nothing holds it.`;
      return [{ grade: 'will-bite', rackIds: [rack.id], what }];
    }),
};
