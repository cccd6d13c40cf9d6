import { commonPractice } from '../../../base/standards/source';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import type { SnagRule } from '../snag';

export const criticalOnOne: SnagRule = {
  id: 'critical-on-one',
  why: 'When that one switch dies, everything that must not stop stops. Spread what matters over two.',
  source: commonPractice,
  stations: ['patch'],
  reads: { gear: true, runs: ['id', 'label', 'critical'], landings: true, cords: true },
  find: ({ job }) => {
    const patched = patchedRuns(job);
    const switches = new Set(patched.filter(({ device }) => device.kind === 'switch').map(({ device }) => device.id));
    const critical = patched.filter(({ run }) => run.critical);
    const on = new Set(critical.map(({ device }) => device.id));
    const [only] = critical;
    if (!only || critical.length < 2 || switches.size < 2 || on.size !== 1) return [];
    const what = `All ${critical.length} critical runs are on ${only.device.name}, of ${switches.size} switches in use.`;
    return [{ grade: 'could-be-neater' as const, gearIds: [only.device.id], what }];
  },
};
