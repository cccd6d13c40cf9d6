import loadHighs from 'highs';
import { solveCutover } from '../../src/cli/models/cutover';
import { emptyJob } from '../../src/core/job/document/job';
import { buildPlan } from '../../src/core/trade/build/buildPlan';
import { deriveSteps } from '../../src/core/trade/build/deriveSteps';
import { cutoverInstance } from '../../tests/support/cutover';
import { cutoverLp } from '../../tests/support/cutoverLp';
import { ostermoor } from '../../tests/support/jobs';
import { plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { median, timed } from './measure';

/** Things, and the seconds within which all or most are to be proven. */
const SIZES = [
  [8, 1],
  [12, 1],
  [16, 1],
  [20, 1],
  [28, 5],
] as const;
const SEEDS = Array.from({ length: 20 }, (_, at) => at + 1);
const SMALL = [4, 5] as const;

const within = (seconds: number) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

/** The order of a cut-over, beside a time-indexed model of small ones, and whole builds. */
export async function benchBuild(note: Note, miss: (words: string) => void): Promise<void> {
  for (const things of SMALL) {
    const [ours, theirs]: [number[], number[]] = [[], []];
    for (const seed of SEEDS.slice(0, 4)) {
      const instance = cutoverInstance(things, seed);
      const made = solveCutover(instance, within(5));
      ours.push(made.seconds * 1000);
      const highs = await loadHighs();
      let best: number | null = null;
      theirs.push(
        await timed(1, () => {
          const { Status, ObjectiveValue } = highs.solve(cutoverLp(instance), { mip_rel_gap: 0, time_limit: 60 });
          best = Status === 'Optimal' ? ObjectiveValue : null;
        }),
      );
      if (made.objective !== best && Math.abs((made.objective ?? 0) - (best ?? 0)) > 1e-4)
        miss(`order of ${things} #${seed}: ${made.objective} against ${best}`);
    }
    note('order of a cut-over', things, median(ours), '1000 ms', { name: 'highs, slots of time', ms: median(theirs) });
  }
  for (const [things, seconds] of SIZES) {
    const times: number[] = [];
    let open = 0;
    for (const seed of SEEDS) {
      const made = solveCutover(cutoverInstance(things, seed), within(seconds));
      times.push(made.seconds * 1000);
      if (made.status === 'best-found') open += 1;
    }
    note('order of a cut-over', things, median(times), `${seconds * 1000} ms`);
    console.log(
      `${' '.repeat(46)}${SEEDS.length - open} of ${SEEDS.length} proven or infeasible within ${seconds} s, slowest ${Math.max(...times).toFixed(0)} ms`,
    );
    if (things <= 20 && open > 0) miss(`order of ${things} things: ${open} not proven`);
  }
  const [today, plan] = [ostermoor('today'), ostermoor('plan')];
  note(
    'a cabinet rebuilt in place, whole plan',
    '69 steps',
    await timed(5, () => buildPlan(today, plan, within(5))),
    '1000 ms',
  );
  const large = plannedJob(400);
  const nothing = emptyJob({ id: large.id, name: large.name });
  note('steps of a new site', '400 runs', await timed(5, () => deriveSteps(nothing, large)));
}
