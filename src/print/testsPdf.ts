import { testSheet } from '../core/formats/testSheet';
import type { Job } from '../core/job/job';
import { paperOf } from '../core/standards/countries';
import { sectionsPdf } from './sectionsPdf';

/** The test report: summary, each run, what was tested again, testers. */
export const testsPdf = (job: Job, root: string): Promise<Buffer> =>
  sectionsPdf(`Tests: ${job.name}`, testSheet(job), root, paperOf(job));
