/** Files that every pack holds. */
export const MANIFEST = 'manifest.json';
export const JOB_IN_PACK = 'job.json';
