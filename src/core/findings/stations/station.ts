import type { JobIndex } from '../../job/document/jobIndex';
import type { Reads } from '../../job/document/reads';
import type { StationId } from '../../job/records/stationIds';

/** A key figure: its id stays, whatever it is called. */
export type Figure = { id: string; name: string; value: string };

/** One station of the job line. What reads all of them reads the list in `stations.ts`. */
export type Station = {
  id: StationId;
  name: string;
  /** What is done there, in a few words. */
  about: string;
  /** What the progress is worked out of: it stays until one of these changes, whatever anything is called. */
  reads: Reads;
  /** What is done of what is to do. */
  progress: (index: JobIndex) => [done: number, of: number];
  /** How much there is to do is only estimated: what is done is shown by itself. */
  countsOnly?: boolean;
  /** Key figures, for the docket. */
  figures: (index: JobIndex) => Figure[];
};

export const partOf = (part: number | string, whole: number | string): string => `${part} of ${whole}`;
