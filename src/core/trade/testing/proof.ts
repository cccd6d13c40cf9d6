import { kept } from '../../base/memo/kept';
import { mapBy } from '../../base/memo/mapBy';
import { CATEGORIES } from '../../base/standards/categoryReach';
import { poeClasses } from '../../base/standards/poeClasses';
import { deviceLeastV } from '../../base/standards/poeFeed';
import { addMonths } from '../../base/text/days';
import { formatSpeed } from '../../base/text/speed';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Reads } from '../../job/document/reads';
import type { Acceptance } from '../../job/records/acceptance';
import type { Result } from '../../job/records/result';
import { isNow, type Run } from '../../job/records/run';
import { TESTER_TELLS, type Tester, type TesterTells } from '../../job/records/tester';
import { takesPower } from '../power/poe';
import { isScreened } from '../runs/cableKinds';
import { answerOf } from '../survey/answers/answers';
import { fibreFault, fibreGaps } from './fibreTest';
import {
  FIELD_LIMITS,
  LENGTH_TOLERANCE,
  type LinkKind,
  limitNamed,
  limitNeeded,
  limitShort,
  limitWords,
} from './testLimit';
import { readingOf, readWireMap, STRAIGHT, type WireMap } from './wireMap';

export const VERDICTS = ['failed', 'not tested', 'incomplete', 'not judged', 'passed'] as const;
/** What the tests of a run come to, worst first. Only `passed` is green. */
export type Verdict = (typeof VERDICTS)[number];
/** The verdict, or that somebody accepted the run by name without one. */
export type ProofState = Verdict | 'accepted';
export type Proof = {
  run: Run;
  verdict: Verdict;
  state: ProofState;
  /** Why it has not passed, or what it passed by. */
  words: string;
  /** In the order that counts, latest first. */
  results: Result[];
  /** Who accepted it as it is; null: nobody, or it failed again since. */
  acceptance: Acceptance | null;
  /** What is to be said of its results beside the verdict: testers out of calibration. */
  marks: string[];
};

/** Whether a run needs nothing more before the job is handed over. */
export const isSettled = ({ state }: Pick<Proof, 'state'>): boolean => state === 'passed' || state === 'accepted';

/** What the verdicts on runs rest on. */
export const PROOF_READS = {
  runs: ['id', 'label', 'scope', 'carries', 'speedMbps', 'cable', 'device', 'poeW', 'poeClass'],
  results: true,
  acceptances: true,
  answers: true,
  rules: true,
  testers: true,
  landings: true,
  gear: true,
  cableKinds: true,
} as const satisfies Reads;

/** What decides the order of results without a job: whether one is a fail by its own account. */
const failsAlone = (result: Result): boolean => !result.passed || (result.marginDb ?? 0) < 0;

/**
 * When a result counts from. One without seconds could be any moment of its minute: a fail is taken as the last of it,
 * a pass as the first, and without a time a fail counts as the newest and a pass as the oldest.
 */
function instantOf(result: Result, fails: boolean): string {
  if (result.at === '') return fails ? '~' : '';
  return result.at.length > 16 ? result.at : `${result.at}${fails ? ':99' : ''}`;
}

/** Latest first; at the same instant the worse first, then the one entered later. */
const inOrder = (fails: (result: Result) => boolean) => (a: Result, b: Result) => {
  const [badA, badB] = [fails(a), fails(b)];
  return (
    instantOf(b, badB).localeCompare(instantOf(a, badA)) ||
    Number(badB) - Number(badA) ||
    b.seq - a.seq ||
    b.id.localeCompare(a.id)
  );
};

const byRun = kept((rows: Job['results']) => {
  const lists = new Map<string, Result[]>();
  for (const result of Object.values(rows)) {
    const list = lists.get(result.runId);
    if (list) list.push(result);
    else lists.set(result.runId, [result]);
  }
  for (const list of lists.values()) list.sort(inOrder(failsAlone));
  return lists;
});
const acceptanceOf = kept((rows: Job['acceptances']) => mapBy(Object.values(rows), ({ runId }) => runId));

