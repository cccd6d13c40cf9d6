import type { Command } from '../commands/commands';
import type { Job } from '../job/job';
import type { JobIndex } from '../job/jobIndex';
import type { Reads } from '../job/reads';
import type { StationId } from '../job/stationIds';
import type { Source } from '../standards/source';

export const GRADES = ['wont-work', 'will-bite', 'could-be-neater'] as const;
export type Grade = (typeof GRADES)[number];
export const GRADE_WORDS: Record<Grade, string> = {
  'wont-work': 'won’t work',
  'will-bite': 'will bite',
  'could-be-neater': 'could be neater',
};

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
  /** Instead of the rule's own source, where the figure comes from another. */
  source?: Source;
  /** Computed when shown, not when found. */
  mends?: () => Mend[];
};

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

export type Snag = Required<Omit<Finding, 'mends'>> & {
  id: string;
  rule: string;
  why: string;
  stations: readonly StationId[];
  /** Fixes on offer, made of the job as it stands. */
  mends: (job: Job) => Mend[];
};
