import { randomUUID } from 'node:crypto';
import type { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import { type NewGuest, type NewShare, PURPOSE_WORDS, type Share, type Shares } from '../core/trade/people/people';
import type { Store } from '../store/openStore';
import {
  accountByLogin,
  dropGuest,
  firmById,
  firmOfJob,
  giveJob,
  guestsOf,
  insertShare,
  note,
  revokeShare,
  type ShareRow,
  setGuest,
  sharesOf,
  takeShare,
} from '../store/people';
import type { Member } from './accounts';
import { type Asker, rolesThatMay } from './can';
import { tellAccess } from './changes';
import { readKept } from './jobs';
import { countTry, giveBack, mayTry, wrongTry } from './limits';
import { noJob } from './noJob';
import { noteOn } from './noteOn';
import { hashOf, newToken } from './signIns';

/** Live links of one job. */
const MOST_LINKS = 100;
const MAKERS = rolesThatMay('share');

const iso = (date: Date | null): string | null => (date === null ? null : new Date(date).toISOString());
const asShare = (row: ShareRow): Share => ({
  ...row,
  madeAt: iso(row.madeAt) ?? '',
  until: iso(row.until) ?? '',
  revokedAt: iso(row.revokedAt),
  usedAt: iso(row.usedAt),
});

export async function sharesFor(store: Store, jobId: string): Promise<Shares> {
  const em = store.em.fork();
  return { links: (await sharesOf(em, jobId, MAKERS)).map(asShare), guests: await guestsOf(em, jobId) };
}

/** A link to one job for one purpose. Its address is told once, and only its hash is kept. */
export async function makeShare(
  store: Store,
  by: Member,
  jobId: string,
  { purpose, rackId, whom, days }: z.infer<typeof NewShare>,
): Promise<Shares & { path: string }> {
  const { job } = (await readKept(store, jobId)) ?? noJob();
  if (rackId !== null && !job.racks[rackId]) refuse('no-rack', 'There is no such cabinet in this job.', 'rackId');
  const em = store.em.fork();
  const live = (await sharesOf(em, jobId, MAKERS)).filter((one) => one.revokedAt === null && one.until > new Date());
  if (live.length >= MOST_LINKS)
    refuse('too-many-links', `A job has at most ${MOST_LINKS} links: take some back first.`);
  const token = newToken();
  const until = new Date(Date.now() + days * 24 * 3600 * 1000);
  await insertShare(em, {
    id: randomUUID(),
    hash: hashOf(token),
    jobId,
    purpose,
    rackId,
    whom,
    madeBy: by.name,
    madeById: by.accountId,
    until,
  });
  await noteOn(store, by, jobId, `made a link for ${whom}: ${PURPOSE_WORDS[purpose]}`);
  return { ...(await sharesFor(store, jobId)), path: `/l/${token}` };
}

export async function takeBackShare(store: Store, by: Member, jobId: string, id: string): Promise<Shares> {
  if ((await revokeShare(store.em.fork(), jobId, id)) > 0) await noteOn(store, by, jobId, 'took a link back');
  return sharesFor(store, jobId);
}

/** Open one job to somebody of another firm, or close it again. */
export async function openToGuest(
  store: Store,
  by: Member,
  jobId: string,
  { login, role }: z.infer<typeof NewGuest>,
): Promise<Shares> {
  const em = store.em.fork();
  await countTry(store, 'pair', `guest ${by.accountId}`);
  const account = await accountByLogin(em, login);
  if (!account) return refuse('no-member', `Nobody signs in as “${login}” here.`, 'login');
  await giveBack(store, 'pair', `guest ${by.accountId}`);
  await setGuest(em, jobId, account.id, role);
  await tellAccess(em, account.id);
  await noteOn(store, by, jobId, `opened the job to ${account.name} as ${role}`);
  return sharesFor(store, jobId);
}

export async function closeToGuest(store: Store, by: Member, jobId: string, accountId: string): Promise<Shares> {
  const em = store.em.fork();
  if ((await dropGuest(em, jobId, accountId)) > 0) await noteOn(store, by, jobId, 'closed the job to a guest');
  await tellAccess(em, accountId);
  return sharesFor(store, jobId);
}

/** Give a job to another firm, by its number: from then on it is theirs alone. */
export async function giveTo(store: Store, by: Member, jobId: string, firmId: string): Promise<void> {
  await store.em.fork().transactional(async (em) => {
    const firm = (await firmById(em, firmId)) ?? refuse('no-firm', 'There is no firm of this number.', 'firm');
    const job = (await firmOfJob(em, jobId)) ?? noJob();
    if (job.firmId === firmId) refuse('same-firm', 'The job is that firm’s already.', 'firm');
    await giveJob(em, jobId, firmId);
    await tellAccess(em, jobId);
    const said = { jobId, accountId: by.accountId, who: by.name };
    await note(em, { ...said, firmId: job.firmId, what: `gave ${job.name} to ${firm.name}` });
    await note(em, { ...said, firmId, what: `gave ${job.name} to this firm` });
  });
}

/**
 * Who comes by a link. One that reads outlives the role of who made it, as a key that was handed over does; one that writes
 * ends with it.
 * @throws Refusal `no-link` for one that there is not, that is over or was taken back: all the same
 */
export async function linkOf(
  store: Store,
  token: string,
  address: string,
): Promise<Extract<Asker, { kind: 'link' }> & { until: Date; madeBy: string }> {
  await mayTry(store, 'link', address);
  const row = /^[A-Za-z0-9_-]{43}$/.test(token) ? await takeShare(store.em.fork(), hashOf(token), MAKERS) : null;
  if (!row) {
    await wrongTry(store, 'link', address);
    return refuse('no-link', 'This link is over, was taken back, or is not whole. Ask whoever gave it to you.');
  }
  const { id, jobId, purpose, rackId, whom, until, madeBy } = row;
  return { kind: 'link', linkId: id, jobId, purpose, rackId, whom, until: new Date(until), madeBy };
}
