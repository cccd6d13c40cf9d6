import { unitFacts } from '../../power/batteries';
import { feedsOf } from '../../power/feeds';
import { inletCount } from '../../records/mainsSockets';
import { answerOf, figureOf } from '../../site/answers';
import { endOfLifeSource } from '../../standards/batteries';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const batteryDue: SnagRule = {
  id: 'battery-due',
  why: 'Blocks past their life fail under load, and swell until they cannot be drawn out. They hold a high short-circuit current: change them by the maker’s instructions.',
  source: endOfLifeSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const today = answerOf(job, 'judged-on');
    return feedsOf(job)
      .units.filter((gear) => gear.kind === 'ups' && inletCount(gear) > 0)
      .flatMap((gear): Finding[] => {
        const { due, overdue, onBattery } = unitFacts(job, gear, figureOf(job, 'room-c'), today === '' ? null : today);
        const at = { gearIds: [gear.id] };
        if (overdue) return [{ ...at, grade: 'will-bite', what: `The blocks of ${gear.name} were due on ${due}.` }];
        if (due === null && onBattery.w > 0)
          return [
            {
              ...at,
              grade: 'could-be-neater',
              what: `How old the blocks of ${gear.name} are is not known: it stands on them.`,
            },
          ];
        return [];
      });
  },
};
