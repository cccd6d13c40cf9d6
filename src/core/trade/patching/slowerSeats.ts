import type { Job } from '../../job/document/job';
import { portFault } from './fitness';
import { allowedNetworks } from './networks/allowed';
import type { PatchTask, Seat, Wanting } from './patchProblem';
import { leftWatts } from './whyPatched';

/**
 * For runs that are left out because no port is fast enough: the fastest free port that does all else, those that matter
 * most first.
 * @param columnOf the port of each run, -1 for one that is left out
 * @returns rows of the task with the seat that each could have
 */
export function slowerSeats(job: Job, task: PatchTask, columnOf: Int32Array): Map<number, Seat> {
  const { wanting, seats, problem } = task;
  const allowed = allowedNetworks(job);
  const left = leftWatts(task, columnOf);
  const taken = new Set(columnOf);
  const found = new Map<number, Seat>();
  const open = [...wanting.keys()]
    .filter((row) => (columnOf[row] as number) < 0)
    .filter((row) => seats.every(({ port }) => portFault((wanting[row] as Wanting).run, port) !== null))
    .sort((a, b) => (problem.leftOut[b] as number) - (problem.leftOut[a] as number) || a - b);
  for (const row of open) {
    const { run } = wanting[row] as Wanting;
    const weight = problem.weight[row] as number;
    let best = -1;
    seats.forEach(({ gear, port }, column) => {
      if (taken.has(column) || run.speedMbps === null || port.speedMbps === null) return;
      const slower = { ...run, speedMbps: Math.min(run.speedMbps, port.speedMbps) };
      const networks = allowed.get(gear.id);
      if (portFault(slower, port) !== null || (networks && run.networkId !== null && !networks.has(run.networkId)))
        return;
      if (weight > (left[problem.groupOf[column] as number] ?? 0) + 1e-9) return;
      // A port without power is kept for whoever needs none.
      const better = best < 0 ? 1 : rank(port, weight) - rank((seats[best] as Seat).port, weight);
      if (better > 0) best = column;
    });
    if (best < 0) continue;
    taken.add(best);
    const group = problem.groupOf[best] as number;
    left[group] = (left[group] ?? 0) - weight;
    found.set(row, seats[best] as Seat);
  }
  return found;
}

const rank = ({ speedMbps, poeW }: Seat['port'], weight: number): number =>
  (speedMbps ?? 0) * 1000 - (weight > 0 ? 0 : poeW);
