import type { Source } from '../../base/standards/source';
import type { Grade } from '../../base/text/grade';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import type { JobIndex } from '../../job/document/jobIndex';
import type { Reads } from '../../job/document/reads';
import type { Run } from '../../job/records/run';
import type { StationId } from '../../job/records/stationIds';

/** A fix on offer: what the button says and the commands that it applies in one step. */
export type Mend = { label: string; commands: Command[] };

/** What a rule found in one place. */
export type Finding = {
  grade: Grade;
  /** Ids of what it is about; with the rule's they make the snag's own id. */
  runIds?: string[];
  gearIds?: string[];
  rackIds?: string[];
  /** Of a pathway, a box, a jack or any other row. */
  rowIds?: string[];
  /** What is wrong, in one sentence with numbers. */
  what: string;
  /** Of what is not judged: the thing, which check, and what nobody entered. */
  unknown?: { of: string; check: string; missing: readonly string[] };
  /** Instead of the rule's own source, where the figure comes from another. */
  source?: Source;
  /** Computed when shown, not when found. */
  mends?: () => Mend[];
};

type Ids = Pick<Finding, 'runIds' | 'gearIds' | 'rackIds' | 'rowIds'>;
/** `Front switch: power budget not judged. Not entered: the watts of 3 devices.` */
export const notJudged = (ids: Ids, of: string, check: string, missing: readonly string[]): Finding => ({
  ...ids,
  grade: 'not-judged',
  what: unjudgedWords(of, [check], missing),
  unknown: { of, check, missing },
});
/** The same of runs: one entry for all that lack the same. */
export const runsNotJudged = (
  runs: readonly Pick<Run, 'id' | 'label'>[],
  check: string,
  missing: string,
): Finding[] => {
  const [first] = runs;
  if (!first) return [];
  const of = runs.length === 1 ? `Run ${first.label}` : `${runs.length} runs (${first.label} is the first)`;
  return [notJudged({ runIds: runs.map(({ id }) => id) }, of, check, [missing])];
};
export const unjudgedWords = (of: string, checks: readonly string[], missing: readonly string[]): string =>
  `${of}: ${checks.join(', ')} not judged. Not known: ${missing.join(', ')}.`;

/** One rule: a file of its own. `find` looks through the whole job. */
export type SnagRule = {
  id: string;
  /** Why it matters. */
  why: string;
  source: Source;
  stations: readonly StationId[];
  reads: Reads;
  /** It judges the labels of runs or the names of gear and racks; other rules read those for their words and order only. */
  judgesNames?: true;
  find: (index: JobIndex) => Finding[];
};

export type Snag = Required<Omit<Finding, 'mends' | 'unknown'>> &
  Pick<Finding, 'unknown'> & {
    id: string;
    rule: string;
    why: string;
    stations: readonly StationId[];
    /** Fixes on offer, made of the job as it stands. */
    mends: (job: Job) => Mend[];
  };
