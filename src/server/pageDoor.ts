import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { Refusal } from '../core/text/refusal';
import type { Action } from './can';
import { enter, type Inside } from './door';

/** The door for a page: who is not signed in is led there and back, and what is not theirs is not there. */
export async function enterPage(action: Action, jobId: string | null = null): Promise<Inside> {
  const given = await headers();
  try {
    return await enter(action, given.get('cookie'), jobId);
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    if (fault.code === 'signed-out') redirect(`/sign-in?next=${encodeURIComponent(given.get('x-shelf-path') ?? '/')}`);
    return notFound();
  }
}
