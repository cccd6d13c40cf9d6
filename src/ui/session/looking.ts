import { createStore } from 'zustand';
import type { Job } from '@/core/job/document/job';
import { sealJob } from '@/core/job/document/sealJob';
import type { Notice, Session, SessionStore } from './session';

const empty = { selectedRunId: null, group: null, pointedRunId: null, foundGearId: null };
/** What of a session is about what is looked at, the same for a job and for an earlier version of it. */
export const looking = (set: (part: (state: Session) => Partial<Session>) => void) => ({
  ...empty,
  select: (selectedRunId: string | null) =>
    set(({ group }) => ({
      selectedRunId,
      group: selectedRunId !== null && group?.runIds.includes(selectedRunId) ? group : null,
    })),
  selectGroup: (words: string, runIds: string[], foundGearId: string | null) =>
    set(() => ({
      group: runIds.length > 1 ? { words, runIds } : null,
      selectedRunId: runIds[0] ?? null,
      foundGearId,
    })),
  point: (pointedRunId: string | null) => set(() => ({ pointedRunId })),
});

/** A job as it was at a revision, to look at. */
export function createLookBack(
  given: Job,
  revision: number,
  base: string,
  notify: (notice: Notice) => void,
): SessionStore {
  const job = sealJob(given);
  const cannot = () => {
    notify({ tone: 'wrong', words: 'This is an earlier version: it can be looked at, not changed.' });
    return false;
  };
  return createStore<Session>()((set) => ({
    job,
    confirmed: { job, point: { history: 'past', revision, step: '' } },
    pending: [],
    aside: [],
    reversals: { undo: null, redo: null },
    trouble: null,
    unsure: false,
    lasting: true,
    revision,
    base,
    ...looking(set),
    dispatch: cannot,
    reverse: cannot,
    lost: () => undefined,
    heard: () => undefined,
    dropAside: () => undefined,
    tryNow: () => undefined,
  }));
}
