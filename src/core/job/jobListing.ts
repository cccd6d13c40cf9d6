import { z } from 'zod';
import { day } from '../records/fields';
import type { JobHead } from './job';

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
export type JobHit = { run: string; at: string[] } | { gear: string } | { client: string };

/** The front of a rack in few numbers, millimetres from its top left corner. */
export type Sketch = {
  name: string;
  units: number;
  widthMm: number;
  heightMm: number;
  /** Devices: x, y, width, height. */
  boxes: number[][];
  /** Rows of like ports: x, y, width, height, pitch, count. */
  ports: number[][];
};

/** What the list shows of a job as it stands at one revision; `due`: what is to be looked after by tomorrow. */
export type JobCard = {
  rules: JobHead['rules'];
  runs: number;
  landed: number;
  patched: number;
  rack: { free: number; sketch: Sketch } | null;
  due: { what: string; due: string }[];
};

/** A job as the list shows it. */
export type JobListing = JobCard & {
  id: string;
  name: string;
  /** ISO 8601, UTC. */
  updatedAt: string;
  state: JobState;
  /** Null where nothing was sought, or the name says it already. */
  hit: JobHit | null;
};

/** A job of the list without its card, and where it stands. */
export type ListedJob = JobHead & Omit<JobListing, keyof JobCard> & { history: string; revision: number };

export type JobPage<J = JobListing> = {
  jobs: J[];
  /** How many there are on all pages. */
  count: number;
  page: number;
  pages: number;
};

/** So long a removed job can be put back, days. */
export const BIN_DAYS = 30;

/** A job that was removed and can be put back. */
export type RemovedJob = Pick<JobListing, 'id' | 'name'> & { removedAt: string };
