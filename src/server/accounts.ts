import { randomInt, randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { generateSecret, generateURI, verify as verifyCode } from 'otplib';
import { toString as qrCode } from 'qrcode';
import type { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import type { Firm, Me, NewPassword, Role, SecondFactor, SignIn } from '../core/trade/people/people';
import type { Store } from '../store/openStore';
import {
  type AccountRow,
  accountById,
  accountByLogin,
  adoptJobs,
  beginSecond,
  codesLeft,
  countFirms,
  dropMember,
  endOthers,
  endSecond,
  endSignIn,
  firmById,
  firmsOf,
  happeningsOf,
  holdSecond,
  insertAccount,
  insertFirm,
  insertSignIn,
  leftShares,
  lockFirm,
  membersOf,
  note,
  openPasses,
  proveSignIn,
  renameFirm,
  setCodes,
  setMember,
  setPassword,
  signInsOf,
  takeCode,
  takeStep,
  workFor,
} from '../store/people';
import { type Asker, rolesThatMay } from './can';
import { tellAccess } from './changes';
import { countTry, forgiveTries, giveBack } from './limits';
import { checkedPassword, hashPassword, isPassword } from './passwords';
import { hashOf, newToken, seal, unseal } from './signIns';

export type Member = Extract<Asker, { kind: 'member' }>;

const WRONG = 'That name and password do not go together.';
/** A time code may be so old, seconds: RFC 6238, 5.2 recommends at most one step for the way. */
const LATE_SECONDS = 30;
const SEALED_SECONDS = 15 * 60;
const MOST_HAPPENINGS = 200;

async function secretOf(account: AccountRow): Promise<string | null> {
  if (account.secondSecret === null) return null;
  const { secret } = await unseal<{ secret: string }>(account.secondSecret, 0);
  return secret ?? refuse('second-lost', 'The second factor cannot be read: whoever runs the server can end it.');
}

/** The step of a time code that is right and later than any that was used; null where it is not. */
async function stepOf(secret: string, code: string, after: number): Promise<number | null> {
  const token = code.replaceAll(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const checked = await verifyCode({ secret, token, epochTolerance: [LATE_SECONDS, 0], afterTimeStep: after });
  return checked.valid && 'timeStep' in checked ? checked.timeStep : null;
}

const recoveryCode = (): string =>
  Array.from({ length: 4 }, () => String(randomInt(10_000)).padStart(4, '0')).join('-');
const sameCode = (code: string): string => hashOf(code.replaceAll(/\D/g, ''));

/** Whether a second factor is right: a time code, or a recovery code, each once. */
async function isSecond(em: EntityManager, account: AccountRow, secret: string, code: string): Promise<boolean> {
  const step = await stepOf(secret, code, account.secondStep);
  if (step !== null) return (await takeStep(em, account.id, step)) > 0;
  return /^[\d\s-]{16,}$/.test(code) && (await takeCode(em, account.id, sameCode(code))) > 0;
}

/**
 * Sign in. @returns a token for the cookie, or null where the second factor is asked for
 * @throws Refusal `wrong` for a name that there is not as for a wrong password
 */
export async function signIn(
  store: Store,
  { login, password, code }: z.infer<typeof SignIn>,
  from: { address: string; device: string },
): Promise<string | null> {
  const em = store.em.fork();
  const pair = hashOf(`${login.toLowerCase()} ${from.address}`);
  const whole = hashOf(login.toLowerCase());
  // Counted before the password is looked at, and given back when it was right: many at once are as many as one by one.
  await countTry(store, 'address', from.address);
  await countTry(store, 'pair', pair);
  await countTry(store, 'login', whole);
  const right = async (): Promise<void> => {
    await Promise.all([
      giveBack(store, 'address', from.address),
      giveBack(store, 'pair', pair),
      giveBack(store, 'login', whole),
    ]);
  };
  const account = await accountByLogin(em, login);
  if (!(await isPassword(account, password)) || !account) return refuse('wrong', WRONG);
  const firms = await firmsOf(em, account.id);
  const secret = await secretOf(account);
  if (secret !== null) {
    if (code === '') {
      await right();
      return null;
    }
    if (!(await isSecond(em, account, secret, code))) {
      for (const { id } of firms)
        await note(em, { firmId: id, accountId: account.id, who: account.name, what: 'gave a wrong second factor' });
      return refuse('wrong', 'That code is not right, or was used already.');
    }
  }
  await right();
  await forgiveTries(store, 'pair', pair);
  return startSignIn(em, account, firms[0]?.id ?? null, from.device);
}

/** @returns a token for the cookie */
export async function startSignIn(
  em: EntityManager,
  { id, name }: Pick<AccountRow, 'id' | 'name'>,
  firmId: string | null,
  device: string,
): Promise<string> {
  const token = newToken();
  await insertSignIn(em, { id: randomUUID(), hash: hashOf(token), accountId: id, firmId, device });
  if (firmId) await note(em, { firmId, accountId: id, who: name, what: `signed in on ${device}` });
  return token;
}

export async function signOut(store: Store, by: Member): Promise<void> {
  const em = store.em.fork();
  await endSignIn(em, by.accountId, by.signInId);
  await tellAccess(em, by.accountId);
}

/** The first account and its firm; what was there before accounts becomes the firm's. @throws Refusal where there is a firm */
export async function makeFirst(
  store: Store,
  { firm, login, name, password }: { firm: string; login: string; name: string; password: string },
): Promise<{ firmId: string; adopted: number }> {
  const passwordHash = await hashPassword(checkedPassword(password, [login, name]));
  return store.em.fork().transactional(async (em) => {
    if ((await countFirms(em)) > 0) refuse('not-first', 'There is a firm already: its owner invites others.');
    const [firmId, id] = [randomUUID(), randomUUID()];
    await insertFirm(em, firmId, firm);
    await insertAccount(em, { id, login, name, passwordHash });
    await setMember(em, firmId, id, 'owner');
    await note(em, { firmId, accountId: id, who: name, what: 'made the firm' });
    return { firmId, adopted: await adoptJobs(em, firmId) };
  });
}

const accountOf = async (em: EntityManager, by: Member): Promise<AccountRow> =>
  (await accountById(em, by.accountId)) ?? refuse('signed-out', 'Sign in first.');

/** @throws Refusal where the password of the one who asks is not right */
async function proven(store: Store, em: EntityManager, by: Member, password: string): Promise<AccountRow> {
  const account = await accountOf(em, by);
  await countTry(store, 'pair', by.accountId);
  if (await isPassword(account, password)) {
    await giveBack(store, 'pair', by.accountId);
    return account;
  }
  return refuse('wrong', 'That is not your password.', 'password');
}

/** Asked again before what cannot be taken back. @throws Refusal `wrong` where the password is not theirs */
export const provePassword = async (store: Store, by: Member, password: string): Promise<void> =>
  void (await proven(store, store.em.fork(), by, password));

/** The password, given once more, so that what matters can be done on this device for a while. @throws Refusal `wrong` */
export async function proveHere(store: Store, by: Member, password: string): Promise<void> {
  await provePassword(store, by, password);
  await proveSignIn(store.em.fork(), by.signInId);
}

export async function meOf(store: Store, by: Member): Promise<Me> {
  const em = store.em.fork();
  const { id, login, name, secondSecret } = await accountOf(em, by);
  const devices = (await signInsOf(em, id)).map(({ id: signInId, device, madeAt, seenAt }) => ({
    id: signInId,
    device,
    madeAt: new Date(madeAt).toISOString(),
    seenAt: new Date(seenAt).toISOString(),
    here: signInId === by.signInId,
  }));
  const second = secondSecret !== null;
  return {
    id,
    login,
    name,
    second,
    codesLeft: second ? await codesLeft(em, id) : 0,
    firms: await firmsOf(em, id),
    firmId: by.firmId,
    devices,
  };
}

/** A new password ends all other sign-ins. */
export async function changePassword(store: Store, by: Member, given: z.infer<typeof NewPassword>): Promise<Me> {
  const em = store.em.fork();
  const account = await proven(store, em, by, given.before);
  await setPassword(em, account.id, await hashPassword(checkedPassword(given.password, [account.login, account.name])));
  await endOthers(em, account.id, by.signInId);
  await tellAccess(em, account.id);
  await noteIn(em, by, 'set a new password');
  return meOf(store, by);
}

export const noteIn = (em: EntityManager, by: Member, what: string, jobId: string | null = null) =>
  note(em, { firmId: by.firmId, jobId, accountId: by.accountId, who: by.name, what });

/** Begin, hold or end a second factor. */
export async function secondFactor(
  store: Store,
  by: Member,
  given: z.infer<typeof SecondFactor>,
): Promise<{ sealed?: string; secret?: string; picture?: string; codes?: string[] }> {
  const em = store.em.fork();
  if (given.step === 'begin') {
    const account = await proven(store, em, by, given.password);
    if (account.secondSecret !== null) refuse('second-there', 'There is a second factor already: end that one first.');
    const secret = generateSecret();
    const sealed = await seal({ secret, for: account.id }, SEALED_SECONDS);
    await beginSecond(em, account.id, hashOf(sealed));
    const uri = generateURI({ issuer: 'Good Shelf', label: account.login, secret });
    return {
      secret,
      picture: await qrCode(uri, { type: 'svg', margin: 2 }),
      sealed,
    };
  }
  if (given.step === 'end') {
    const account = await proven(store, em, by, given.password);
    await em.transactional(async (inside) => {
      await endSecond(inside, account.id);
      await setCodes(inside, account.id, []);
      await noteIn(inside, by, 'ended the second factor');
    });
    return {};
  }
  const { secret, for: whose } = await unseal<{ secret: string; for: string }>(given.sealed, SEALED_SECONDS);
  if (!secret || whose !== by.accountId) return refuse('over', 'That took too long: begin again.');
  const step = await stepOf(secret, given.code, 0);
  if (step === null) return refuse('wrong', 'That code is not right. Is the clock of the telephone right?', 'code');
  const codes = Array.from({ length: 8 }, recoveryCode);
  const kept = await seal({ secret }, 0);
  await em.transactional(async (inside) => {
    // What was begun is held once: not again with what was sealed then, nor after it was ended.
    if ((await holdSecond(inside, by.accountId, hashOf(given.sealed), kept, step)) === 0)
      refuse('over', 'This was used already, or begun anew since: begin again.');
    await setCodes(inside, by.accountId, codes.map(sameCode));
    await endOthers(inside, by.accountId, by.signInId);
    await tellAccess(inside, by.accountId);
    await noteIn(inside, by, 'began a second factor');
  });
  return { codes };
}

export async function endDevice(store: Store, by: Member, id: string): Promise<Me> {
  const em = store.em.fork();
  await endSignIn(em, by.accountId, id);
  await tellAccess(em, by.accountId);
  return meOf(store, by);
}

/** Work for another firm that one is a member of. */
export async function chooseFirm(store: Store, by: Member, firmId: string): Promise<Me> {
  const em = store.em.fork();
  if (!(await firmsOf(em, by.accountId)).some(({ id }) => id === firmId))
    refuse('no-firm', 'You are not a member there.');
  await workFor(em, by.signInId, firmId);
  return meOf(store, { ...by, firmId });
}

export const firmIdOf = (by: Member): string => by.firmId ?? refuse('no-firm', 'You are not a member of a firm.');

export async function firmOf(store: Store, by: Member): Promise<Firm> {
  const em = store.em.fork();
  const firm = (await firmById(em, firmIdOf(by))) ?? refuse('no-firm', 'There is no such firm.');
  return {
    ...firm,
    members: await membersOf(em, firm.id),
    open: (await openPasses(em, firm.id, rolesThatMay('firm'))).map((pass) => ({
      ...pass,
      until: new Date(pass.until).toISOString(),
    })),
    left: (await leftShares(em, firm.id, rolesThatMay('share'))).map(
      ({ id, jobId, jobName, purpose, whom, madeBy, until }) => ({
        id,
        jobId,
        jobName,
        purpose,
        whom,
        madeBy,
        until: new Date(until).toISOString(),
      }),
    ),
    happenings: (await happeningsOf(em, firm.id, MOST_HAPPENINGS)).map(({ who, what, at }) => ({
      who,
      what,
      at: new Date(at).toISOString(),
    })),
  };
}

export async function nameFirm(store: Store, by: Member, name: string): Promise<Firm> {
  const em = store.em.fork();
  await renameFirm(em, firmIdOf(by), name);
  await noteIn(em, by, `called the firm ${name}`);
  return firmOf(store, by);
}

/** @throws Refusal where there is no such member of the firm that one works for */
export async function memberOf(em: EntityManager, by: Member, accountId: string) {
  const members = await membersOf(em, firmIdOf(by));
  const member = members.find(({ id }) => id === accountId);
  return { members, member: member ?? refuse('no-member', 'There is no such member of this firm.') };
}

/** Another role, or none: then they are no member any more. @throws Refusal where no owner would be left */
export async function setRole(store: Store, by: Member, accountId: string, role: Role | null): Promise<Firm> {
  await store.em.fork().transactional(async (em) => {
    const firmId = firmIdOf(by);
    await lockFirm(em, firmId);
    const { members, member } = await memberOf(em, by, accountId);
    const left = members.filter((one) => one.role === 'owner' && one.id !== accountId);
    if (role !== 'owner' && left.length === 0)
      refuse('last-owner', 'A firm has at least one owner: make another one first.');
    if (role === null) await dropMember(em, firmId, accountId);
    else await setMember(em, firmId, accountId, role);
    await tellAccess(em, accountId);
    await noteIn(em, by, role === null ? `took ${member.name} off the firm` : `made ${member.name} ${role}`);
  });
  return firmOf(store, by);
}
