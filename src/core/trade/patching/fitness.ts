import { formatSpeed } from '../../base/text/speed';
import { canPatch, type Port } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { portWattsOf } from '../power/poe';

/** Why one port will not do for one run, or null when it will. The switch budget is judged apart. */
export function portFault(run: Run, port: Port): { kind: 'connector' | 'speed' | 'power'; words: string } | null {
  if (port.use === 'internet' || !canPatch(port.connector, run.carries)) {
    return { kind: 'connector', words: `takes no ${run.carries}` };
  }
  if (run.speedMbps !== null && port.speedMbps !== null && run.speedMbps > port.speedMbps) {
    return { kind: 'speed', words: `${formatSpeed(port.speedMbps)} where ${formatSpeed(run.speedMbps)} is wanted` };
  }
  const needW = portWattsOf(run);
  if (needW > port.poeW) {
    const has = port.poeW > 0 ? `supplies ${port.poeW} W` : 'supplies no power';
    return {
      kind: 'power',
      words: `${has} where ${Number.isFinite(needW) ? `${needW} W` : 'no class reaches'} is needed`,
    };
  }
  return null;
}
