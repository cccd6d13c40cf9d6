import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { isDatabase, refusalOf } from './answer';
import type { Action } from './can';
import { enter, type Inside } from './door';

/**
 * The door for a page, and what it reads behind it: who is not signed in is led there and back, what is not theirs is not there,
 * and while the database is away a page says so.
 */
export async function enterPage<T>(
  action: Action,
  jobId: string | null,
  read: (inside: Inside) => T | Promise<T>,
): Promise<T> {
  const given = await headers();
  try {
    return await read(await enter(action, given.get('cookie'), jobId));
  } catch (fault) {
    const refusal = refusalOf(fault);
    if (!refusal) throw fault;
    const next = encodeURIComponent(given.get('x-shelf-path') ?? '/');
    if (isDatabase(refusal)) redirect(`/away?next=${next}`);
    if (refusal.code === 'signed-out') redirect(`/sign-in?next=${next}`);
    return notFound();
  }
}
