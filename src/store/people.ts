import type { EntityManager } from '@mikro-orm/postgresql';
import type { Purpose, Role } from '../core/trade/people/people';
import { changeRows as touched } from './runSql';

/*
 * People and what they may enter. Everything is asked by hashes of tokens, never by a token.
 */

export type AccountRow = {
  id: string;
  login: string;
  name: string;
  passwordHash: string;
  secondSecret: string | null;
  secondStep: number;
};
const ACCOUNT = `id, login, name, password_hash as "passwordHash", second_secret as "secondSecret",
  second_step::float8 as "secondStep"`;

/** A list of words as PostgreSQL writes it. */
const arrayOf = (words: readonly string[]): string => `{${words.join(',')}}`;

const one = async <T>(em: EntityManager, sql: string, values: unknown[]): Promise<T | null> =>
  (await em.execute<T[]>(sql, values))[0] ?? null;

export const accountByLogin = (em: EntityManager, login: string) =>
  one<AccountRow>(em, `select ${ACCOUNT} from account where lower(login) = lower(?) and ended_at is null`, [login]);
export const accountById = (em: EntityManager, id: string) =>
  one<AccountRow>(em, `select ${ACCOUNT} from account where id = ? and ended_at is null`, [id]);

export const insertAccount = (em: EntityManager, row: Pick<AccountRow, 'id' | 'login' | 'name' | 'passwordHash'>) =>
  touched(em, 'insert into account (id, login, name, password_hash) values (?, ?, ?, ?)', [
    row.id,
    row.login,
    row.name,
    row.passwordHash,
  ]);
export const setPassword = (em: EntityManager, id: string, hash: string) =>
  touched(em, 'update account set password_hash = ? where id = ?', [hash, id]);
/** A second factor that was begun and is not held yet is known by the hash of what was sealed. */
export const beginSecond = (em: EntityManager, id: string, pending: string) =>
  touched(em, 'update account set second_pending = ? where id = ?', [pending, id]);
/** @returns 0 where that was not begun last, or one is held already */
export const holdSecond = (em: EntityManager, id: string, pending: string, secret: string, step: number) =>
  touched(
    em,
    `update account set second_secret = ?, second_step = ?, second_pending = null
      where id = ? and second_pending = ? and second_secret is null`,
    [secret, step, id, pending],
  );
export const endSecond = (em: EntityManager, id: string) =>
  touched(em, 'update account set second_secret = null, second_step = 0, second_pending = null where id = ?', [id]);
/** A code is taken once: @returns 0 where a later one was taken already */
export const takeStep = (em: EntityManager, id: string, step: number) =>
  touched(em, 'update account set second_step = ? where id = ? and second_step < ?', [step, id, step]);

export async function setCodes(em: EntityManager, id: string, hashes: readonly string[]): Promise<void> {
  await em.execute('delete from recovery_code where account_id = ?', [id]);
  for (const hash of hashes)
    await em.execute('insert into recovery_code (account_id, code_hash) values (?, ?)', [id, hash]);
}
export const takeCode = (em: EntityManager, id: string, hash: string) =>
  touched(em, 'update recovery_code set used_at = now() where account_id = ? and code_hash = ? and used_at is null', [
    id,
    hash,
  ]);
export const codesLeft = async (em: EntityManager, id: string): Promise<number> =>
  (
    await one<{ n: number }>(
      em,
      'select count(*)::int as n from recovery_code where account_id = ? and used_at is null',
      [id],
    )
  )?.n ?? 0;

export const insertFirm = (em: EntityManager, id: string, name: string) =>
  touched(em, 'insert into firm (id, name) values (?, ?)', [id, name]);
export const renameFirm = (em: EntityManager, id: string, name: string) =>
  touched(em, 'update firm set name = ? where id = ?', [name, id]);
export const firmById = (em: EntityManager, id: string) =>
  one<{ id: string; name: string }>(em, 'select id, name from firm where id = ?', [id]);
export const firmsOf = (em: EntityManager, accountId: string) =>
  em.execute<{ id: string; name: string; role: Role }[]>(
    'select firm.id, firm.name, role from member join firm on firm.id = firm_id where account_id = ? order by firm.name',
    [accountId],
  );
export const membersOf = (em: EntityManager, firmId: string) =>
  em.execute<{ id: string; name: string; login: string; role: Role }[]>(
    `select account.id, account.name, login, role from member join account on account.id = account_id
      where firm_id = ? and ended_at is null order by account.name, account.id`,
    [firmId],
  );
