import { addDays, minutesOfHour, yearsBetween } from '../../base/text/days';
import { groupBy } from '../../base/text/groupBy';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portsOf } from '../../job/records/ports';
import type { Result } from '../../job/records/result';
import { isSettled, proofs, resultFault, resultsByRun } from './proof';
import { noneSeenBound, wilson } from './yields';

export type Yield = {
  of: string;
  tested: number;
  passedFirst: number;
  /** Bounds of the share that fails, 95 %. */
  low: number;
  high: number;
};

type First = { runId: string; first: Result; passed: boolean };

function firsts(job: Job): First[] {
  return [...resultsByRun(job)].flatMap(([runId, results]) => {
    const [run, first] = [job.runs[runId], results.at(-1)];
    return run && first ? [{ runId, first, passed: resultFault(job, run, first) === null }] : [];
  });
}

function yieldOf(of: string, some: readonly First[]): Yield {
  const passedFirst = some.filter(({ passed }) => passed).length;
  const failed = some.length - passedFirst;
  const bounds = failed === 0 ? { low: 0, high: noneSeenBound(some.length, 0.025) } : wilson(failed, some.length);
  return { of, tested: some.length, passedFirst, ...bounds };
}

/** How many runs passed at their first test, and how many tests were made again. */
export function firstPassYield(job: Job): Yield & { retests: number } {
  const all = firsts(job);
  const tests = all.reduce((sum, { runId }) => sum + (resultsByRun(job).get(runId)?.length ?? 0), 0);
  return { ...yieldOf('all', all), retests: tests - all.length };
}

/** How many runs passed at their first test, by what they have in common, each with the bounds that so many tests allow. */
export function yieldsBy(job: Job, by: 'jack' | 'person' | 'day' | 'tester'): Yield[] {
  const index = indexJob(job);
  const ended = groupBy(Object.values(job.terminations), ({ runId }) => runId);
  const keyOf = ({ runId, first }: First): string => {
    if (by === 'day') return first.at.slice(0, 10) || 'day not known';
    if (by === 'tester') return job.testers[first.testerId ?? '']?.name ?? 'not known';
    if (by === 'person') {
      const people = [...new Set((ended.get(runId) ?? []).map((one) => one.by).filter(Boolean))].sort();
      return people.length > 0 ? people.join(' and ') : 'who ended it is not known';
    }
    const landing = index.landingOfRun.get(runId);
    const panel = job.gear[landing?.panelId ?? ''];
    const port = panel && portsOf(panel).find(({ number }) => number === landing?.port);
    return port?.fitting ?? 'not landed';
  };
  return [...groupBy(firsts(job), keyOf)]
    .map(([of, some]) => yieldOf(of, some))
    .sort((a, b) => a.of.localeCompare(b.of));
}

/** What is between two results that were taken in one go, at most, minutes. */
const ONE_GO_MIN = 30;

export type TestPace = {
  left: number;
  /** Median minutes from result to result in one go; null: too few to say. */
  minutesEach: number | null;
  /** Minutes for what is left. */
  minutesLeft: number | null;
  /** Runs a day on which there was testing; null: none yet. */
  aDay: number | null;
  /** The day on which it will be done at this pace, where every day is one of testing. */
  doneOn: string | null;
};

const median = (sorted: readonly number[]): number =>
  ((sorted[Math.floor((sorted.length - 1) / 2)] ?? 0) + (sorted[Math.ceil((sorted.length - 1) / 2)] ?? 0)) / 2;

/** When testing will be done at the pace so far. @param today such as 2026-11-27 */
export function testPace(job: Job, today: string): TestPace {
  const left = proofs(job).filter((one) => !isSettled(one)).length;
  const times = Object.values(job.results)
    .map(({ at }) => at)
    .filter(Boolean)
    .sort();
  const minutes = times.map(
    (at) => yearsBetween('2000-01-01', at.slice(0, 10)) * 365.25 * 1440 + minutesOfHour(at.slice(11)),
  );
  const gaps = minutes
    .slice(1)
    .map((at, slot) => at - (minutes[slot] ?? at))
    .filter((gap) => gap > 0 && gap <= ONE_GO_MIN)
    .sort((a, b) => a - b);
  const minutesEach = gaps.length >= 3 ? median(gaps) : null;
  const days = groupBy(Object.values(job.results), ({ at }) => at.slice(0, 10));
  days.delete('');
  const runs = [...days.values()].map((some) => new Set(some.map(({ runId }) => runId)).size);
  const aDay = runs.length === 0 ? null : runs.reduce((sum, one) => sum + one, 0) / runs.length;
  return {
    left,
    minutesEach,
    minutesLeft: minutesEach === null ? null : minutesEach * left,
    aDay,
    doneOn: aDay === null || aDay === 0 ? null : left === 0 ? today : addDays(today, Math.ceil(left / aDay) - 1),
  };
}
