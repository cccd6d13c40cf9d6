import type { Change } from '../core/job/document/change';
import { type Purpose, ROLES, type Role } from '../core/trade/people/people';
import { isForLink, isWork } from '../core/trade/people/work';

/**
 * Who asks. `machine`: whoever sits at the machine that the program runs on, where there are no accounts. `link`: somebody
 * without an account who holds a link to one job.
 */
export type Asker =
  | { kind: 'machine' }
  | { kind: 'nobody' }
  | {
      kind: 'member';
      accountId: string;
      signInId: string;
      name: string;
      /** The password was given here a short while ago. */
      proven: boolean;
      /** The firm that is being worked for, and what one is there. */
      firmId: string | null;
      role: Role | null;
    }
  | { kind: 'link'; linkId: string; jobId: string; purpose: Purpose; rackId: string | null; whom: string };

export const MACHINE: Asker = { kind: 'machine' };
export const NOBODY: Asker = { kind: 'nobody' };

/** What a member of its firm, or a guest, is in a job; null: nothing. Of a link the job itself. */
export type JobAccess = {
  id: string;
  role: Role | null;
  /** Of another firm than the job's. */
  guest?: boolean;
};

/** The least role that may do it. Those of a job are asked of the role in that job, the others of the role in the firm. */
const LEAST = {
  /** Something of a job is looked at, or taken away as a file. */
  read: 'reader',
  /** Ticks, tests, notes, photographs, what switches say: what comes of work on the site. */
  work: 'installer',
  edit: 'planner',
  /** Into the bin and out of it. */
  remove: 'planner',
  /** Links and guests. */
  share: 'planner',
  /** To another firm. */
  give: 'owner',
  /** A new job, from whatever it comes. */
  start: 'planner',
  firm: 'owner',
  /** All jobs of the firm as one file. */
  export: 'owner',
} as const satisfies Record<string, Role>;
type RoleAction = keyof typeof LEAST;
/** `list`: what one sees of the jobs by what one is. `me`: of one's own account. `open`: by anybody, for what is no secret or brings its own proof. */
export type Action = RoleAction | 'list' | 'me' | 'open';
export const ACTIONS = [...Object.keys(LEAST), 'list', 'me', 'open'] as Action[];
export const OF_A_JOB: readonly Action[] = ['read', 'work', 'edit', 'remove', 'share', 'give'];

/** Whose job it is decides on these. */
const NOT_BY_GUESTS: readonly Action[] = ['remove', 'share', 'give'];
/** Of nobody where there are no accounts. */
const NEEDS_ACCOUNTS: readonly Action[] = ['me', 'firm', 'share', 'give'];

const reaches = (role: Role | null, least: Role): boolean =>
  role !== null && ROLES.indexOf(role) <= ROLES.indexOf(least);

/** The roles that may do it. */
export const rolesThatMay = (action: RoleAction): Role[] => ROLES.filter((role) => reaches(role, LEAST[action]));

/** Whether one may do something; what is about a job is asked with it. */
export function can(asker: Asker, action: Action, job: JobAccess | null = null): boolean {
  if (action === 'open') return true;
  if (asker.kind === 'nobody') return false;
  if (asker.kind === 'link') return false;
  if (asker.kind === 'machine') return !NEEDS_ACCOUNTS.includes(action);
  if (action === 'me' || action === 'list') return true;
  if (job?.guest && NOT_BY_GUESTS.includes(action)) return false;
  if (OF_A_JOB.includes(action)) return job !== null && reaches(job.role, LEAST[action]);
  return reaches(asker.role, LEAST[action]);
}

/** Whether one may make these changes to a job, by whatever commands they come, undo and redo among them. */
export function mayChange(asker: Asker, job: JobAccess, changes: readonly Change[]): boolean {
  if (asker.kind === 'link') return isForLink(asker.purpose, changes);
  return can(asker, 'edit', job) || (can(asker, 'work', job) && isWork(changes));
}

/** What somebody may do in a job, in a word for their browser. */
export const mayIn = (asker: Asker, job: JobAccess): 'edit' | 'work' | 'read' =>
  can(asker, 'edit', job) ? 'edit' : can(asker, 'work', job) ? 'work' : 'read';
