import { z } from 'zod';
import type { Job } from './job';

/** Jobs on a page of the list: three across, and not more than one looks through. */
export const JOBS_A_PAGE = 24;

/** What is asked of the list: words that a job has, and which page. What is neither is as if it was not asked. */
export const JobsAsked = z.object({
  words: z
    .string()
    .trim()
    .max(80)
    .refine((text) => !text.includes('\0'))
    .catch(''),
  page: z.coerce.number().int().min(1).max(100_000).catch(1),
});
export type JobsAsked = z.infer<typeof JobsAsked>;

/** Where the words that were sought stand in a job, other than in its name. */
export type JobHit = { run: string; at: string[] } | { gear: string };

/** A job as the list shows it. */
export type JobListing = {
  id: string;
  name: string;
  /** ISO 8601, UTC. */
  updatedAt: string;
  runs: number;
  landed: number;
  patched: number;
  /** Racks, gear and placements only, for the drawing; testers and dates of care, for what is overdue. */
  cabinet: Job;
  /** Null where nothing was sought, or the name says it already. */
  hit: JobHit | null;
};

export type JobPage = {
  jobs: JobListing[];
  /** How many there are on all pages. */
  count: number;
  page: number;
  pages: number;
};

/** A job that was removed and can be put back. */
export type RemovedJob = Pick<JobListing, 'id' | 'name' | 'updatedAt'>;