/** Results of each run, latest first; of the same instant the worse first. */
export const resultsByRun = (job: Job): ReadonlyMap<string, Result[]> => byRun(job.results);

/** The number that the next result of a job is entered under. */
export const nextSeq = (job: Job): number =>
  Object.values(job.results).reduce((most, { seq }) => Math.max(most, seq), 0) + 1;

/** What a job requires of the test of a run. */
export const provenBy = (job: Job): TesterTells =>
  TESTER_TELLS.find((one) => one === answerOf(job, 'proven-by')) ?? 'wire-map';

const rank = (tells: TesterTells): number => TESTER_TELLS.indexOf(tells);

/** The wire map of a result as far as it was recorded. */
export function wireMapOf(result: Result): WireMap {
  return {
    to: readWireMap(result.map) ?? STRAIGHT,
    screen: result.screen,
    pairM: [result.pair12M, result.pair36M, result.pair45M, result.pair78M],
    splitSeen: result.splitSeen,
  };
}
const isUnreadable = ({ map }: Result): boolean => map !== '' && readWireMap(map) === null;

/** Which limits a result is held to: those of the limit it names, else those of how the run ends. */
function fieldLimitsOf(job: Job, run: Run, result: Result) {
  const kind: LinkKind = limitNamed(result.limit).kind ?? limitNeeded(job, run).kind ?? 'permanent link';
  return { kind, ...FIELD_LIMITS[kind === 'channel' ? 'channel' : 'permanent link'] };
}

/** What is measured against a limit that holds in every job. */
function measuredFault(job: Job, run: Run, result: Result): string | null {
  const { kind, delayNs, skewNs, loopOhm, lengthMm } = fieldLimitsOf(job, run, result);
  if (result.delayNs !== null && result.delayNs > delayNs)
    return `Propagation delay ${result.delayNs} ns; the limit of a ${kind} is ${delayNs} ns.`;
  if (result.skewNs !== null && result.skewNs > skewNs)
    return `Delay skew ${result.skewNs} ns; the limit of a ${kind} is ${skewNs} ns.`;
  if (result.loopOhm !== null && result.loopOhm > loopOhm)
    return `Loop resistance ${result.loopOhm} ohm; the limit of a ${kind} is ${loopOhm} ohm.`;
  const longest = Math.max(...wireMapOf(result).pairM.map((metres) => metres ?? 0));
  const mostM = (lengthMm / 1000) * (1 + LENGTH_TOLERANCE);
  if (longest > mostM + 1e-9)
    return `Length ${longest} m; the limit of a ${kind} is ${lengthMm / 1000} m, ${Math.round(mostM)} m with tolerance.`;
  return null;
}

/** Power measured at the far end against the class and the watts of the device there. */
function powerFault(run: Run, { volts, watts }: Result): string | null {
  if (!takesPower(run)) return null;
  const row = poeClasses.find((one) => one.class === (run.poeClass || UNCLASSED));
  const leastV = row && deviceLeastV[row.class];
  if (volts !== null && row && leastV !== undefined && volts < leastV)
    return `${volts} V at the device; class ${row.class} needs ${leastV} V.`;
  const needW = (run.poeW ?? 0) > 0 ? run.poeW : run.poeClass === null ? null : (row?.pdW ?? null);
  if (watts !== null && needW !== null && watts < needW) return `${watts} W at the device; it needs ${needW} W.`;
  return null;
}
/** A device that does not state its class is supplied as class 3. */
const UNCLASSED = 3;

