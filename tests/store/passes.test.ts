import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Role } from '../../src/core/trade/people/people';
import { firmOf, type Member, makeFirst, setRole, signIn } from '../../src/server/accounts';
import { takeInJob } from '../../src/server/jobs';
import { invite, join, offerReset, resetPassword, seePass, withdraw } from '../../src/server/passes';
import { linkOf, makeShare, sharesFor } from '../../src/server/shares';
import { askerOf, cookieFor } from '../../src/server/signIns';
import type { Store } from '../../src/store/openStore';
import { insertFirm, setMember } from '../../src/store/people';
import { quillback } from '../support/jobs';
import { freshStore } from './freshStore';

const PASSWORD = 'seven quiet lanterns';
const from = () => ({ address: randomUUID(), device: 'a test' });

let store: Store;
let firmId = '';
let ada: Member;

const member = async (token: string | null): Promise<Member> => {
  const { asker } = await askerOf(store, await cookieFor(token ?? ''), null);
  if (asker.kind !== 'member') throw new Error('not let in');
  return asker;
};
const tokenIn = ({ path }: { path: string }) => path.split('/').at(-1) ?? '';
const take = (token: string, login = `m-${randomUUID()}`) =>
  join(store, { token, login, name: `Wren ${login.slice(-4)}`, password: PASSWORD }, from());
const newcomer = async (role: Role) => member(await take(tokenIn(await invite(store, ada, role))));
const keep = async () =>
  (await takeInJob(store, writeJobFile({ ...quillback(), id: `job-${randomUUID()}` }), firmId)).id;

beforeAll(async () => {
  ({ store } = await freshStore('passes'));
  process.env.SHELF_SECRET = 'a secret of the tests, long enough for them';
  ({ firmId } = await makeFirst(store, { firm: 'Heron Cabling', login: 'ada', name: 'Ada', password: PASSWORD }));
  ada = await member(await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, from()));
});

describe('a link that lets in', () => {
  it.each([null, 'planner'] as const)('ends when its maker is made %s', async (role) => {
    const owner = await newcomer('owner');
    const invitation = tokenIn(await invite(store, owner, 'owner'));
    const reset = tokenIn(await offerReset(store, owner, ada.accountId));
    expect(await seePass(store, invitation)).toMatchObject({ kind: 'join', madeBy: owner.name });
    expect(await seePass(store, reset)).toMatchObject({ kind: 'reset', login: 'ada' });
    await setRole(store, ada, owner.accountId, role);
    await expect(seePass(store, invitation)).rejects.toMatchObject({ code: 'no-link' });
    await expect(take(invitation)).rejects.toMatchObject({ code: 'no-link' });
    await expect(resetPassword(store, { token: reset, password: 'nine quiet lanterns' }, from())).rejects.toMatchObject(
      { code: 'no-link' },
    );
    expect((await firmOf(store, ada)).open).toEqual([]);
  });

  it('is listed with who made it, and withdrawn by any owner', async () => {
    const other = await newcomer('owner');
    const invitation = tokenIn(await invite(store, other, 'installer'));
    const reset = tokenIn(await offerReset(store, other, ada.accountId));
    const { open } = await firmOf(store, ada);
    expect(open).toMatchObject([
      { kind: 'reset', role: null, whom: 'Ada', madeBy: other.name },
      { kind: 'join', role: 'installer', whom: null, madeBy: other.name },
    ]);
    // None of them says how to use it.
    expect(JSON.stringify(open)).not.toContain(invitation);
    for (const { id } of open) await withdraw(store, ada, id);
    expect((await firmOf(store, ada)).open).toEqual([]);
    await expect(take(invitation)).rejects.toMatchObject({ code: 'no-link' });
    await expect(seePass(store, reset)).rejects.toMatchObject({ code: 'no-link' });
    await expect(withdraw(store, ada, open[0]?.id ?? '')).rejects.toMatchObject({ code: 'no-link' });
  });

  it('is withdrawn by owners of its own firm only', async () => {
    const token = tokenIn(await invite(store, ada, 'reader'));
    const [pass] = (await firmOf(store, ada)).open;
    const elsewhere = randomUUID();
    await insertFirm(store.em.fork(), elsewhere, 'Other Firm');
    await expect(withdraw(store, { ...ada, firmId: elsewhere }, pass?.id ?? '')).rejects.toMatchObject({
      code: 'no-link',
    });
    await expect(take(token)).resolves.toMatch(/^[\w-]{43}$/);
  });

  it('sets no password of one who has joined another firm since', async () => {
    const by = await newcomer('installer');
    const token = tokenIn(await offerReset(store, ada, by.accountId));
    const elsewhere = randomUUID();
    const em = store.em.fork();
    await insertFirm(em, elsewhere, 'Other Firm');
    await setMember(em, elsewhere, by.accountId, 'owner');
    await expect(resetPassword(store, { token, password: 'nine quiet lanterns' }, from())).rejects.toMatchObject({
      code: 'no-link',
    });
  });
});

it('is made by whoever runs the database, as the page on serving says', async () => {
  const text = readFileSync(resolve(import.meta.dirname, '../../docs/serving.md'), 'utf8');
  const [sql = ''] = /insert into pass [^"]*/.exec(text) ?? [];
  const token = 'a'.repeat(43);
  await store.em.fork().getConnection().execute(sql.replace('$token', token));
  expect(await seePass(store, token)).toMatchObject({ kind: 'join' });
  expect((await member(await take(token))).role).toBe('owner');
});

describe('a link to a job', () => {
  it('that writes ends with the role of its maker; one that reads goes on, and is told to the owners', async () => {
    const id = await keep();
    const planner = await newcomer('planner');
    const token = async (purpose: 'read' | 'build' | 'tests') =>
      tokenIn(await makeShare(store, planner, id, { purpose, rackId: null, whom: `for ${purpose}`, days: 300 }));
    const [reading, building, testing] = [await token('read'), await token('build'), await token('tests')];
    for (const one of [reading, building, testing]) await linkOf(store, one, 'here');
    expect((await firmOf(store, ada)).left).toEqual([]);
    await setRole(store, ada, planner.accountId, null);
    await expect(linkOf(store, building, 'here')).rejects.toMatchObject({ code: 'no-link' });
    await expect(linkOf(store, testing, 'here')).rejects.toMatchObject({ code: 'no-link' });
    await expect(linkOf(store, reading, 'here')).resolves.toMatchObject({ purpose: 'read' });
    expect((await firmOf(store, ada)).left).toMatchObject([{ jobId: id, whom: 'for read', madeBy: planner.name }]);
    const { links } = await sharesFor(store, id);
    expect(links.map(({ makerThere }) => makerThere)).toEqual([false, false, false]);
  });

  it('that writes ends when its maker is made an installer, who makes no links', async () => {
    const id = await keep();
    const planner = await newcomer('planner');
    const made = await makeShare(store, planner, id, { purpose: 'tests', rackId: null, whom: 'Sam', days: 3 });
    await setRole(store, ada, planner.accountId, 'installer');
    await expect(linkOf(store, tokenIn(made), 'here')).rejects.toMatchObject({ code: 'no-link' });
    await setRole(store, ada, planner.accountId, 'planner');
    await expect(linkOf(store, tokenIn(made), 'here')).resolves.toMatchObject({ purpose: 'tests' });
  });
});
