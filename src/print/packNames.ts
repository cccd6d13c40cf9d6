/** Files that every pack holds. */
export const MANIFEST = 'manifest.json';
export const JOB_IN_PACK = 'job.json';

/** A file that is kept beside a job, as it is. */
export type PackFile = {
  name: string;
  bytes: Uint8Array;
  kind: 'tester' | 'walk' | 'photo';
  /** Id of what it is of, such as a run. */
  about: string;
};
