import type { Source } from '../../../base/standards/source';
import type { Job } from '../../../job/document/job';

/** One way to decide. Money in the job's currency, minutes of work, ports of panels. */
export type AdviceOption = {
  id: string;
  words: string;
  /** Null: not known, since no length is. */
  money: number | null;
  minutes: number;
  ports: number;
  /** What speaks for it here, and against it. */
  pros: string[];
  cons: string[];
};

/** A decision: both sides with their reasons and figures from the job, and what is suggested. */
export type Advice = {
  id: string;
  question: string;
  options: AdviceOption[];
  /** Null: too little is known to suggest one. */
  suggested: string | null;
  /** Why that is suggested, in one sentence. */
  why: string;
  source: Source;
};

/** One decision, a file of its own. Null: nothing to decide in this job. */
export type Adviser = (job: Job) => Advice | null;
