import type { Command } from '@/core/job/commands/commands';
import { setFieldCommand } from '@/core/job/commands/setField';
import { type Change, isFieldChange, touchKey } from '@/core/job/document/change';
import { changeLine } from '@/core/job/document/changeWords';
import type { Job } from '@/core/job/document/job';
import type { Step } from '@/core/job/document/step';

type Mine = { revision: number; change: Extract<Change, { field: string }> };

/** What somebody overwrote without having seen it, and the command that brings it back. */
export type Overwritten = { step: Step; mine: { words: (job: Job) => string }; back: Command };

/** Which fields this window set, and at which revision, so that it is known when somebody overwrites them unseen. */
export function writesBook() {
  const book = new Map<string, Mine>();
  return {
    /** A step of this window was confirmed. */
    mine: (step: Step): void => {
      for (const change of step.changes)
        if (isFieldChange(change)) book.set(touchKey(change), { revision: step.revision, change });
    },
    /** A step of another window came. @returns what of ours it overwrote, made by one who had not seen it */
    theirs: (step: Step): Overwritten[] => {
      const lost: Overwritten[] = [];
      for (const change of step.changes) {
        if (!isFieldChange(change)) continue;
        const key = touchKey(change);
        const mine = book.get(key);
        if (!mine) continue;
        book.delete(key);
        if (step.seen >= mine.revision || step.kind !== 'do') continue;
        const back = setFieldCommand({ ...mine.change, was: change.is });
        if (back) lost.push({ step, mine: { words: (job) => changeLine(job, change) }, back });
      }
      return lost;
    },
    forget: () => book.clear(),
  };
}
