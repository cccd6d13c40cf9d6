import { endOfLifeSource } from '../../../base/standards/batteries';
import { inletCount } from '../../../job/records/mainsSockets';
import { judgedOn, upsFacts } from '../../../trade/power/cooling/upsFacts';
import { feedsOf } from '../../../trade/power/feeds';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const batteryDue: SnagRule = {
  id: 'battery-due',
  why: 'Blocks past their life fail under load, and swell until they cannot be drawn out. They hold a high short-circuit current: change them by the maker’s instructions.',
  source: endOfLifeSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const today = judgedOn(job);
    return feedsOf(job)
      .units.filter((gear) => gear.kind === 'ups' && inletCount(gear) > 0)
      .flatMap((gear): Finding[] => {
        const { due, overdue, onBattery } = upsFacts(job, gear, today);
        const gearIds = [gear.id];
        if (overdue)
          return [
            { gearIds, grade: 'will-bite', what: `The battery of ${gear.name} was due for replacement on ${due}.` },
          ];
        if (onBattery.w <= 0 || (due !== null && overdue !== null)) return [];
        const missing = due === null ? 'the date of its battery' : 'the day that its age is judged by';
        return [notJudged({ gearIds }, gear.name, 'battery age', [missing])];
      });
  },
};
