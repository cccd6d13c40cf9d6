import loadHighs from 'highs';
import { solvePatch } from '../../src/cli/models/patch';
import { solveTails } from '../../src/cli/models/tails';
import { patchInstance, patchLp } from '../../tests/support/patches';
import { tailsInstance, tailsLp, tangledTails } from '../../tests/support/tails';

type Note = (
  what: string,
  size: string,
  ms: number,
  goal: string,
  reference: { name: string; ms: number } | null,
  met: boolean,
) => void;

const MILP_SECONDS = 60;
const within = (seconds: number) => ({
  seed: 1,
  now: () => performance.now(),
  untilMs: performance.now() + seconds * 1000,
});

type PatchRow = {
  runs: number;
  ports: number;
  mode: 'loose' | 'tight' | 'short';
  seconds: number;
  goal: string;
  seeds: number[];
  /** Each run draws something else. */
  measured?: boolean;
};
/** Sizes with their goals: loose ones and large ones by time, the others proven within a second. */
const PATCHES: readonly PatchRow[] = [
  { runs: 60, ports: 96, mode: 'loose', seconds: 1, goal: '100 ms', seeds: [1, 2, 3] },
  { runs: 240, ports: 288, mode: 'loose', seconds: 5, goal: '1000 ms', seeds: [1, 2, 3] },
  { runs: 40, ports: 48, mode: 'tight', seconds: 1, goal: 'proven in 1000 ms', seeds: [1, 2, 3] },
  { runs: 40, ports: 48, mode: 'short', seconds: 1, goal: 'proven in 1000 ms', seeds: [1, 2, 3] },
  { runs: 60, ports: 96, mode: 'tight', seconds: 1, goal: 'proven in 1000 ms', seeds: [1, 2, 3] },
  { runs: 60, ports: 96, mode: 'short', seconds: 1, goal: 'proven in 1000 ms', seeds: [1, 2, 3] },
  { runs: 240, ports: 288, mode: 'tight', seconds: 5, goal: 'not worse', seeds: [1, 2] },
  { runs: 240, ports: 288, mode: 'short', seconds: 5, goal: 'not worse', seeds: [1, 2, 3, 4, 5] },
  { runs: 60, ports: 96, mode: 'short', seconds: 5, goal: 'not worse', seeds: [1, 2, 3], measured: true },
  { runs: 240, ports: 288, mode: 'short', seconds: 5, goal: 'not worse', seeds: [1, 2], measured: true },
];
/** No tails may be worse than what the other solver has; up to 24 most must be proven. */
const TAILS = [
  { count: 12, make: tailsInstance, seconds: 2, proven: true, seeds: [1, 2] },
  { count: 24, make: tailsInstance, seconds: 2, proven: true, seeds: [1, 2, 3] },
  { count: 48, make: tailsInstance, seconds: 5, proven: false, seeds: [1, 2, 3] },
  { count: 24, make: tangledTails, seconds: 2, proven: true, seeds: [1, 2] },
  { count: 48, make: tangledTails, seconds: 5, proven: false, seeds: [1, 2, 3] },
] as const;
const NOT_WORSE = 'not worse';
const PROVEN = 'proven in ';
/** Of each size so many seeds are solved alone, to say how many of them are proven in time. */
const ALONE = 10;
const PROVEN_OF_ALONE = 9;
const MOST_OF_ALONE = 6;

async function against(lp: string): Promise<{ words: string; ms: number; value: number }> {
  const highs = await loadHighs();
  // Once, since it may take its whole minute.
  const start = performance.now();
  const { Status, ObjectiveValue: value } = highs.solve(lp, { mip_rel_gap: 0, time_limit: MILP_SECONDS });
  const words = Number.isFinite(value) ? `${value.toFixed(1)} (${Status})` : `nothing (${Status})`;
  return { words, ms: performance.now() - start, value };
}

type Made = { status: string; objective: number | null };
/** A goal is a time to prove the best in, or to be not worse than the other solver, whatever that one has reached. */
const reached = (goal: string, { status, objective }: Made, ms: number, theirs: number) => {
  if (objective === null) return false;
  const notWorse = !Number.isFinite(theirs) || objective <= theirs + 1e-4;
  return (
    notWorse && (goal === NOT_WORSE || (status === 'optimal' && ms <= Number.parseFloat(goal.replace(PROVEN, ''))))
  );
};
const name = `highs, same model, at most ${MILP_SECONDS} s`;

/** Ports for runs and for short tails: our solvers against a general one on the same seeded instances in one run. */
export async function benchPatching(note: Note, miss: (words: string) => void) {
  // The first instance of a kind is solved while the engine still compiles.
  solvePatch(patchInstance(40, 48, 'tight', 99), within(2));
  solveTails(tailsInstance(24, 99), within(2));
  const perSwitch = (ports: number) => (ports > 48 ? { perSwitch: 48 } : {});
  for (const { runs, ports, mode, seconds, goal, seeds, measured = false } of PATCHES) {
    for (const seed of seeds) {
      const instance = patchInstance(runs, ports, mode, seed, { ...perSwitch(ports), measured });
      const made = solvePatch(instance, within(seconds));
      const theirs = await against(patchLp(instance));
      const ms = made.seconds * 1000;
      const met = reached(goal, made, ms, theirs.value);
      note(
        `patch, ${mode}${measured ? ', measured draw' : ''}`,
        `${runs}/${ports} #${seed}`,
        ms,
        goal,
        { name, ms: theirs.ms },
        met,
      );
      const words = `${made.objective?.toFixed(1)} (${made.status}, bound ${made.bound?.toFixed(1)})`;
      console.log(`${' '.repeat(46)}${words} against ${theirs.words}: ${met ? 'reached' : 'MISSED'}`);
    }
    if (seconds > 1 || mode === 'loose') continue;
    for (const each of ports > 48 ? [48, 24] : [24]) {
      const proven = Array.from({ length: ALONE }, (_, at) =>
        solvePatch(patchInstance(runs, ports, mode, at + 1, { perSwitch: each }), within(seconds)),
      ).filter((one) => one.status === 'optimal').length;
      const words = `${runs}/${ports} ${mode}, switches of ${each}: ${proven} of ${ALONE} proven in ${seconds} s`;
      console.log(`${' '.repeat(46)}${words}`);
      if (proven < PROVEN_OF_ALONE) miss(words);
    }
  }
  for (const { count, make, seconds, proven, seeds } of TAILS) {
    const what = make === tailsInstance ? 'tails' : 'tails, all short';
    for (const seed of seeds) {
      const instance = make(count, seed);
      const made = solveTails(instance, within(seconds));
      const theirs = await against(tailsLp(instance));
      const ms = made.seconds * 1000;
      const met = reached(NOT_WORSE, made, ms, theirs.value);
      note(what, `${count} #${seed}`, ms, NOT_WORSE, { name, ms: theirs.ms }, met);
      console.log(
        `${' '.repeat(46)}${made.objective} (${made.status}, bound ${made.bound}) against ${theirs.words}: ${met ? 'reached' : 'MISSED'}`,
      );
    }
    const done = Array.from({ length: ALONE }, (_, at) => solveTails(make(count, at + 1), within(seconds))).filter(
      (one) => one.status === 'optimal',
    ).length;
    const words = `${count} ${what}: ${done} of ${ALONE} proven in ${seconds} s`;
    console.log(`${' '.repeat(46)}${words}`);
    if (proven && done < MOST_OF_ALONE) miss(words);
  }
}
