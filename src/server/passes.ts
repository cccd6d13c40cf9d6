import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import type { Firm, Join, Reset, Role } from '../core/trade/people/people';
import type { Store } from '../store/openStore';
import {
  accountById,
  accountByLogin,
  endOthers,
  firmById,
  firmsOf,
  insertAccount,
  insertPass,
  note,
  passBy,
  setMember,
  setPassword,
  takePass,
  withdrawPass,
} from '../store/people';
import { firmIdOf, firmOf, type Member, memberOf, noteIn, startSignIn } from './accounts';
import { rolesThatMay } from './can';
import { tellAccess } from './changes';
import { mayTry, wrongTry } from './limits';
import { checkedPassword, hashPassword } from './passwords';
import { hashOf, newToken } from './signIns';

/*
 * Links that let in: an invitation, and a new password. Each is used once, within days, and only while who made it may make one.
 */

const LINK_DAYS = { join: 7, reset: 1 } as const;
const within = (days: number): Date => new Date(Date.now() + days * 24 * 3600 * 1000);
const MAKERS = rolesThatMay('firm');

/** What an invitation or a reset is for, before it is used. @throws Refusal `no-link` */
export async function seePass(
  store: Store,
  token: string,
): Promise<{ kind: 'join' | 'reset'; firm: string; login: string; madeBy: string }> {
  const em = store.em.fork();
  const pass = (await passBy(em, hashOf(token), MAKERS)) ?? noLink();
  const account = pass.accountId ? await accountById(em, pass.accountId) : null;
  const firm = (await firmById(em, pass.firmId))?.name ?? '';
  return { kind: pass.kind, firm, login: account?.login ?? '', madeBy: pass.madeBy };
}

const noLink = (): never =>
  refuse('no-link', 'This link has been used, has expired, was withdrawn, or is incomplete. Ask for a new one.');

/** Take an invitation. @returns a token for the cookie */
export async function join(store: Store, given: z.infer<typeof Join>, from: { address: string; device: string }) {
  await mayTry(store, 'link', from.address);
  const em = store.em.fork();
  const known = await passBy(em, hashOf(given.token), MAKERS);
  if (known?.kind !== 'join') {
    await wrongTry(store, 'link', from.address);
    return noLink();
  }
  // Only now: it takes long on purpose.
  const passwordHash = await hashPassword(checkedPassword(given.password, [given.login, given.name]));
  return em.transactional(async (inside) => {
    if (await accountByLogin(inside, given.login))
      refuse('taken', 'Somebody signs in with this name already: take another one.', 'login');
    const pass = (await takePass(inside, hashOf(given.token), MAKERS)) ?? noLink();
    const account = { id: randomUUID(), login: given.login, name: given.name, passwordHash };
    await insertAccount(inside, account);
    await setMember(inside, pass.firmId, account.id, pass.role ?? 'reader');
    await note(inside, {
      firmId: pass.firmId,
      accountId: account.id,
      who: account.name,
      what: `joined as ${pass.role ?? 'reader'}`,
    });
    return startSignIn(inside, account, pass.firmId, from.device);
  });
}

/** A new password by a link; all sign-ins end, and the second factor is as it was. */
export async function resetPassword(
  store: Store,
  given: z.infer<typeof Reset>,
  from: { address: string },
): Promise<void> {
  await mayTry(store, 'link', from.address);
  const em = store.em.fork();
  const known = await passBy(em, hashOf(given.token), MAKERS);
  const account = known?.accountId ? await accountById(em, known.accountId) : null;
  if (!account || known?.kind !== 'reset') {
    await wrongTry(store, 'link', from.address);
    return noLink();
  }
  const passwordHash = await hashPassword(checkedPassword(given.password, [account.login, account.name]));
  await em.transactional(async (inside) => {
    const pass = (await takePass(inside, hashOf(given.token), MAKERS)) ?? noLink();
    await setPassword(inside, account.id, passwordHash);
    await endOthers(inside, account.id, '');
    await tellAccess(inside, account.id);
    await note(inside, {
      firmId: pass.firmId,
      accountId: account.id,
      who: account.name,
      what: 'set a new password by a link',
    });
  });
}

/** A link that makes an account once. It is shown to copy, and nowhere kept. */
export async function invite(store: Store, by: Member, role: Role): Promise<{ path: string; until: string }> {
  const token = newToken();
  const until = within(LINK_DAYS.join);
  const em = store.em.fork();
  await insertPass(em, {
    id: randomUUID(),
    kind: 'join',
    firmId: firmIdOf(by),
    role,
    accountId: null,
    hash: hashOf(token),
    madeBy: by.accountId,
    until,
  });
  await noteIn(em, by, `invited somebody as ${role}`);
  return { path: `/join/${token}`, until: until.toISOString() };
}

/** A link that sets a new password once. */
export async function offerReset(
  store: Store,
  by: Member,
  accountId: string,
): Promise<{ path: string; until: string }> {
  const em = store.em.fork();
  const { member } = await memberOf(em, by, accountId);
  // Who is a member elsewhere too could otherwise be entered by any of their firms.
  if ((await firmsOf(em, accountId)).length > 1)
    refuse('not-only-yours', `${member.name} is a member of other firms too: they set their password themselves.`);
  const token = newToken();
  const until = within(LINK_DAYS.reset);
  await insertPass(em, {
    id: randomUUID(),
    kind: 'reset',
    firmId: firmIdOf(by),
    role: null,
    accountId,
    hash: hashOf(token),
    madeBy: by.accountId,
    until,
  });
  await noteIn(em, by, `made a link for a new password of ${member.name}`);
  return { path: `/reset/${token}`, until: until.toISOString() };
}

/** Withdraw a link that nobody used yet, whoever of the firm made it. @throws Refusal where there is none */
export async function withdraw(store: Store, by: Member, id: string): Promise<Firm> {
  const em = store.em.fork();
  if ((await withdrawPass(em, firmIdOf(by), id)) === 0)
    refuse('no-link', 'This link has already been used or withdrawn.');
  await noteIn(em, by, 'withdrew a link that lets somebody in');
  return firmOf(store, by);
}