export const setMember = (em: EntityManager, firmId: string, accountId: string, role: Role) =>
  touched(
    em,
    'insert into member (firm_id, account_id, role) values (?, ?, ?) on conflict (firm_id, account_id) do update set role = excluded.role',
    [firmId, accountId, role],
  );
export const dropMember = (em: EntityManager, firmId: string, accountId: string) =>
  touched(em, 'delete from member where firm_id = ? and account_id = ?', [firmId, accountId]);
/** Members of a firm wait for each other here, so that the last owner cannot go in two windows at once. */
export const lockFirm = (em: EntityManager, firmId: string) =>
  one(em, 'select id from firm where id = ? for update', [firmId]);

/** Sign-ins unused for so long are over; and so are those that are so old, used or not. */
const IDLE = `interval '14 days'`;
const OLDEST = `interval '90 days'`;
const LIVE = `ended_at is null and seen_at > now() - ${IDLE} and made_at > now() - ${OLDEST}`;

export const insertSignIn = (
  em: EntityManager,
  row: { id: string; hash: string; accountId: string; firmId: string | null; device: string },
) =>
  touched(em, 'insert into sign_in (id, token_hash, account_id, firm_id, device) values (?, ?, ?, ?, ?)', [
    row.id,
    row.hash,
    row.accountId,
    row.firmId,
    row.device,
  ]);

export type Entered = {
  signInId: string;
  accountId: string;
  name: string;
  firmId: string | null;
  role: Role | null;
  stale: boolean;
  /** The password was given on this device a short while ago. */
  proven: boolean;
  /** The job that was asked of, where there is one, and what one is in it. */
  jobId: string | null;
  jobRole: Role | null;
  guest: boolean;
};

/** Who holds a token, and what they are in a job, in one question. */
export const enteredBy = (em: EntityManager, hash: string, jobId: string | null) =>
  one<Entered>(
    em,
    `select s.id as "signInId", a.id as "accountId", a.name, m.firm_id as "firmId", m.role,
        s.seen_at < now() - interval '5 minutes' as stale, s.proven_at > now() - interval '15 minutes' as proven, job.id as "jobId", coalesce(owning.role, guest.role) as "jobRole",
        owning.role is null as guest
      from sign_in s join account a on a.id = s.account_id and a.ended_at is null
        left join member m on m.firm_id = s.firm_id and m.account_id = a.id
        left join job on job.id = ?
        left join member owning on owning.firm_id = job.firm_id and owning.account_id = a.id
        left join guest on guest.job_id = job.id and guest.account_id = a.id
      where s.token_hash = ? and s.${LIVE.replaceAll(/ and (\w+_at)/g, ' and s.$1')}`,
    [jobId, hash],
  );
export const seeSignIn = (em: EntityManager, id: string) =>
  touched(em, 'update sign_in set seen_at = now() where id = ?', [id]);
export const proveSignIn = (em: EntityManager, id: string) =>
  touched(em, 'update sign_in set proven_at = now() where id = ?', [id]);
export const signInsOf = (em: EntityManager, accountId: string) =>
  em.execute<{ id: string; device: string; madeAt: Date; seenAt: Date }[]>(
    `select id, device, made_at as "madeAt", seen_at as "seenAt" from sign_in
      where account_id = ? and ${LIVE} order by seen_at desc`,
    [accountId],
  );
export const endSignIn = (em: EntityManager, accountId: string, id: string) =>
  touched(em, 'update sign_in set ended_at = now() where id = ? and account_id = ? and ended_at is null', [
    id,
    accountId,
  ]);
/** End all sign-ins of an account but one. */
export const endOthers = (em: EntityManager, accountId: string, except: string) =>
  touched(em, 'update sign_in set ended_at = now() where account_id = ? and id <> ? and ended_at is null', [
    accountId,
    except,
  ]);
export const workFor = (em: EntityManager, signInId: string, firmId: string) =>
  touched(em, 'update sign_in set firm_id = ? where id = ?', [firmId, signInId]);

export type PassRow = { kind: 'join' | 'reset'; firmId: string; role: Role | null; accountId: string | null };
export const insertPass = (
  em: EntityManager,
  row: PassRow & { id: string; hash: string; madeBy: string; until: Date },
) =>
  touched(
    em,
    'insert into pass (id, token_hash, kind, firm_id, role, account_id, made_by, until) values (?, ?, ?, ?, ?, ?, ?, ?)',
    [row.id, row.hash, row.kind, row.firmId, row.role, row.accountId, row.madeBy, row.until],
  );