/** Why a result is a fail: its own verdict, or what its figures say; null: it is none. */
export function resultFault(job: Job, run: Run, result: Result): string | null {
  if (run.carries === 'fibre') return fibreFault(run, result) ?? ownFault(result);
  if (result.map !== '' && !isUnreadable(result)) {
    const { faults } = readingOf(wireMapOf(result));
    if (faults.length > 0) return faults.map(({ words }) => words).join(' ');
  }
  if (result.splitSeen === true) return 'Split pairs.';
  if (result.screen === 'open' || (result.screen === 'none' && isScreened(job, run.cable)))
    return 'The screen does not go through.';
  if (result.speedMbps !== null && run.speedMbps !== null && result.speedMbps < run.speedMbps)
    return `It links at ${formatSpeed(result.speedMbps)}; it needs ${formatSpeed(run.speedMbps)}.`;
  if (result.marginDb !== null && result.marginDb < 0)
    return `It misses ${result.limit || 'its limit'} by ${(-result.marginDb).toFixed(1)} dB.`;
  if (run.carries === 'ethernet') {
    const fault = measuredFault(job, run, result) ?? powerFault(run, result);
    if (fault !== null) return fault;
  }
  return ownFault(result);
}
const ownFault = (result: Result): string | null =>
  result.passed ? null : result.note || 'The tester reports a fail.';

const when = ({ at }: Result): string => (at ? `, ${at.replace('T', ' ')}` : '');

/** Testers are calibrated yearly, as their makers ask. Common practice, no source. */
const CALIBRATION_MONTHS = 12;
/** Why the calibration of the tester behind a result is to be questioned; null: it is in date. */
export function calibrationMark(tester: Tester | undefined, { at, tells }: Result): string | null {
  if (!tester) return tells === 'certified' ? 'The tester is not recorded.' : null;
  if (tester.calibratedOn === null) return `${tester.name}: calibration date not recorded.`;
  const day = at.slice(0, 10);
  const until = addMonths(tester.calibratedOn, CALIBRATION_MONTHS);
  return day !== '' && day > until ? `${tester.name}: calibration ended on ${until}, before this test.` : null;
}

type Finding = { verdict: Exclude<Verdict, 'failed' | 'not tested'>; words: string };
const passed = (words: string): Finding => ({ verdict: 'passed', words });
const incomplete = (words: string): Finding => ({ verdict: 'incomplete', words });
const notJudged = (words: string): Finding => ({ verdict: 'not judged', words });

/** What the passes since the last fail come to together. */
function judgePasses(job: Job, run: Run, passes: readonly Result[]): Finding {
  const strongest = passes.reduce((a, b) => (rank(b.tells) > rank(a.tells) ? b : a));
  if (run.carries === 'fibre') return judgeFibre(run, passes);
  if (run.carries !== 'ethernet' && run.carries !== 'telephone')
    return passed(`By ${strongest.tells}${when(strongest)}.`);
  const wanted = provenBy(job);
  const read = passes.filter((one) => !isUnreadable(one));
  const [bad] = passes.filter(isUnreadable);
  if (read.length === 0) return incomplete(`The wire map “${bad?.map}” cannot be read.`);
  const best = read.reduce((a, b) => (rank(b.tells) > rank(a.tells) ? b : a));
  if (run.carries === 'telephone')
    return rank(best.tells) >= Math.min(rank(wanted), rank('wire-map'))
      ? passed(`By ${best.tells}${when(best)}.`)
      : incomplete(`Only ${best.tells} was tested; ${wanted} is required.`);
  const gaps: string[] = [];
  if (rank(best.tells) < rank(wanted)) gaps.push(`Only ${best.tells} was tested; ${wanted} is required`);
  // A certification measures crosstalk, so that it sees them; without its limit nobody knows that it was one.
  if (!read.some(({ splitSeen, tells, limit }) => splitSeen === false || (tells === 'certified' && limit !== '')))
    gaps.push('Split pairs are not tested: this tester does not detect them, or it is not recorded');
  if (isScreened(job, run.cable) && !read.some(({ screen }) => screen === 'through'))
    gaps.push('The screen is not tested');
  const needed = limitNeeded(job, run);
  const shorts = read.filter(({ tells }) => tells === 'certified').map((one) => ({ one, why: certifies(needed, one) }));
  const certified = shorts.find(({ why }) => why === null)?.one;
  if (wanted === 'speed' && gaps.length === 0) {
    if (run.speedMbps === null) return notJudged('The speed that this run needs is not entered.');
    const linked = read.find(({ speedMbps }) => speedMbps !== null && speedMbps >= (run.speedMbps ?? 0));
    if (!linked && !certified) gaps.push('The speed that it links at is not recorded');
  }
  if (wanted === 'certified' && gaps.length === 0) {
    if (needed.category === null) return notJudged('The category of the cable and the speed it needs are not entered.');
    if (!certified) gaps.push(shorts[0]?.why ?? `${limitWords(needed)} is required`);
  }
  if (gaps.length > 0) return incomplete(`${gaps.join('. ')}.`);
  const by = wanted === 'certified' ? (certified ?? best) : best;
  const margin =
    by.marginDb === null ? '' : `, margin ${by.marginDb} dB${by.marginOf === '' ? '' : ` (${by.marginOf})`}`;
  return passed(`By ${by.tells}${by.limit ? ` to ${by.limit}` : ''}${margin}${when(by)}.`);
}

