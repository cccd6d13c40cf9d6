/** Of which state of a job something is made, and when. */
export type About = {
  /** Name of the version, or how far it is beyond the last one that has a name. */
  version: string;
  /** ISO 8601, UTC, such as 2026-11-27T18:30:00Z. */
  at: string;
  /** Where the job is kept, so that a code leads there: the address of the program; empty: not known. */
  address: string;
};

/** Something that was done, as the change log says it. */
export type LogLine = { at: string; who: string; what: string; why: string };
