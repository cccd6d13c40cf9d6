import { pack } from '../../src/core/base/solve/packing/pack';
import type { Rack } from '../../src/core/job/records/rack';
import { cabinetHeat } from '../../src/core/trade/power/cooling/cabinetHeat';
import { cheapestMeasures, measuresFor } from '../../src/core/trade/power/cooling/measures';
import { partsOf } from '../../src/core/trade/power/dependencies/parts';
import { trip, wholeStanding } from '../../src/core/trade/power/dependencies/trip';
import { anyPacking, packingByHighs } from '../../tests/support/packing';
import { powered } from '../../tests/support/powered';
import { plannedJob } from './benchJob';
import type { Note } from './benchServer';
import { median, timed } from './measure';

const SIZES = [
  [10, 14],
  [20, 24],
  [30, 36],
  [40, 48],
] as const;
const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16];
const GOAL_MS = 300;

/** The choices of the Power station: plugs against a general solver, measures, and tripping any part of a large job. */
export async function benchPower(note: Note, miss: (words: string) => void): Promise<void> {
  for (const tight of [false, true])
    for (const [things, places] of SIZES) {
      const problems = SEEDS.map((seed) => anyPacking(seed, things, places, tight));
      const times: number[] = [];
      const made = problems.map((problem) => {
        const start = performance.now();
        const packed = pack(problem, { now: () => performance.now(), untilMs: performance.now() + 3000 });
        times.push(performance.now() - start);
        return packed;
      });
      const open = made.filter(({ proven }) => !proven).length;
      // The other solver comes after, so that its memory does not slow ours down.
      const theirs: number[] = [];
      for (const [at, problem] of tight ? [] : problems.entries()) {
        let best = 0;
        theirs.push(
          await timed(1, async () => {
            best = await packingByHighs(problem);
          }),
        );
        const ours = made[at];
        if (ours?.proven && ours.cost !== best)
          miss(`plugs ${things}×${places} #${SEEDS[at]}: ${ours.cost} against ${best}`);
      }
      const within = times.filter((ms) => ms <= GOAL_MS).length;
      note(
        `plugs, ${tight ? 'every limit binds' : 'as in a cabinet'}`,
        `${things}×${places}`,
        median(times),
        `${GOAL_MS} ms`,
        theirs.length > 0 ? { name: 'highs, same choice', ms: median(theirs) } : null,
      );
      console.log(`${' '.repeat(46)}${within} of ${SEEDS.length} within ${GOAL_MS} ms, ${open} not proven in 3 s`);
    }
  const job = powered();
  const rack = job.racks.cabinet as Rack;
  const heat = cabinetHeat(job, rack);
  const measures = measuresFor(job, rack);
  note(
    'measures against heat',
    measures.length,
    await timed(5, () => cheapestMeasures(job, heat, measures)),
    `${GOAL_MS} ms`,
  );

  const large = plannedJob(400);
  wholeStanding(large);
  const parts = partsOf(large);
  const times: number[] = [];
  for (let at = 0; at < parts.length; at += Math.max(1, Math.floor(parts.length / 60))) {
    const part = parts[at];
    if (part) times.push(await timed(3, () => trip(large, [part], () => 10)));
  }
  note('a part tripped', '400 runs', Math.max(...times), '16 ms');
}