/** Why a certification does not certify a run; null: it does. */
function certifies(needed: ReturnType<typeof limitNeeded>, result: Result): string | null {
  if (result.limit === '') return `No limit is recorded; ${limitWords(needed)} is required`;
  const short = limitShort(needed, limitNamed(result.limit));
  if (short !== null) return short;
  if (result.marginDb === null) return `No margin to ${result.limit} is recorded`;
  // A margin worked out here covers what limits are held for; above Category 6 that is not the whole band.
  return result.marginOf !== '' &&
    CATEGORIES.indexOf(limitNamed(result.limit).category ?? '5e') > CATEGORIES.indexOf('6')
    ? `The margin covers ${result.marginOf} only`
    : null;
}

function judgeFibre(run: Run, passes: readonly Result[]): Finding {
  const judged = passes.map((one) => ({ one, gaps: fibreGaps(run, one) }));
  const whole = judged.find(({ gaps }) => gaps.length === 0);
  if (whole) {
    const { lossDb, lengthM, wavelengthNm } = whole.one;
    return passed(`By its loss, ${lossDb} dB over ${lengthM} m at ${wavelengthNm} nm${when(whole.one)}.`);
  }
  const least = judged.reduce((a, b) => (b.gaps.length < a.gaps.length ? b : a));
  return incomplete(`${least.gaps.join('. ')}.`);
}

/** What the tests of a run come to, and who accepted it without. */
export function proofOf(job: Job, run: Run): Proof {
  // What a run needs decides what is a fail: the order is that of its own results.
  const faults = new Map((resultsByRun(job).get(run.id) ?? []).map((one) => [one.id, resultFault(job, run, one)]));
  const fails = (one: Result) => faults.get(one.id) !== null;
  const results = [...(resultsByRun(job).get(run.id) ?? [])].sort(inOrder(fails));
  const failedAt = results.findIndex(fails);
  const accepted = acceptanceOf(job.acceptances).get(run.id) ?? null;
  const newer = failedAt >= 0 && accepted !== null && accepted.at !== '' && (results[failedAt]?.at ?? '') > accepted.at;
  const acceptance = newer ? null : accepted;
  const marks = [...new Set(results.flatMap((one) => calibrationMark(job.testers[one.testerId ?? ''], one) ?? []))];
  const make = (verdict: Verdict, words: string): Proof =>
    verdict !== 'passed' && acceptance
      ? {
          run,
          verdict,
          state: 'accepted',
          words: `Accepted by ${acceptance.by}: ${acceptance.why} (${words})`,
          results,
          acceptance,
          marks,
        }
      : { run, verdict, state: verdict, words, results, acceptance: verdict === 'passed' ? null : acceptance, marks };
  if (results.length === 0) return make('not tested', 'Not tested.');
  // What passed since the last failure counts together: one tester may show the map, another the speed.
  const passes = failedAt < 0 ? results : results.slice(0, failedAt);
  const [failed] = results.slice(failedAt < 0 ? results.length : failedAt);
  if (passes.length === 0) return make('failed', (failed && faults.get(failed.id)) || 'Failed.');
  const { verdict, words } = judgePasses(job, run, passes);
  return make(verdict, words);
}

/** Every run of this job that must be tested, in order. */
export const proofs = (job: Job): Proof[] =>
  indexJob(job)
    .runsInOrder.filter(isNow)
    .map((run) => proofOf(job, run));
