import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { mapBy, ofTable } from '../job/ofTable';
import type { Reads } from '../job/reads';
import type { Acceptance } from '../records/acceptance';
import type { Result } from '../records/result';
import { isNow, type Run } from '../records/run';
import { TESTER_TELLS, type TesterTells } from '../records/tester';
import { answerOf } from '../site/answers';
import { readingOf, readWireMap, STRAIGHT, type WireMap } from './wireMap';

export type ProofState = 'proven' | 'failed' | 'partly' | 'accepted' | 'not tested';
export type Proof = {
  run: Run;
  state: ProofState;
  /** Why it is not proven, or by what it is. */
  words: string;
  /** Latest first. */
  results: Result[];
  acceptance: Acceptance | null;
};

/** What the proof of runs rests on. */
export const PROOF_READS = {
  runs: ['id', 'label', 'scope', 'carries', 'speedMbps'],
  results: true,
  acceptances: true,
  answers: true,
  rules: true,
} as const satisfies Reads;

const byRun = ofTable((rows: Job['results']) => {
  const lists = new Map<string, Result[]>();
  for (const result of Object.values(rows)) {
    const list = lists.get(result.runId);
    if (list) list.push(result);
    else lists.set(result.runId, [result]);
  }
  for (const list of lists.values()) list.sort((a, b) => b.at.localeCompare(a.at) || b.id.localeCompare(a.id));
  return lists;
});
const acceptanceOf = ofTable((rows: Job['acceptances']) => mapBy(Object.values(rows), ({ runId }) => runId));

/** Results of each run, latest first; of one minute the one that came in later. */
export const resultsByRun = (job: Job): ReadonlyMap<string, Result[]> => byRun(job.results);

/** What a job wants to be looked at before a run counts as proven. */
export const provenBy = (job: Job): TesterTells =>
  TESTER_TELLS.find((one) => one === answerOf(job, 'proven-by')) ?? 'wire-map';

const rank = (tells: TesterTells): number => TESTER_TELLS.indexOf(tells);

/** The wire map of a result, as far as it was taken down. */
export function wireMapOf(result: Result): WireMap {
  return {
    to: readWireMap(result.map) ?? STRAIGHT,
    screen: result.screen,
    pairM: [result.pair12M, result.pair36M, result.pair45M, result.pair78M],
    splitSeen: result.splitSeen,
  };
}

/** What a result comes to, its own verdict and what its figures say: a pass that links too slowly is none. */
export function resultFault(run: Run, result: Result): string | null {
  if (result.map !== '') {
    const { faults } = readingOf(wireMapOf(result));
    if (faults.length > 0) return faults.map(({ words }) => words).join(' ');
  }
  if (result.speedMbps !== null && run.speedMbps !== null && result.speedMbps < run.speedMbps)
    return `It links at ${result.speedMbps} Mb/s; ${run.speedMbps} Mb/s are wanted.`;
  if (result.marginDb !== null && result.marginDb < 0)
    return `It misses ${result.limit || 'its limit'} by ${(-result.marginDb).toFixed(1)} dB.`;
  return result.passed ? null : result.note || 'The tester says that it fails.';
}

const tested = ({ at }: Result): string => (at ? `, ${at.replace('T', ' ')}` : '');

/** How far a run is proven. */
export function proofOf(job: Job, run: Run): Proof {
  const results = resultsByRun(job).get(run.id) ?? [];
  const acceptance = acceptanceOf(job.acceptances).get(run.id) ?? null;
  const wanted = provenBy(job);
  const [latest] = results;
  const fault = latest ? resultFault(run, latest) : null;
  const make = (state: ProofState, words: string): Proof =>
    state !== 'proven' && acceptance
      ? {
          run,
          state: 'accepted',
          words: `Accepted by ${acceptance.by}: ${acceptance.why} (${words})`,
          results,
          acceptance,
        }
      : { run, state, words, results, acceptance };
  if (!latest) return make('not tested', 'Never tested.');
  if (fault !== null) return make('failed', fault);
  // What passed since the last failure counts together: one tester may show the map, another the speed.
  const failedAt = results.findIndex((one) => resultFault(run, one) !== null);
  const since = failedAt < 0 ? results : results.slice(0, failedAt);
  // Light and plain wires have no wire map of eight.
  if (run.carries === 'fibre')
    return since.some(({ lossDb }) => lossDb !== null)
      ? make('proven', `By its loss, ${since.find(({ lossDb }) => lossDb !== null)?.lossDb} dB${tested(latest)}.`)
      : make(
          'partly',
          'Its loss was not taken down: light is proven by loss, length and which fibre is which (tier 1).',
        );
  if (run.carries !== 'ethernet' && run.carries !== 'telephone')
    return make('proven', `By ${latest.tells}${tested(latest)}.`);
  const best = since.reduce((a, b) => (rank(b.tells) > rank(a.tells) ? b : a));
  if (rank(best.tells) < rank(wanted)) return make('partly', `Only ${best.tells} was looked at; ${wanted} is wanted.`);
  if (wanted === 'wire-map' && best.tells === 'wire-map' && best.splitSeen === null)
    return make('partly', 'Its tester cannot see split pairs.');
  if (wanted === 'speed' && rank(best.tells) === rank('speed') && run.speedMbps !== null && best.speedMbps === null)
    return make('partly', 'The speed that it linked at was not taken down.');
  return make('proven', `By ${best.tells}${tested(best)}.`);
}

/** Every run of this job that must be proven, in order. */
export const proofs = (job: Job): Proof[] =>
  indexJob(job)
    .runsInOrder.filter(isNow)
    .map((run) => proofOf(job, run));
