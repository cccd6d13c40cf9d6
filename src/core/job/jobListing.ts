import type { Job } from './job';

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
};
