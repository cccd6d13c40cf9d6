import { naturalOrder } from '../../base/text/naturalOrder';
import { sameKey } from '../../base/text/sameKey';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { isLive, isUntraced, type Run } from '../../job/records/run';
import { cellText } from '../../trade/runs/cells';
import { runLengthMm } from '../../trade/runs/routeLength';
import { columnInfo, type RunColumn, rangeOf } from '../../trade/runs/runColumns';
import type { Snag } from '../snags/snag';

/** How far a run is, as one word: landed stands between pulled and tested. */
export type ShownState = 'wanted' | 'pulled' | 'landed' | 'tested' | 'failed';

export function shownState(job: Job, run: Run): ShownState {
  if (run.state === 'tested' || run.state === 'failed') return run.state;
  return indexJob(job).landingOfRun.has(run.id) ? 'landed' : run.state;
}

export const RUN_FILTERS = [
  'all',
  'wanted',
  'pulled',
  'landed',
  'tested',
  'failed',
  'spare',
  'critical',
  'with snags',
  'no length',
  'not traced',
  'found',
  'later',
] as const;
export type RunFilter = (typeof RUN_FILTERS)[number];
export const RUN_GROUPS = ['none', 'floor', 'room', 'bundle', 'state'] as const;
export type RunGroup = (typeof RUN_GROUPS)[number];

export type ScheduleView = {
  /** Every word must stand somewhere in the run, as a word: `Cat 6` is not `Cat 6A`. */
  text: string;
  filter: RunFilter;
  group: RunGroup;
  sort: RunColumn;
  falling: boolean;
};
export const PLAIN_VIEW: ScheduleView = { text: '', filter: 'all', group: 'none', sort: 'label', falling: false };

/** `row`: the run's place among the runs shown; headings of groups do not count. */
export type ScheduleItem = { kind: 'group'; name: string; count: number } | { kind: 'run'; run: Run; row: number };

/** The runs shown, in their order. */
export const runsIn = (items: readonly ScheduleItem[]): Run[] =>
  items.flatMap((item) => (item.kind === 'run' ? [item.run] : []));

/** How many runs are shown: a heading is never last. */
export function shownRuns(items: readonly ScheduleItem[]): number {
  const last = items.at(-1);
  return last?.kind === 'run' ? last.row + 1 : 0;
}

type Snags = readonly Pick<Snag, 'runIds'>[] | null;

function passes(job: Job, filter: Exclude<RunFilter, 'all'>, snags: Snags): (run: Run) => boolean {
  switch (filter) {
    case 'spare':
      return (run) => !isLive(run);
    case 'critical':
      return (run) => run.critical;
    case 'with snags': {
      const snagged = snags && new Set(snags.flatMap(({ runIds }) => runIds));
      return (run) => snagged === null || snagged.has(run.id);
    }
    case 'no length':
      return (run) => runLengthMm(job, run) === null;
    case 'not traced':
      return isUntraced;
    case 'found':
      return (run) => run.origin === 'found';
    case 'later':
      return (run) => run.scope === 'later';
    default:
      return (run) => shownState(job, run) === filter;
  }
}

const wordsIn = (text: string): string[] =>
  sameKey(text)
    .split(/[^\p{L}\p{N}.]+/u)
    .filter(Boolean);

function holds(job: Job, text: string, words: string[]): (run: Run) => boolean {
  // While it is typed the last word may still be the beginning of one; a number is never the beginning of another.
  const open = /\p{L}$/u.test(text) ? words.at(-1) : undefined;
  return (run) => {
    const network = run.networkId === null ? '' : (job.networks[run.networkId]?.name ?? '');
    const { label, floor, room, outlet, cable, device, bundle, jacket, notes } = run;
    const all = wordsIn([label, floor, room, outlet, cable, device, network, bundle, jacket, notes].join('\n'));
    return words.every((word) => all.some((one) => one === word || (word === open && one.startsWith(word))));
  };
}

function groupName(job: Job, run: Run, group: RunGroup): string {
  if (group === 'state') return shownState(job, run);
  if (group === 'room') return [run.floor, run.room].filter(Boolean).join(', ') || 'no room';
  if (group === 'none') return '';
  return run[group] || `no ${group}`;
}

/**
 * The runs of the schedule as a person wants to see them: filtered, sorted, and under headings where they are grouped.
 * @param snags what was found in the job; null: it is not judged yet, and any run may have one
 */
export function arrangeRuns(job: Job, view: ScheduleView, snags: Snags = null): ScheduleItem[] {
  let runs: readonly Run[] = indexJob(job).runsInOrder;
  if (view.filter !== 'all') runs = runs.filter(passes(job, view.filter, snags));
  const words = wordsIn(view.text);
  if (words.length > 0) runs = runs.filter(holds(job, view.text, words));
  if (view.sort !== 'label' || view.falling) {
    const { field } = columnInfo(view.sort);
    const numeric = (run: Run): number | null => {
      if (field === 'lengthMm') return runLengthMm(job, run) ?? -1;
      return rangeOf(view.sort) ? Number(run[field] ?? -1) : null;
    };
    const keyed = runs.map((run) => {
      const network = run.networkId === null ? null : (job.networks[run.networkId] ?? null);
      return { run, number: numeric(run), text: cellText(run, network, view.sort) };
    });
    // Sorting is stable, so that equal ones stay in label order.
    keyed.sort((a, b) => (a.number !== null && b.number !== null ? a.number - b.number : naturalOrder(a.text, b.text)));
    if (view.falling) keyed.reverse();
    runs = keyed.map(({ run }) => run);
  }
  if (view.group === 'none') return runs.map((run, row) => ({ kind: 'run', run, row }));
  const groups = new Map<string, Run[]>();
  for (const run of runs) {
    const name = groupName(job, run, view.group);
    const group = groups.get(name);
    if (group) group.push(run);
    else groups.set(name, [run]);
  }
  let row = 0;
  return [...groups.entries()]
    .sort(([a], [b]) => naturalOrder(a, b))
    .flatMap(([name, members]): ScheduleItem[] => [
      { kind: 'group', name, count: members.length },
      ...members.map((run) => ({ kind: 'run' as const, run, row: row++ })),
    ]);
}

/** Which values runs have in a column, and how many each, the most frequent first; empty ones are `''`. */
export function valuesOf(job: Job, runs: readonly Run[], column: RunColumn): { value: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const run of runs) {
    const network = run.networkId === null ? null : (job.networks[run.networkId] ?? null);
    const value = cellText(run, network, column);
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  return [...counts].map(([value, count]) => ({ value, count })).sort((a, b) => b.count - a.count);
}
