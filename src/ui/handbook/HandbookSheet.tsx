import type { Reckoning } from '@/core/base/text/reckoning';
import { Sheet } from '../kit/Sheet';
import { Handbook } from './Handbook';

/** The handbook over a job. @param at where it opens, with the numbers of a figure */
export function HandbookSheet({ at, onClose }: { at: Reckoning; onClose: () => void }) {
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title="Handbook"
      about="What the program reckons with, to be tried with other numbers. It defers to local codes and licensed practice."
    >
      <Handbook at={at} />
    </Sheet>
  );
}
