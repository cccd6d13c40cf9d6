import type { Run } from '@/core/job/records/run';
import type { Carried } from '../kit/RunCarrier';

/** What is done with a strand. An end is brought to a port: the panel end lands the run, the switch end patches it. */
export type LoomActions = {
  onPickUp: (run: Run, end?: End) => void;
  onBring: (run: Run, end: End, gearId: string, port: number) => void;
  onUnpatch: (run: Run) => void;
};
export type End = NonNullable<Carried['end']>;

/** Rows that show all of a small job in one view, or that can be read from a ladder. */
export const ROW = { fit: 12.6, big: 26 };
export type RowSize = keyof typeof ROW;
