import { peukertSource } from '../../../base/standards/batteries';
import { formatMinutes } from '../../../base/units/minutes';
import { inletCount } from '../../../job/records/mainsSockets';
import { minutesWanted } from '../../../trade/power/batteries';
import { judgedOn, upsFacts } from '../../../trade/power/cooling/upsFacts';
import { feedsOf } from '../../../trade/power/feeds';
import { generatorFacts } from '../../../trade/power/generator';
import { FEED_READS } from '../powerReads';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const batteryShort: SnagRule = {
  id: 'battery-short',
  why: 'A battery that ends before the mains or the generator are back only delays the outage.',
  source: peukertSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const wanted = minutesWanted(job);
    const { bridgeMin, regulated, kind } = generatorFacts(job);
    const need = Math.max(wanted, bridgeMin ?? 0);
    return feedsOf(job)
      .units.filter((gear) => gear.kind === 'ups' && inletCount(gear) > 0)
      .flatMap((gear): Finding[] => {
        const facts = upsFacts(job, gear, judgedOn(job));
        if (facts.onBattery.w <= 0 && facts.onBattery.unknown === 0) return [];
        const gearIds = [gear.id];
        const findings: Finding[] = [];
        // As new, and as warm as it is, is the most that it can last, whatever its age.
        const most = facts.aged ?? facts.best;
        const forWhat = bridgeMin !== null && bridgeMin > wanted ? 'until the generator carries the load' : 'required';
        if (most !== null && most.minutes < need)
          findings.push({
            grade: 'will-bite',
            gearIds,
            what: `${gear.name}: run time ${facts.aged ? 'about' : 'at most'} ${formatMinutes(most.minutes)}, ${formatMinutes(need)} ${forWhat}.`,
          });
        else if (facts.aged === null) findings.push(notJudged({ gearIds }, gear.name, 'run time', facts.unknown));
        if ((kind === 'hand' || kind === 'automatic') && regulated !== true && gear.battery?.topology === 'vi')
          findings.push({
            grade: 'could-be-neater',
            gearIds,
            rowIds: ['generator'],
            what: `${gear.name} may not accept the generator: a line-interactive UPS needs steady voltage and frequency${regulated === null ? ', and the generator’s are not known' : ''}.`,
          });
        return findings;
      });
  },
};
