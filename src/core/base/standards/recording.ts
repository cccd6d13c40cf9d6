import { commonPractice, published } from './source';

export const ARRAYS = ['single', '0', '1', '5', '6', '10'] as const;
export type ArrayKind = (typeof ARRAYS)[number];
type ArrayRule = {
  name: string;
  least: number;
  usable: (drives: number) => number;
  survives: (drives: number) => number;
  writes: number;
};
/** What an array of n like drives holds, in drives, how many failures it surely survives, and writes for each write. */
export const arrays: Readonly<Record<ArrayKind, ArrayRule>> = {
  single: { name: 'drives one by one', least: 1, usable: (n) => n, survives: () => 0, writes: 1 },
  '0': { name: 'RAID 0', least: 2, usable: (n) => n, survives: () => 0, writes: 1 },
  '1': { name: 'RAID 1', least: 2, usable: () => 1, survives: (n) => n - 1, writes: 2 },
  '5': { name: 'RAID 5', least: 3, usable: (n) => n - 1, survives: () => 1, writes: 4 },
  '6': { name: 'RAID 6', least: 4, usable: (n) => n - 2, survives: () => 2, writes: 6 },
  '10': { name: 'RAID 10', least: 4, usable: (n) => n / 2, survives: () => 1, writes: 2 },
};
export const arraySource = published('definitions of the levels: usable drives, failures survived, writes a write');

/** Share of a drive that its file system takes: the careful end of 5 to 10 %. Common practice, no source. */
export const fileSystemShare = 0.1;
/** Bytes in a tebibyte and in a terabyte. */
export const TIB = 2 ** 40;
export const TB = 1e12;
export const driveSource = published('SI; IEC 80000-13');
/** Speed at which an array is rebuilt where it is not known, MB/s. Common practice, no source. */
export const rebuildMbS = 150;
export const recordingSource = published('arithmetic: GB = Mb/s × 10.8 × days');
/** One bit in so many cannot be read back, by the data sheets of most drives. */
export const unreadable = 1e-14;
export const backupWords = 'Keep three copies, on two kinds of media, one of them elsewhere.';
export const backupSource = commonPractice;
