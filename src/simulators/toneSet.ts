import { seededRandom } from '../core/base/solve/random';
import type { Job } from '../core/job/document/job';

/** How the cables of a made-up building run: which cables answer at which jack. */
export type ToneTruth = ReadonlyMap<string, readonly string[]>;

/** Faults that the simulated building has, as shares of its jacks. */
export type ToneFaults = { dead: number; bridged: number };

const shuffled = <T>(items: readonly T[], random: () => number): T[] => {
  const list = [...items];
  for (let at = list.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [list[at], list[other]] = [list[other] as T, list[at] as T];
  }
  return list;
};

/**
 * A simulated tone set: it stands in for a real one, to try the log and to test it. The same job and seed give the
 * same building behind the walls.
 */
export function simulatedBuilding(
  job: Job,
  seed: number,
  faults: ToneFaults = { dead: 0.08, bridged: 0.06 },
): ToneTruth {
  const random = seededRandom(seed);
  const jacks = Object.keys(job.jacks).sort();
  // Cables whose place is known by now were once among the unknown ones: all found cables take part.
  const cables = shuffled(
    Object.values(job.runs)
      .filter((run) => run.origin === 'found')
      .map((run) => run.id)
      .sort(),
    random,
  );
  const truth = new Map<string, string[]>();
  jacks.forEach((jack, at) => {
    const cable = cables[at];
    const dead = random() < faults.dead;
    const bridge = random() < faults.bridged ? cables[(at + 1) % Math.max(1, cables.length)] : undefined;
    truth.set(jack, dead || !cable ? [] : [cable, ...(bridge && bridge !== cable ? [bridge] : [])]);
  });
  return truth;
}

/** Which cables answer while remotes stand in these jacks: per jack, the cables heard at the cabinet. */
export const answersAt = (truth: ToneTruth, jackIds: readonly string[]): Map<string, readonly string[]> =>
  new Map(jackIds.map((id) => [id, truth.get(id) ?? []]));
