import { createContext, useContext } from 'react';
import { type StoreApi, useStore } from 'zustand';
import type { Point, Reversals } from '@/core/exchange/wire/wire';
import type { Command } from '@/core/job/commands/commands';
import type { Job } from '@/core/job/document/job';
import type { Entry, SetAside } from './shelves';

export type Notice = {
  tone: 'done' | 'wrong' | 'plain';
  words: string;
  action?: { label: string; run: () => void };
};

/** What keeps steps from the server: `away` no network, `unwell` it answers that it cannot, `signed-out` it asks who we are. */
export type Trouble = 'away' | 'unwell' | 'signed-out';

export type Session = {
  /** The job as this window sees it: what the server confirmed, with the pending steps on top. */
  job: Job;
  confirmed: { job: Job; point: Point };
  /** Steps that the server has not confirmed, of all windows of this browser, in order. */
  pending: Entry[];
  /** Steps that could not be done, until the person deals with them. */
  aside: SetAside[];
  reversals: Reversals;
  trouble: Trouble | null;
  /** The line to the server broke, and nothing came from it since: nobody knows whether all is saved. */
  unsure: boolean;
  /** Whether pending steps outlive this window. */
  lasting: boolean;
  /** The revision that is looked at, where it is not the job as it stands; nothing can be changed then. */
  revision: number | null;
  /** Where the pages of this job begin. */
  base: string;
  selectedRunId: string | null;
  /** What was found when it was more than one run: a room, a panel. The strip steps through it. */
  group: { words: string; runIds: string[] } | null;
  pointedRunId: string | null;
  /** A device that was found: it takes the focus where it is drawn. */
  foundGearId: string | null;
  /** Apply commands as one step. @returns whether they could be done */
  dispatch: (commands: Command[]) => boolean;
  reverse: (direction: 'undo' | 'redo') => void;
  select: (runId: string | null) => void;
  selectGroup: (words: string, runIds: string[], gearId: string | null) => void;
  point: (runId: string | null) => void;
  /** The line to the server broke (true), or it answered (false). */
  lost: (unsure: boolean) => void;
  /** Another window made this revision, or something may have been missed. */
  heard: (revision: number | 'gap') => void;
  /** Deal with a step that was set aside: away with it. */
  dropAside: (batchId: string) => void;
  /** Try at once what waits. */
  tryNow: () => void;
};

export type SessionStore = StoreApi<Session>;

/** How it is with what was done here, in one word. */
export const linkOf = ({ pending, trouble, unsure }: Session): Trouble | 'saving' | 'unsure' | 'saved' =>
  trouble ?? (pending.length > 0 ? 'saving' : unsure ? 'unsure' : 'saved');

export const SessionContext = createContext<SessionStore | null>(null);

export function useSession<T>(pick: (session: Session) => T): T {
  const store = useContext(SessionContext);
  if (!store) throw new Error('useSession outside a job');
  return useStore(store, pick);
}

/** The session itself, for work that reads it when it is done and not when it is drawn. */
export function useSessionStore(): SessionStore {
  const store = useContext(SessionContext);
  if (!store) throw new Error('useSessionStore outside a job');
  return store;
}
