import { poeSource } from '../../../base/standards/poeClasses';
import { practice } from '../../../base/standards/practice';
import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { percent } from '../../../base/units/percent';
import { formatWatts } from '../../../base/units/power';
import { switchLoads } from '../../../trade/patching/switchLoad';
import { portWattsOf, takesPower } from '../../../trade/power/poe';
import { answerOf } from '../../../trade/survey/answers/answers';
import { moveCordMend, unplugMend } from '../mends';
import { type Finding, notJudged, type SnagRule } from '../snag';

/** From here on one more device, or a colder start, turns a port off. Common practice, no source. */
const TIGHT_SHARE = 0.9;

export const switchBudget: SnagRule = {
  id: 'switch-budget',
  why: 'A switch that runs out of watts turns ports off, often not the ones you would choose.',
  source: poeSource,
  stations: ['patch'],
  reads: {
    gear: true,
    runs: ['id', 'label', 'device', 'poeW', 'poeClass', 'critical'],
    landings: true,
    cords: true,
    answers: true,
  },
  find: (index) =>
    [...switchLoads(index.job).values()].flatMap(({ gear, usedW, budgetW, runs, unknown }): Finding[] => {
      if (usedW === 0) return [];
      if (usedW <= budgetW * practice.fullShare)
        return unknown.length > 0
          ? [
              notJudged({ gearIds: [gear.id] }, gear.name, 'PoE budget', [
                `the watts of ${counted(unknown.length, 'device')}`,
              ]),
            ]
          : [];
      const how = answerOf(index.job, 'patch-power') === 'measured' ? 'supplies' : 'sets aside by class';
      const least = unknown.length > 0 ? 'at least ' : '';
      const what = `${gear.name} ${how} ${least}${formatWatts(usedW)} of its ${formatWatts(budgetW)} PoE budget (${percent(usedW, budgetW)}).`;
      const tight = usedW > budgetW * TIGHT_SHARE || unknown.length > 0;
      if (usedW <= budgetW)
        return [{ grade: tight ? 'will-bite' : 'could-be-neater', gearIds: [gear.id], what, source: commonPractice }];
      const mends = () => {
        const [last] = runs
          .filter(({ run }) => takesPower(run))
          .sort((a, b) => Number(a.run.critical) - Number(b.run.critical) || portWattsOf(b.run) - portWattsOf(a.run));
        if (!last) return [];
        const elsewhere = moveCordMend(index.job, last.run, last.cord).filter(({ commands }) =>
          commands.some((one) => one.type === 'patchPorts' && one.cords[0]?.switchId !== gear.id),
        );
        return [...elsewhere, unplugMend(last.run, last.cord)];
      };
      return [{ grade: 'wont-work', gearIds: [gear.id], what, mends }];
    }),
};