/**
 * A pass lets in only while who made it may make one, and a new password only while whose it is belongs to this firm and to no
 * other. Takes the roles that may.
 */
const VALID_PASS = `used_at is null and withdrawn_at is null and until > now()
  and exists (select 1 from member m join account a on a.id = m.account_id and a.ended_at is null
    where m.firm_id = pass.firm_id and m.account_id = pass.made_by and m.role = any(?))
  and (pass.account_id is null or not exists (select 1 from account a left join member m on m.account_id = a.id
    where a.id = pass.account_id and m.firm_id is distinct from pass.firm_id))`;
const PASS = `kind, firm_id as "firmId", role, account_id as "accountId"`;
export const passBy = (em: EntityManager, hash: string, makers: readonly Role[]) =>
  one<PassRow & { madeBy: string }>(
    em,
    `select ${PASS}, (select name from account where id = pass.made_by) as "madeBy" from pass
      where token_hash = ? and ${VALID_PASS}`,
    [hash, arrayOf(makers)],
  );
/** Use it up: of two who come at once one gets it. */
export const takePass = (em: EntityManager, hash: string, makers: readonly Role[]) =>
  one<PassRow>(em, `update pass set used_at = now() where token_hash = ? and ${VALID_PASS} returning ${PASS}`, [
    hash,
    arrayOf(makers),
  ]);
export type OpenPassRow = {
  id: string;
  kind: 'join' | 'reset';
  role: Role | null;
  whom: string | null;
  madeBy: string;
  until: Date;
};
/** Passes of a firm that would let in. */
export const openPasses = (em: EntityManager, firmId: string, makers: readonly Role[]) =>
  em.execute<OpenPassRow[]>(
    `select pass.id, kind, role, whose.name as whom, maker.name as "madeBy", until
      from pass join account maker on maker.id = made_by left join account whose on whose.id = pass.account_id
      where firm_id = ? and ${VALID_PASS} order by until, pass.id`,
    [firmId, arrayOf(makers)],
  );
export const withdrawPass = (em: EntityManager, firmId: string, id: string) =>
  touched(
    em,
    'update pass set withdrawn_at = now() where firm_id = ? and id = ? and used_at is null and withdrawn_at is null',
    [firmId, id],
  );

export const note = (
  em: EntityManager,
  row: { firmId: string | null; jobId?: string | null; accountId: string | null; who: string; what: string },
) =>
  touched(em, 'insert into happening (firm_id, job_id, account_id, who, what) values (?, ?, ?, ?, ?)', [
    row.firmId,
    row.jobId ?? null,
    row.accountId,
    row.who,
    row.what,
  ]);
export const happeningsOf = (em: EntityManager, firmId: string, most: number) =>
  em.execute<{ who: string; what: string; at: Date }[]>(
    'select who, what, at from happening where firm_id = ? order by id desc limit ?',
    [firmId, most],
  );

export type ShareRow = {
  id: string;
  jobId: string;
  purpose: Purpose;
  rackId: string | null;
  whom: string;
  madeBy: string;
  /** Whether who made it may still make links of the job. */
  makerThere: boolean;
  madeAt: Date;
  until: Date;
  revokedAt: Date | null;
  usedAt: Date | null;
  uses: number;
};
/** Whether who made a link may still make links of its job. Takes the roles that may. */
const MAKER_THERE = `exists (select 1 from member m join account a on a.id = m.account_id and a.ended_at is null
  where m.firm_id = job.firm_id and m.account_id = share_link.made_by_id and m.role = any(?))`;
/** Links by which something is written. */
const WRITES = `purpose in ('build', 'tests')`;
const SHARE = `share_link.id, job_id as "jobId", purpose, rack_id as "rackId", whom, made_by as "madeBy",
  share_link.made_at as "madeAt", until, revoked_at as "revokedAt", used_at as "usedAt", uses`;
