import { Sheet } from '../kit/Sheet';
import { Handbook } from './Handbook';

/** The handbook over a job. @param entry where it opens; null: it is closed */
export function HandbookSheet({ entry, onClose }: { entry: string | null; onClose: () => void }) {
  return (
    <Sheet
      open={entry !== null}
      onClose={onClose}
      wide
      title="Handbook"
      about="What the program reckons with, to be tried with other numbers. It defers to local codes and licensed practice."
    >
      <Handbook first={entry ?? undefined} />
    </Sheet>
  );
}
