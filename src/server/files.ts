import { elevationSvg } from '../core/formats/elevationSvg';
import { gearFileSchema } from '../core/formats/gearFile';
import { jobFileSchema, writeJobFile } from '../core/formats/jobFile';
import { portMapCsv } from '../core/formats/portMap';
import type { Job } from '../core/job/job';

/** What can be taken away of a job, by file name. */
export const JOB_FILES: Record<string, { type: string; make: (job: Job) => string }> = {
  'port-map.csv': { type: 'text/csv; charset=utf-8', make: portMapCsv },
  'elevation.svg': { type: 'image/svg+xml; charset=utf-8', make: elevationSvg },
  'job.json': { type: 'application/json; charset=utf-8', make: writeJobFile },
};

export const SCHEMAS: Record<string, () => object> = { 'job.json': jobFileSchema, 'gear.json': gearFileSchema };

/** A file name made of the job's name, safe on every system. */
export function fileName(job: Job, file: string): string {
  const stem = job.name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase();
  return `${stem || 'job'}-${file}`;
}