export const insertShare = (
  em: EntityManager,
  row: Pick<ShareRow, 'id' | 'jobId' | 'purpose' | 'rackId' | 'whom' | 'madeBy' | 'until'> & {
    hash: string;
    madeById: string;
  },
) =>
  touched(
    em,
    `insert into share_link (id, token_hash, job_id, purpose, rack_id, whom, made_by, made_by_id, until)
      values (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    [row.id, row.hash, row.jobId, row.purpose, row.rackId, row.whom, row.madeBy, row.madeById, row.until],
  );
export const sharesOf = (em: EntityManager, jobId: string, makers: readonly Role[]) =>
  em.execute<ShareRow[]>(
    `select ${SHARE}, ${MAKER_THERE} as "makerThere" from share_link join job on job.id = job_id
      where job_id = ? order by made_at desc, id`,
    [arrayOf(makers), jobId],
  );
/**
 * The link of a token, used once more; null where it is over, was taken back, its job is in the bin, or something is written by
 * it and who made it may not make links any more.
 */
export const takeShare = (em: EntityManager, hash: string, makers: readonly Role[]) =>
  one<Omit<ShareRow, 'makerThere'>>(
    em,
    `update share_link set used_at = now(), uses = uses + 1 from job
      where token_hash = ? and revoked_at is null and until > now() and job.id = job_id and job.removed_at is null
        and (not ${WRITES} or ${MAKER_THERE})
      returning ${SHARE}`,
    [hash, arrayOf(makers)],
  );
/** Links of a firm that answer, though who made them may not make links any more. */
export const leftShares = (em: EntityManager, firmId: string, makers: readonly Role[]) =>
  em.execute<(Omit<ShareRow, 'makerThere'> & { jobName: string })[]>(
    `select ${SHARE}, job.name as "jobName" from share_link join job on job.id = job_id
      where job.firm_id = ? and job.removed_at is null and revoked_at is null and until > now()
        and not ${WRITES} and not ${MAKER_THERE} order by until, share_link.id`,
    [firmId, arrayOf(makers)],
  );
export const revokeShare = (em: EntityManager, jobId: string, id: string) =>
  touched(em, 'update share_link set revoked_at = now() where job_id = ? and id = ? and revoked_at is null', [
    jobId,
    id,
  ]);

export const guestsOf = (em: EntityManager, jobId: string) =>
  em.execute<{ id: string; name: string; role: Exclude<Role, 'owner'> }[]>(
    'select account.id, name, role from guest join account on account.id = account_id where job_id = ? order by name',
    [jobId],
  );
export const setGuest = (em: EntityManager, jobId: string, accountId: string, role: Role) =>
  touched(
    em,
    'insert into guest (job_id, account_id, role) values (?, ?, ?) on conflict (job_id, account_id) do update set role = excluded.role',
    [jobId, accountId, role],
  );
export const dropGuest = (em: EntityManager, jobId: string, accountId: string) =>
  touched(em, 'delete from guest where job_id = ? and account_id = ?', [jobId, accountId]);

export const firmOfJob = (em: EntityManager, jobId: string) =>
  one<{ firmId: string | null; name: string }>(em, 'select firm_id as "firmId", name from job where id = ?', [jobId]);
/** The job that new ones of a firm start from; of no firm, where there are no accounts. */
export const templateOf = (em: EntityManager, firmId: string | null) =>
  one<{ id: string; name: string }>(
    em,
    'select id, name from job where is_template and removed_at is null and firm_id is not distinct from ? limit 1',
    [firmId],
  );
/** At most one a firm. */
export async function setTemplate(em: EntityManager, jobId: string, is: boolean): Promise<void> {
  await em.execute(
    'update job set is_template = false where firm_id is not distinct from (select firm_id from job where id = ?)',
    [jobId],
  );
  if (is) await em.execute('update job set is_template = true where id = ?', [jobId]);
}

/** Links and guests stay behind: they were given by the firm that had it. */
export async function giveJob(em: EntityManager, jobId: string, firmId: string): Promise<void> {
  await em.execute('update job set firm_id = ?, is_template = false where id = ?', [firmId, jobId]);
  await em.execute('update share_link set revoked_at = now() where job_id = ? and revoked_at is null', [jobId]);
  await em.execute('delete from guest where job_id = ?', [jobId]);
}
/** Jobs that were there before there were accounts belong to the first firm. */
export const adoptJobs = (em: EntityManager, firmId: string) =>
  touched(em, 'update job set firm_id = ? where firm_id is null', [firmId]);
export const countFirms = async (em: EntityManager): Promise<number> =>
  (await one<{ n: number }>(em, 'select count(*)::int as n from firm', []))?.n ?? 0;
