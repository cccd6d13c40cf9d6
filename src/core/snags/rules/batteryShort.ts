import { minutesWanted, unitFacts } from '../../power/batteries';
import { feedsOf } from '../../power/feeds';
import { generatorFacts } from '../../power/generator';
import { inletCount } from '../../records/mainsSockets';
import { answerOf, figureOf } from '../../site/answers';
import { peukertSource } from '../../standards/batteries';
import { formatMinutes } from '../../units/minutes';
import { FEED_READS } from '../powerReads';
import type { Finding, SnagRule } from '../snag';

export const batteryShort: SnagRule = {
  id: 'battery-short',
  why: 'A battery that ends before the mains or the generator are back only puts the moment off.',
  source: peukertSource,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job }) => {
    const wanted = minutesWanted(job);
    const { bridgeMin, regulated, kind } = generatorFacts(job);
    const today = answerOf(job, 'judged-on');
    return feedsOf(job)
      .units.filter((gear) => gear.kind === 'ups' && inletCount(gear) > 0)
      .flatMap((gear): Finding[] => {
        const facts = unitFacts(job, gear, figureOf(job, 'room-c'), today === '' ? null : today);
        if (facts.onBattery.w <= 0) return [];
        const at = (facts.aged ?? facts.minutes)?.minutes;
        const findings: Finding[] = [];
        if (at !== undefined && at < wanted)
          findings.push({
            grade: 'will-bite',
            gearIds: [gear.id],
            what: `${gear.name} lasts ${formatMinutes(at)}${facts.aged ? ' as old as it is' : ' as new'}; ${formatMinutes(wanted)} are wanted.`,
          });
        else if (at !== undefined && bridgeMin !== null && at < bridgeMin)
          findings.push({
            grade: 'will-bite',
            gearIds: [gear.id],
            what: `${gear.name} lasts ${formatMinutes(at)}; to bridge to the generator ${formatMinutes(bridgeMin)} are planned.`,
          });
        if ((kind === 'hand' || kind === 'automatic') && regulated !== true && gear.battery?.topology === 'vi')
          findings.push({
            grade: 'could-be-neater',
            gearIds: [gear.id],
            rowIds: ['generator'],
            what: `${gear.name} may refuse the generator: a line-interactive unit wants frequency and voltage held well${regulated === null ? ', and of this one nobody knows' : ''}.`,
          });
        return findings;
      });
  },
};
