import { z } from 'zod';
import { day } from '../records/fields';
import { JobHead } from './jobHead';

/** Jobs on a page of the list: three across, and not more than one looks through. */
export const JOBS_A_PAGE = 24;

/** How far a job has come: the furthest thing that is written down of it. */
export const JOB_STATES = ['begun', 'planned', 'building', 'proving', 'accepted'] as const;
export type JobState = (typeof JOB_STATES)[number];
export const JOB_STATE_WORDS: Record<JobState, string> = {
  begun: 'Begun: nothing landed',
  planned: 'Planned: runs landed',
  building: 'Building: steps ticked',
  proving: 'Proving: tests entered',
  accepted: 'Accepted',
};

/**
 * What is asked of the list: words that a job has, how far it has come, changed since which day, with something overdue, and
 * which page. What is none of that is as if it was not asked.
 */
export const JobsAsked = z.object({
  words: z
    .string()
    .trim()
    .max(80)
    .refine((text) => !text.includes('\0'))
    .catch(''),
  state: z.enum(JOB_STATES).or(z.literal('')).catch(''),
  since: day.or(z.literal('')).catch(''),
  overdue: z.literal('1').or(z.literal('')).catch(''),
  page: z.coerce.number().int().min(1).max(100_000).catch(1),
});
export type JobsAsked = z.infer<typeof JobsAsked>;

/** Where the words that were sought stand in a job, other than in its name. */
const JobHit = z.union([
  z.object({ run: z.string(), at: z.array(z.string()) }),
  z.object({ gear: z.string() }),
  z.object({ client: z.string() }),
]);
export type JobHit = z.infer<typeof JobHit>;

/**
 * The front of a rack in few numbers, millimetres from its top left corner. `boxes`: devices, x, y, width, height. `ports`: rows of
 * like ports, x, y, width, height, pitch, count.
 */
const Sketch = z.object({
  name: z.string(),
  units: z.number(),
  widthMm: z.number(),
  heightMm: z.number(),
  boxes: z.array(z.array(z.number())),
  ports: z.array(z.array(z.number())),
});
export type Sketch = z.infer<typeof Sketch>;

/** Something that is to be looked after, and by which day. */
const CareDue = z.object({ what: z.string(), due: z.string() });
export type CareDue = z.infer<typeof CareDue>;

/** What the list shows of a job as it stands at one revision. */
const JobCard = z.object({
  rules: JobHead.shape.rules,
  runs: z.number(),
  landed: z.number(),
  patched: z.number(),
  rack: z.object({ free: z.number(), sketch: Sketch }).nullable(),
});
export type JobCard = z.infer<typeof JobCard>;

/** A job as the list shows it. `due`: what is to be looked after by tomorrow; `updatedAt`: ISO 8601, UTC; `hit`: null where nothing was sought, or the name says it already. */
const JobListing = JobCard.extend({
  due: z.array(CareDue),
  id: z.string(),
  name: z.string(),
  updatedAt: z.string(),
  state: z.enum(JOB_STATES),
  hit: JobHit.nullable(),
});
export type JobListing = z.infer<typeof JobListing>;

/** A job of the list without its card, and where it stands. */
export type ListedJob = JobHead &
  Omit<JobListing, keyof JobCard | 'due'> & {
    history: string;
    revision: number;
    tip: string;
    /** Null where it was not worked out since the job changed. */
    care: CareDue[] | null;
  };

/** Jobs of one page; `count`: how many there are on all pages. */
export const JobPage = z.object({ jobs: z.array(JobListing), count: z.number(), page: z.number(), pages: z.number() });
export type JobPage = z.infer<typeof JobPage>;

/** So long a removed job can be put back, days. */
export const BIN_DAYS = 30;

/** A job that was removed and can be put back. */
export const RemovedJob = z.object({ id: z.string(), name: z.string(), removedAt: z.string() });
export type RemovedJob = z.infer<typeof RemovedJob>;
