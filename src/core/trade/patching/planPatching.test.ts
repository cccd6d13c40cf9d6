import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import type { RunChanges } from '../../job/commands/runs';
import { PortGroup } from '../../job/records/gear';
import { planLanding } from '../panels/planLanding';
import { drawnWattsFor } from '../power/poe';
import { planPatching } from './planPatching';

/** Runs that all want power from one switch, the same for the same seed. */
function hungryRuns(seed: number, count: number): Record<string, RunChanges> {
  let state = seed;
  const random = () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const watts = [3, 6, 12, 20, 35, 50];
  return Object.fromEntries(
    Array.from({ length: count }, (_, at) => [
      at + 1,
      { device: `device ${at}`, poeW: watts[Math.floor(random() * watts.length)] ?? 3, critical: random() < 0.25 },
    ]),
  );
}

/** What each run left out costs, as the planner weighs it. */
const weight = ({ critical }: RunChanges) => (critical ? 1_000_000 : 100_000);

describe('where a power budget binds', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'leaves out as little as the optimum of a general MILP solver, proven (seed %i)',
    async (seed) => {
      const runs = hungryRuns(seed, 20);
      const needs = Object.values(runs).map((run) => drawnWattsFor(run.poeW ?? 0));
      const budget = Math.round(needs.reduce((sum, need) => sum + need, 0) * 0.55);
      const ports = [PortGroup.parse({ count: 24, connector: 'rj45', speedMbps: 1000, poeW: 60 })];
      const start = bench(runs, { ports, poeBudgetW: budget });
      const plan = planPatching(apply(start, { type: 'landRuns', landings: planLanding(start).landings }));

      const x = needs.map((_, at) => `x${at}`);
      const value = Object.values(runs).map((run, at) => `${weight(run)} ${x[at]}`);
      const used = needs.map((need, at) => `${need} ${x[at]}`);
      const highs = await loadHighs();
      const model = `Maximize\n obj: ${value.join(' + ')}\nSubject To\n c: ${used.join(' + ')} <= ${budget}\nBinary\n ${x.join('\n ')}\nEnd`;
      const optimum = highs.solve(model, { mip_rel_gap: 0 }).ObjectiveValue;

      const left = new Set(plan.left.map(({ runId }) => runId));
      const ours = Object.entries(runs).reduce(
        (sum, [label, run]) => sum + (left.has(`run-${label}`) ? 0 : weight(run)),
        0,
      );
      expect(ours).toBe(Math.round(optimum));
      expect(plan.proven).toBe(true);
    },
  );
});
