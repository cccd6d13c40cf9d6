import {
  type ArrayKind,
  arrays,
  fileSystemShare,
  rebuildMbS,
  TB,
  TIB,
  unreadable,
} from '../../../base/standards/recording';

/** Terabytes that recordings fill. GB = Mb/s × 10.8 × days × share. */
export const recordingTb = (mbps: number, days: number, share: number): number => (mbps * 10.8 * days * share) / 1000;

/** Days that so many usable terabytes hold. */
export const daysHeld = (tb: number, mbps: number, share: number): number =>
  mbps * share > 0 ? tb / recordingTb(mbps, 1, share) : Number.POSITIVE_INFINITY;

export const toTib = (tb: number): number => (tb * TB) / TIB;

/** Terabytes that an array holds, its file system counted off. */
export const usableTb = (kind: ArrayKind, drives: number, tbEach: number): number =>
  arrays[kind].usable(drives) * tbEach * (1 - fileSystemShare);

/** The fewest drives of this size in this array that hold so much; null when none up to 60 do. */
export function drivesFor(kind: ArrayKind, tbEach: number, needTb: number): number | null {
  for (let drives = arrays[kind].least; drives <= 60; drives++) {
    if (kind === '10' && drives % 2 === 1) continue;
    if (usableTb(kind, drives, tbEach) + 1e-9 >= needTb) return drives;
  }
  return null;
}

/** Hours to rebuild a drive at least. */
export const rebuildHours = (tbEach: number, mbS = rebuildMbS): number => (tbEach * 1e6) / mbS / 3600;

/** Chance that a bit cannot be read while so much is read to rebuild. */
export const unreadableChance = (tb: number, rate = unreadable): number => -Math.expm1(8 * tb * TB * Math.log1p(-rate));

/** Hours to carry so much away over a line. */
export const uploadHours = (tb: number, mbps: number): number => (tb * 8e6) / mbps / 3600;

/** Writes to the drives for a stream of so many Mb/s, Mb/s. */
export const arrayWrites = (kind: ArrayKind, mbps: number): number => mbps * arrays[kind].writes;
