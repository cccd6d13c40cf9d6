import { switchLoads } from '../../patching/switchLoad';
import { portWattsOf, takesPower } from '../../power/poe';
import { answerOf } from '../../site/answers';
import { poeSource } from '../../standards/poeClasses';
import { practice } from '../../standards/practice';
import { commonPractice } from '../../standards/source';
import { percent } from '../../units/percent';
import { formatWatts } from '../../units/power';
import { moveCordMend, unplugMend } from '../mends';
import type { Finding, SnagRule } from '../snag';

export const switchBudget: SnagRule = {
  id: 'switch-budget',
  why: 'A switch that runs out of watts turns ports off, often not the ones you would choose.',
  source: poeSource,
  stations: ['patch'],
  reads: {
    gear: true,
    runs: ['id', 'label', 'poeW', 'poeClass', 'critical'],
    landings: true,
    cords: true,
    uplinks: true,
    answers: true,
  },
  find: (index) =>
    [...switchLoads(index.job).values()].flatMap(({ gear, usedW, budgetW, runs }): Finding[] => {
      if (usedW === 0 || usedW <= budgetW * practice.fullShare) return [];
      const how =
        answerOf(index.job, 'patch-power') === 'measured'
          ? 'gives, by what its devices draw,'
          : 'sets aside, by power class,';
      const what = `${gear.name} ${how} ${formatWatts(usedW)} of ${formatWatts(budgetW)} (${percent(usedW, budgetW)}).`;
      if (usedW <= budgetW) return [{ grade: 'could-be-neater', gearIds: [gear.id], what, source: commonPractice }];
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
