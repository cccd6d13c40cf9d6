import { paperOf } from '../core/base/standards/countries';
import { testSheet } from '../core/exchange/formats/testSheet';
import type { Job } from '../core/job/document/job';
import { sectionsPdf } from './sectionsPdf';

/** The test report: summary, each run, what was tested again, testers. */
export const testsPdf = (job: Job, root: string): Promise<Buffer> =>
  sectionsPdf(`Tests: ${job.name}`, testSheet(job), root, paperOf(job));
