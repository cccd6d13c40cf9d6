import { CATEGORIES, type Category, reachFor } from '../../base/standards/categoryReach';
import { copperLengths } from '../../base/standards/copperLengths';
import { published, type Source } from '../../base/standards/source';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portAt } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { jackFor } from '../panels/jacks';
import { cableCategory } from '../runs/cableCategory';

/** What is tested: the fixed link, the channel with its cords, or a link that ends in a plug. */
export type LinkKind = 'permanent link' | 'channel' | 'modular-plug link';
export type TestStandard = 'TIA' | 'ISO/IEC';
/** A limit that a link is tested to; null where a name or a run does not tell. */
export type TestLimit = { category: Category | null; kind: LinkKind | null; standard: TestStandard | null };

/** Classes of ISO/IEC 11801-1 and the category of parts that makes each. */
const CLASSES: Readonly<Record<Category, string>> = {
  '5e': 'Class D',
  '6': 'Class E',
  '6A': 'Class EA',
  '7': 'Class F',
  '7A': 'Class FA',
  '8': 'Class I',
};

/**
 * Limits in the field by what is tested: delay at 10 MHz, ns; skew, ns; loop resistance, ohm; length, mm. Categories 5e to
 * 6A; of 7 and up they are tighter, so what misses these misses those as well.
 */
export const FIELD_LIMITS = {
  'permanent link': { delayNs: 498, skewNs: 44, loopOhm: 21, lengthMm: copperLengths.permanentLinkMm },
  channel: { delayNs: 555, skewNs: 50, loopOhm: 25, lengthMm: copperLengths.channelMm },
} as const;
export const fieldLimitSource: Source = published('ANSI/TIA-568.2; ISO/IEC 11801: delay, skew, loop resistance');
/** Length from the velocity of a cable may read a tenth long (TIA-1152). From memory. */
export const LENGTH_TOLERANCE = 0.1;

/** The standard that a region tests to; null: not known. */
export function standardOf(job: Pick<Job, 'rules'>): TestStandard | null {
  if (job.rules === 'north-america') return 'TIA';
  return job.rules === 'other' ? null : 'ISO/IEC';
}

/** The weakest category that carries a speed at any length; null: none does. */
const categoryFor = (speedMbps: number): Category | null =>
  CATEGORIES.find((category) => (reachFor(category, speedMbps)?.sureMm ?? 0) >= copperLengths.permanentLinkMm) ??
  CATEGORIES.find((category) => (reachFor(category, speedMbps)?.sureMm ?? 0) > 0) ??
  null;

/** Whether a run ends in a plug, behind a coupler, so that neither a plain link limit nor a channel limit fits it. */
function isPlugEnded(job: Job, run: Run): boolean {
  const landing = indexJob(job).landingOfRun.get(run.id);
  const panel = landing && job.gear[landing.panelId];
  const port = panel && portAt(panel, landing.port);
  return port ? jackFor(job, run, port).fitting === 'coupler' : false;
}

/** The limit that a run must be certified to: by its cable, else by the speed it needs; as it ends; in its region. */
export const limitNeeded = (job: Job, run: Run): TestLimit => ({
  category: cableCategory(run.cable) ?? (run.speedMbps === null ? null : categoryFor(run.speedMbps)),
  kind: isPlugEnded(job, run) ? 'modular-plug link' : 'permanent link',
  standard: standardOf(job),
});

const BY_CLASS: Readonly<Record<string, Category>> = { d: '5e', e: '6', ea: '6A', f: '7', fa: '7A', i: '8', ii: '8' };

/**
 * The limit that a tester names.
 * @example limitNamed('ISO11801 PL2 Class Ea') // { category: '6A', kind: 'permanent link', standard: 'ISO/IEC' }
 */
export function limitNamed(name: string): TestLimit {
  const plain = name.toLowerCase().replace(/[_]/g, ' ');
  const byClass = /\bclass\s*(ea|fa|ii|i|d|e|f)\b/.exec(plain)?.[1];
  const byCategory = /\bcat(?:egory)?[-. ]*(5e|6a|6|7a|7|8)(?:\.[12])?(?![\w.])/.exec(plain)?.[1];
  const category = byClass
    ? (BY_CLASS[byClass] ?? null)
    : (CATEGORIES.find((one) => one.toLowerCase() === byCategory) ?? null);
  const kind: LinkKind | null = /mptl|modular[- ]plug/.test(plain)
    ? 'modular-plug link'
    : /channel|\bch\b/.test(plain)
      ? 'channel'
      : /perm|\blink\b|\bpl\d?\b/.test(plain)
        ? 'permanent link'
        : null;
  const standard: TestStandard | null = /\btia|568/.test(plain)
    ? 'TIA'
    : byClass || /\biso|\biec|11801|\ben ?50173|\bas\/?nzs/.test(plain)
      ? 'ISO/IEC'
      : null;
  return { category, kind, standard };
}

/** A limit in words, as its standard writes it. */
export function limitWords({ category, kind, standard }: TestLimit): string {
  const level = category === null ? '' : standard === 'ISO/IEC' ? CLASSES[category] : `Cat ${category}`;
  return [standard, level, kind].filter(Boolean).join(' ') || 'no limit';
}

/** Why a result that was tested to one limit does not certify a run that needs another; null: it does. */
export function limitShort(needed: TestLimit, tested: TestLimit): string | null {
  if (tested.category === null || tested.kind === null)
    return 'The limit does not name a category or class and a kind of link';
  if (needed.category !== null && CATEGORIES.indexOf(tested.category) < CATEGORIES.indexOf(needed.category))
    return `Tested to ${limitWords(tested)}; ${limitWords(needed)} is required`;
  if (needed.kind !== null && tested.kind !== needed.kind)
    return `Tested as a ${tested.kind}; a ${needed.kind} test is required`;
  if (needed.standard !== null && tested.standard !== null && tested.standard !== needed.standard)
    return `Tested to ${tested.standard}; ${limitWords(needed)} is required here`;
  return null;
}
