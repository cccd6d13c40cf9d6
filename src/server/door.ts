import { refuse } from '../core/base/text/refusal';
import type { Store } from '../store/openStore';
import { answer } from './answer';
import { type Action, type Asker, can, type JobAccess, MACHINE, NOBODY, OF_A_JOB } from './can';
import { actorOf, counted } from './limits';
import { noJob } from './noJob';
import { askerOf } from './signIns';
import { getStore } from './store';
import { asking } from './whoAsks';

/** Whether there are accounts: without them the program answers the machine that it runs on, and nobody else. */
export const withAccounts = (): boolean => process.env.SHELF_ACCOUNTS === '1';

export type Inside = { store: Store; asker: Asker; job: JobAccess };

/**
 * The one way to the database: who asks is found, and whether they may is asked, before anything of it is.
 * @param jobId of what is asked about, where the action is about a job
 * @throws Refusal `signed-out`, `not-yours`; of a job that one may not even read it says that there is none
 */
export async function enter(action: Action, cookie: string | null, jobId: string | null): Promise<Inside> {
  const store = await getStore();
  if (!withAccounts()) {
    if (!can(MACHINE, action)) refuse('no-accounts', 'There are no accounts on this machine.');
    return { store, asker: MACHINE, job: { id: jobId ?? '', role: 'owner' } };
  }
  const { asker, role, guest } = await askerOf(store, cookie, OF_A_JOB.includes(action) ? jobId : null);
  const job = { id: jobId ?? '', role, guest };
  if (can(asker, action, job)) return { store, asker, job };
  if (asker.kind === NOBODY.kind) return refuse('signed-out', 'Sign in first.');
  if (OF_A_JOB.includes(action) && !can(asker, 'read', job)) return noJob();
  return refuse('not-yours', 'Your role does not permit that. An owner of the firm can change it.');
}

/**
 * Asked before what changes who may do what: somebody at a device that was left open does not know the password.
 * @throws Refusal `prove`
 */
export function mustBeProven(asker: Asker): void {
  if (asker.kind === 'member' && !asker.proven) refuse('prove', 'Your password is asked again before this.');
}

export type Asked<P> = Inside & { request: Request; params: P };
type Context<P> = { params: Promise<P> };

/** A route: what it does, for those who may. Every route is made by this, and says what it asks leave for. */
export function route<P extends object = object>(
  action: Action,
  work: (asked: Asked<P>) => Promise<Response | object>,
): ((request: Request, context: Context<P>) => Promise<Response>) & { action: Action } {
  const handler = (request: Request, { params: promised }: Context<P>) =>
    answer(async () => {
      // A route without names in its address is given none.
      const params = (await promised) ?? ({} as P);
      const { id } = params as { id?: unknown };
      const inside = await enter(action, request.headers.get('cookie'), typeof id === 'string' ? id : null);
      await counted(inside.asker, request);
      return asking(actorOf(inside.asker, request), () => work({ ...inside, request, params }));
    });
  return Object.assign(handler, { action });
}
