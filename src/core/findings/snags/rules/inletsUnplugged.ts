import { stepLimits } from '../../../base/solve/limits';
import { commonPractice } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { inletCount } from '../../../job/records/mainsSockets';
import { portKey } from '../../../job/records/portKey';
import { feedsOf } from '../../../trade/power/feeds';
import { PLUG_STEPS, planPlugs, plugCommands } from '../../../trade/power/plugPlan';
import { FEED_READS } from '../powerReads';
import type { SnagRule } from '../snag';

export const inletsUnplugged: SnagRule = {
  id: 'inlets-unplugged',
  why: 'Outlets run out, plugs do not fit and strips do not reach, and that is found out on the day.',
  source: commonPractice,
  stations: ['power'],
  reads: FEED_READS,
  find: ({ job, placementOfGear, carrierOfGear }) => {
    // Until plugs are planned at all, nothing is missing.
    if (Object.keys(job.plugs).length === 0) return [];
    const feeds = feedsOf(job);
    const bare = feeds.consumers.filter(
      (gear) =>
        (placementOfGear.has(gear.id) || carrierOfGear.has(gear.id)) &&
        Array.from({ length: inletCount(gear) }, (_, at) => at + 1).some(
          (inlet) => !feeds.plugAtInlet.has(portKey(gear.id, inlet)),
        ),
    );
    if (bare.length === 0) return [];
    return [
      {
        grade: 'wont-work',
        gearIds: bare.map(({ id }) => id),
        what: `${listed(bare.map(({ name }) => name))} ${bare.length === 1 ? 'has' : 'have'} no mains outlet.`,
        mends: () => {
          const plan = planPlugs(job, stepLimits(PLUG_STEPS));
          const commands = plugCommands(plan);
          return commands.length > 0 ? [{ label: `Plug in ${plan.plugs.length}`, commands }] : [];
        },
      },
    ];
  },
};
