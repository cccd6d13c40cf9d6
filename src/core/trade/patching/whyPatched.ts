import { formatSpeed } from '../../base/text/speed';
import { formatLength } from '../../base/units/length';
import { formatWatts } from '../../base/units/power';
import type { Job } from '../../job/document/job';
import { isLive } from '../../job/records/run';
import { portWattsOf, takesPower } from '../power/poe';
import { cordLengthMm, routeBetween } from './cords/cordLength';
import { portFault } from './fitness';
import type { PatchTask, Seat, Wanting } from './patchProblem';
import type { PatchWish } from './patchWish';

/** Why a run came to this port, in a few words. */
export function whyHere(job: Job, wish: PatchWish, { run, landing, cord }: Wanting, { gear, port }: Seat): string {
  const ends = { panelId: landing.panelId, panelPort: landing.port, switchId: gear.id, switchPort: port.number };
  const stays = cord?.switchId === gear.id && cord.switchPort === port.number;
  if (stays) return 'stays where it is';
  const words: string[] = [];
  if (takesPower(run)) words.push(`gives the ${portWattsOf(run)} W of its class`);
  if ((run.speedMbps ?? 0) > 1000) words.push(`does ${formatSpeed(run.speedMbps ?? 0)}`);
  if (wish.school === 'number' && landing.port === port.number) words.push('has the same number');
  const length = cordLengthMm(job, ends);
  const way = routeBetween(job, ends)?.way;
  if (length !== null && way) {
    const how = { straight: 'straight across', manager: 'through the manager', side: 'round the side' }[way];
    words.push(`${formatLength(length, job.units)} of cord ${how}`);
  }
  if (!takesPower(run) && port.poeW === 0 && gear.poeBudgetW > 0) words.push('leaves the powered ports alone');
  return words.join(', ') || 'free and of the right kind';
}

/** What a run that is left out lacks. */
export type Lack = 'port' | 'kind' | 'speed' | 'power' | 'reach' | 'watts' | 'given';

/** Why a run is left out, in a sentence that begins with its label, and what it lacks. */
export function whyLeftOut(task: PatchTask, columnOf: Int32Array, row: number): { lack: Lack; words: string } {
  const { wanting, seats, problem } = task;
  const { run, budgetW } = wanting[row] as Wanting;
  const lacks = (lack: Lack, words: string) => ({ lack, words });
  if (seats.length === 0) return lacks('port', `${run.label} finds no free switch port.`);
  const fits = seats.filter(({ port }) => portFault(run, port)?.kind !== 'connector');
  if (fits.length === 0)
    return lacks('kind', `${run.label} carries ${run.carries}, and no free switch port takes that.`);
  const fast = fits.filter(({ port }) => portFault(run, port)?.kind !== 'speed');
  if (fast.length === 0) {
    const fastest = Math.max(...fits.map(({ port }) => port.speedMbps ?? 0));
    return lacks(
      'speed',
      `${run.label} needs ${formatSpeed(run.speedMbps ?? 0)}; the fastest free port for ${run.carries} is ${formatSpeed(fastest)}.`,
    );
  }
  const strong = fast.filter(({ port }) => portFault(run, port) === null);
  if (strong.length === 0) {
    if (!Number.isFinite(portWattsOf(run)))
      return lacks('power', `${run.label} draws ${run.poeW} W: no power class of IEEE 802.3 carries that.`);
    const most = Math.max(...fast.map(({ port }) => port.poeW));
    return lacks(
      'power',
      `${run.label} needs a port that supplies ${portWattsOf(run)} W; the strongest free one supplies ${most} W.`,
    );
  }
  const open = strong.filter((seat) =>
    Number.isFinite(problem.cost[row * problem.columns + seats.indexOf(seat)] as number),
  );
  if (open.length === 0)
    return lacks(
      'reach',
      `${run.label} finds no port within reach: no cord in stock is long enough, or its network is not allowed there.`,
    );
  const left = leftWatts(task, columnOf);
  const taken = new Set([...columnOf]);
  const free = open.filter((seat) => !taken.has(seats.indexOf(seat)));
  if (free.length > 0) {
    const most = Math.max(...free.map((seat) => left[problem.groupOf[seats.indexOf(seat)] as number] ?? 0));
    return lacks(
      'watts',
      `${run.label} needs ${formatWatts(budgetW)}; the power budget has ${formatWatts(Math.max(0, most))} left beside a free port.`,
    );
  }
  return lacks(
    'given',
    `${run.label} has no port: every port that fits went to a link or a run that matters as much or more.`,
  );
}

/** Watts that each switch has left beside what is planned on it. */
export function leftWatts({ wanting, spareW, problem }: PatchTask, columnOf: Int32Array): number[] {
  const left = [...spareW];
  wanting.forEach((_, row) => {
    const column = columnOf[row] as number;
    if (column < 0) return;
    const group = problem.groupOf[column] as number;
    left[group] = (left[group] ?? 0) - (problem.weight[row] as number);
  });
  return left;
}

/** What would let a run in that is left out: a bigger budget, a swap, another switch. */
export function whatLetsIn(task: PatchTask, columnOf: Int32Array, row: number): string[] {
  const { wanting, seats, switches, problem } = task;
  const { run } = wanting[row] as Wanting;
  const need = problem.weight[row] as number;
  const open = [...seats.keys()].filter((column) =>
    Number.isFinite(problem.cost[row * problem.columns + column] as number),
  );
  const ways: string[] = [];
  const left = leftWatts(task, columnOf);
  const rowAt = new Map([...columnOf].flatMap((column, at) => (column >= 0 ? [[column, at] as const] : [])));
  const lacking = open
    .filter((column) => !rowAt.has(column))
    .map((column) => problem.groupOf[column] as number)
    .map((group) => ({ group, more: need - (left[group] ?? 0) }))
    .filter(({ more }) => more > 1e-6)
    .sort((a, b) => a.more - b.more);
  const [least] = lacking;
  if (least) ways.push(`${formatWatts(least.more)} more of power budget on ${switches[least.group]?.name}`);
  const price = problem.leftOut[row] as number;
  const swap = open
    .flatMap((column) => {
      const other = rowAt.get(column);
      // A port that is kept for a link is not given up for a run.
      if (other === undefined || other >= wanting.length || (problem.leftOut[other] as number) > price) return [];
      const group = problem.groupOf[column] as number;
      const fits = (left[group] ?? 0) + (problem.weight[other] as number) - need >= -1e-6;
      return fits ? [{ other, price: problem.leftOut[other] as number }] : [];
    })
    .sort((a, b) => a.price - b.price)[0];
  if (swap) {
    const given = wanting[swap.other] as Wanting;
    ways.push(`unpatching ${given.run.label}${isLive(given.run) ? ` (${given.run.device})` : ''} instead`);
  }
  if (open.length === 0 && need > 0 && Number.isFinite(portWattsOf(run))) {
    const weak = seats.some(({ port }) => portFault(run, port)?.kind === 'power');
    if (weak) ways.push(`a power injector of ${portWattsOf(run)} W between its panel port and a port without power`);
  }
  if (!least) {
    const wants = [
      run.carries === 'fibre' ? 'for fibre' : '',
      run.speedMbps ? `of ${formatSpeed(run.speedMbps)}` : '',
      need > 0 && Number.isFinite(portWattsOf(run)) ? `with ${portWattsOf(run)} W` : '',
    ].filter(Boolean);
    if (Number.isFinite(portWattsOf(run))) ways.push(`another switch with ${['a free port', ...wants].join(' ')}`);
  }
  return ways;
}
