import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import type { Box } from '../../job/records/box';
import type { Run } from '../../job/records/run';

/** One cable of a pull. Lengths in millimetres. */
export type PullLine = {
  pull: number;
  run: Run;
  box: Box;
  lengthMm: number;
  /** Printed lengths to expect where it is cut off from the last one, and where it is to be cut; null when not known. */
  fromMarkMm: number | null;
  toMarkMm: number | null;
  leftMm: number;
};

/** The pulls in order: which runs together, from which box, and which printed lengths to expect. */
export function pullSheet(job: Job): PullLine[] {
  const drawn = new Map<string, number>();
  return Object.values(job.cuts)
    .flatMap((cut) => {
      const [run, box] = [job.runs[cut.runId], job.boxes[cut.boxId]];
      return run && box ? [{ cut, run, box }] : [];
    })
    .sort((a, b) => a.cut.pull - b.cut.pull || naturalOrder(a.run.label, b.run.label))
    .map(({ cut, run, box }) => {
      const before = drawn.get(box.id) ?? 0;
      const after = before + cut.lengthMm;
      drawn.set(box.id, after);
      const mark = (out: number) => (box.markMm === null ? null : box.markMm + (box.marksFall ? -out : out));
      return {
        pull: cut.pull,
        run,
        box,
        lengthMm: cut.lengthMm,
        fromMarkMm: mark(before),
        toMarkMm: mark(after),
        leftMm: box.leftMm - after,
      };
    });
}
