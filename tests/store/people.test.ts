import { randomUUID } from 'node:crypto';
import { generate } from 'otplib';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Command } from '../../src/core/job/commands/commands';
import { ticks } from '../../src/core/job/records/tick';
import {
  changePassword,
  type Member,
  makeFirst,
  meOf,
  provePassword,
  secondFactor,
  setRole,
  signIn,
  signOut,
} from '../../src/server/accounts';
import { type Asker, mayChange } from '../../src/server/can';
import { applyBatch, getJobs, readKept, reverse, scopeOf, takeInJob } from '../../src/server/jobs';
import { workByLink } from '../../src/server/linkDesk';
import { invite, join, offerReset, resetPassword } from '../../src/server/passes';
import { giveTo, linkOf, makeShare, openToGuest, takeBackShare } from '../../src/server/shares';
import { askerOf, cookieFor, hashOf } from '../../src/server/signIns';
import type { Store } from '../../src/store/openStore';
import { insertFirm, setMember } from '../../src/store/people';
import { quillback } from '../support/jobs';
import { freshStore } from './freshStore';

const PASSWORD = 'seven quiet lanterns';
const from = (address: string = randomUUID()) => ({ address, device: 'a test' });

let store: Store;
let firmId = '';
let ada: Member;
beforeAll(async () => {
  const fresh = await freshStore('people');
  store = fresh.store;
  process.env.SHELF_SECRET = 'a secret of the tests, long enough for them';
  ({ firmId } = await makeFirst(store, { firm: 'Heron Cabling', login: 'ada', name: 'Ada', password: PASSWORD }));
  ada = await enter('ada');
});

const member = async (token: string | null): Promise<Member> => {
  const { asker } = await askerOf(store, await cookieFor(token ?? ''), null);
  if (asker.kind !== 'member') throw new Error(`not let in: ${asker.kind}`);
  return asker;
};
const enter = async (login: string, password = PASSWORD, code = '') =>
  member(await signIn(store, { login, password, code }, from()));
const tokenIn = ({ path }: { path: string }) => path.split('/').at(-1) ?? '';
const newcomer = async (role: 'owner' | 'planner' | 'installer' | 'reader', login = `m-${randomUUID()}`) => {
  const token = tokenIn(await invite(store, ada, role));
  return {
    login,
    by: await member(await join(store, { token, login, name: login, password: PASSWORD }, from())),
    token,
  };
};
const keep = async () =>
  (await takeInJob(store, writeJobFile({ ...quillback(), id: `job-${randomUUID()}` }), firmId)).id;
const batch = async (id: string, by: Member, ...commands: Command[]) => {
  const kept = await readKept(store, id);
  if (!kept) throw new Error('no job');
  const { point } = kept;
  const actor = { id: by.accountId, name: by.name };
  return { batchId: randomUUID(), base: point, seen: point.revision, actor, commands };
};

describe('a new password', () => {
  it.each(['Password123!', 'qwertyuiop12', 'trustno1trustno1', 'dragondragon12', 'thornbury-2026'])(
    'is none that is tried early: %s',
    async (password) => {
      const token = tokenIn(await invite(store, ada, 'reader'));
      const login = password.startsWith('thornbury') ? 'thornbury' : `m-${randomUUID()}`;
      await expect(join(store, { token, login, name: 'Wren', password }, from())).rejects.toMatchObject({
        code: 'weak',
      });
      // The link is not used up by it.
      await join(store, { token, login, name: 'Wren', password: PASSWORD }, from());
    },
  );
});

describe('signing in', () => {
  it('takes a name in any case, and tells no wrong name from a wrong password', async () => {
    expect((await enter('ADA')).accountId).toBe(ada.accountId);
    const said = async (login: string, password: string) =>
      signIn(store, { login, password, code: '' }, from()).then(
        () => 'in',
        (fault: Error) => fault.message,
      );
    expect(await said('ada', 'not at all right')).toBe(await said('nobody-here', PASSWORD));
  });

  it('keeps neither passwords nor tokens', async () => {
    const token = await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, from());
    const all = JSON.stringify(
      await store.em.fork().execute('select a.*, s.* from account a join sign_in s on s.account_id = a.id'),
    );
    expect(all).not.toContain(PASSWORD);
    expect(all).not.toContain(token);
    expect(all).toContain(hashOf(token ?? ''));
    expect(all).toContain('$argon2id$v=19$m=19456,t=2,p=1$');
  });

  it('waits after eight wrong ones of one account from one place, which keeps nobody else out', async () => {
    const { login } = await newcomer('reader');
    const here = from('198.51.100.4');
    const wrong = () =>
      signIn(store, { login, password: 'wrong', code: '' }, here).catch((fault: Error) => fault.message);
    for (let at = 0; at < 8; at++) expect(await wrong()).toMatch(/do not go together/);
    expect(await wrong()).toMatch(/Too many tries: wait/);
    await expect(signIn(store, { login, password: PASSWORD, code: '' }, here)).rejects.toThrow(/Too many/);
    await expect(signIn(store, { login, password: PASSWORD, code: '' }, from())).resolves.toMatch(/^[\w-]{43}$/);
  });

  it('counts those that come at once as those that come one after another', async () => {
    const { login } = await newcomer('reader');
    const here = from('198.51.100.5');
    const tries = Array.from({ length: 60 }, (_, at) =>
      signIn(store, { login, password: at === 55 ? PASSWORD : `wrong ${at}`, code: '' }, here).then(
        () => 'in',
        ({ code }: { code: string }) => code,
      ),
    );
    const said = await Promise.all(tries);
    expect(said.filter((one) => one === 'wrong')).toHaveLength(8);
    expect(said.filter((one) => one === 'too-many')).toHaveLength(52);
  });

  it('costs nobody a try who is right', async () => {
    const { login } = await newcomer('reader');
    const here = from('198.51.100.6');
    for (let at = 0; at < 40; at++) await signIn(store, { login, password: PASSWORD, code: '' }, here);
    const points = await store.em.fork().execute(`select key, points from tries where key like 'address:198.51.100.6'`);
    expect(points).toEqual([{ key: 'address:198.51.100.6', points: 0 }]);
  });

  it('makes another token each time: one that was planted is worth nothing', async () => {
    const planted = await cookieFor('a token that somebody planted');
    expect((await askerOf(store, planted, null)).asker.kind).toBe('nobody');
    const [one, two] = [await enter('ada'), await enter('ada')];
    expect(one.signInId).not.toBe(two.signInId);
  });

  it('ends when one signs out, and for a cookie that was changed', async () => {
    const token = (await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, from())) ?? '';
    const cookie = await cookieFor(token);
    const sealed = cookie.slice(0, cookie.indexOf(';'));
    expect((await askerOf(store, sealed, null)).asker.kind).toBe('member');
    for (const at of [12, 40, sealed.length - 3]) {
      const letter = sealed[at] === 'A' ? 'B' : 'A';
      const changed = sealed.slice(0, at) + letter + sealed.slice(at + 1);
      expect((await askerOf(store, changed, null)).asker.kind, String(at)).toBe('nobody');
    }
    await signOut(store, await member(token));
    expect((await askerOf(store, sealed, null)).asker.kind).toBe('nobody');
  });

  it('is over when it was not used for two weeks', async () => {
    const token = (await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, from())) ?? '';
    const { signInId } = await member(token);
    await store.em.fork().execute(`update sign_in set seen_at = now() - interval '15 days' where id = ?`, [signInId]);
    expect((await askerOf(store, await cookieFor(token), null)).asker.kind).toBe('nobody');
  });
});

describe('second factor', () => {
  // A clock that moves on between two lines can leave a code behind.
  beforeEach(() => void vi.useFakeTimers({ toFake: ['Date'] }));
  afterEach(() => void vi.useRealTimers());

  it('asks for a code, takes each once, and a recovery code in its place', async () => {
    const { by, login } = await newcomer('planner');
    const { secret = '', sealed = '' } = await secondFactor(store, by, { step: 'begin', password: PASSWORD });
    const now = Math.floor(Date.now() / 1000);
    // The code of the step before is within what is taken, and leaves this one's free.
    const early = await generate({ secret, epoch: now - 30 });
    const { codes = [] } = await secondFactor(store, by, { step: 'hold', sealed, code: early });
    expect(codes).toHaveLength(8);
    const give = (code: string) => signIn(store, { login, password: PASSWORD, code }, from());
    expect(await give('')).toBeNull();
    await expect(give('000000')).rejects.toThrow(/not right/);
    const code = await generate({ secret });
    await expect(give(code)).resolves.toMatch(/^[\w-]{43}$/);
    await expect(give(code)).rejects.toThrow(/used already/);
    await expect(give(codes[0] ?? '')).resolves.toMatch(/^[\w-]{43}$/);
    await expect(give(codes[0] ?? '')).rejects.toThrow(/used already/);
    const again = await member(await give(codes[1] ?? ''));
    expect(await meOf(store, again)).toMatchObject({ second: true, codesLeft: 6 });
    // What was sealed for one is nothing for another.
    await expect(secondFactor(store, ada, { step: 'hold', sealed, code: '000000' })).rejects.toThrow(/begin again/);
    // What was begun is held once: with its own code neither again, nor after it was ended.
    await expect(secondFactor(store, by, { step: 'hold', sealed, code: early })).rejects.toThrow(/used already/);
    expect(await meOf(store, again)).toMatchObject({ second: true, codesLeft: 6 });
    await secondFactor(store, by, { step: 'end', password: PASSWORD });
    await expect(secondFactor(store, by, { step: 'hold', sealed, code: early })).rejects.toThrow(/begin again/);
    expect(await meOf(store, again)).toMatchObject({ second: false });
  });
});

describe('links that work once', () => {
  it('an invitation makes one account, whoever comes first', async () => {
    const token = tokenIn(await invite(store, ada, 'reader'));
    const tries = ['one', 'two'].map((name) =>
      join(store, { token, login: `${name}-${randomUUID()}`, name, password: PASSWORD }, from()).then(
        () => 'in',
        (fault: Error) => fault.message,
      ),
    );
    const said = await Promise.all(tries);
    expect(said.filter((one) => one === 'in')).toHaveLength(1);
    expect(said.find((one) => one !== 'in')).toMatch(/has been used/);
  });

  it('a reset ends all sign-ins, and its link is over then', async () => {
    const { by, login } = await newcomer('installer');
    const token = tokenIn(await offerReset(store, ada, by.accountId));
    await resetPassword(store, { token, password: 'nine quiet lanterns' }, from());
    await expect(meOf(store, by)).resolves.toMatchObject({ devices: [] });
    await expect(resetPassword(store, { token, password: 'ten quiet lanterns' }, from())).rejects.toThrow(
      /has been used/,
    );
    await expect(enter(login)).rejects.toThrow(/do not go together/);
    await enter(login, 'nine quiet lanterns');
  });

  it('guessing them comes to an end', async () => {
    const here = from('198.51.100.9');
    const guess = () => linkOf(store, 'z'.repeat(43), here.address).catch((fault: Error) => fault.message);
    for (let at = 0; at < 30; at++) expect(await guess()).toMatch(/This link is over/);
    expect(await guess()).toMatch(/Too many tries/);
  });
});

describe('passwords', () => {
  it('hold nobody’s name, and a new one ends the other sign-ins', async () => {
    const { by, login } = await newcomer('reader', `kestrel-${randomUUID().slice(0, 8)}`);
    const other = await enter(login);
    await expect(changePassword(store, by, { before: PASSWORD, password: `xx ${login} yy zz` })).rejects.toThrow(
      /own name/,
    );
    const me = await changePassword(store, by, { before: PASSWORD, password: 'nine quiet lanterns' });
    expect(me.devices.map(({ id }) => id)).toEqual([by.signInId]);
    expect(me.devices.map(({ id }) => id)).not.toContain(other.signInId);
  });
});

describe('members', () => {
  it('the last owner stays, in two windows at once too', async () => {
    const { by } = await newcomer('owner');
    const said = await Promise.allSettled([
      setRole(store, by, ada.accountId, 'reader'),
      setRole(store, ada, by.accountId, 'reader'),
    ]);
    expect(said.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    const em = store.em.fork();
    expect(await em.execute(`select 1 from member where role = 'owner' and firm_id = ?`, [firmId])).toHaveLength(1);
    await setMember(em, firmId, ada.accountId, 'owner');
  });

  it('an installer ticks, and changes nothing of the plan, by undo neither', async () => {
    const id = await keep();
    const { by } = await newcomer('installer');
    const may = (asker: Asker, role: Member['role']) => (changes: Parameters<typeof mayChange>[2]) =>
      mayChange(asker, { id, role }, changes);
    const tick: Command = {
      type: 'keepRows',
      rows: [{ table: 'ticks', record: ticks.make({ id: 'tick-1', step: 'a step', state: 'done' }) }],
    };
    await expect(applyBatch(store, id, await batch(id, by, tick), may(by, 'installer'))).resolves.toMatchObject({
      status: 'done',
    });
    const rename: Command = { type: 'editJob', changes: { name: 'Called otherwise' } };
    await expect(applyBatch(store, id, await batch(id, by, tick, rename), may(by, 'installer'))).rejects.toThrow(
      /role/,
    );
    // What they did as planner is not undone as installer.
    await applyBatch(store, id, await batch(id, by, rename), may(by, 'planner'));
    const { commands: _, ...sent } = await batch(id, by);
    await expect(reverse(store, id, { ...sent, direction: 'undo' }, may(by, 'installer'))).rejects.toThrow(/role/);
  });

  it('sees jobs of its own firm and those it is a guest in', async () => {
    const [mine, theirs] = [await keep(), randomUUID()];
    const em = store.em.fork();
    await insertFirm(em, theirs, 'Other Firm');
    const { by: guest, login } = await newcomer('planner');
    await em.execute('update member set firm_id = ? where account_id = ?', [theirs, guest.accountId]);
    const there: Member = { ...guest, firmId: theirs };
    const seen = async (by: Member) => (await getJobs(store, {}, scopeOf(by))).jobs.map(({ id }) => id);
    expect(await seen(there)).toEqual([]);
    await openToGuest(store, ada, mine, { login, role: 'reader' });
    expect(await seen(there)).toEqual([mine]);
    // It is asked for the password again, since it cannot be taken back.
    await expect(provePassword(store, ada, 'nine quiet lanterns')).rejects.toMatchObject({ code: 'wrong' });
    await provePassword(store, ada, PASSWORD);
    await giveTo(store, ada, mine, theirs);
    expect(await seen(ada)).not.toContain(mine);
    expect(await seen(there)).toEqual([mine]);
  });
});

describe('links for those without an account', () => {
  const link = async (id: string, purpose: 'read' | 'build' | 'tests' | 'cabinet', rackId: string | null = null) =>
    tokenIn(await makeShare(store, ada, id, { purpose, rackId, whom: 'Sam', days: 3 }));

  it('do what they are for, and not what another is for', async () => {
    const id = await keep();
    const holder = await linkOf(store, await link(id, 'tests'), 'here');
    const run = Object.values(quillback().runs)[0];
    const said = await workByLink(store, holder, new URLSearchParams({ run: run?.id ?? '', passed: '1' }));
    expect(said).toMatch(/passed/);
    const kept = await readKept(store, id);
    expect(Object.values(kept?.job.results ?? {})).toMatchObject([{ runId: run?.id, passed: true, by: 'Sam' }]);
    const rename = { type: 'editJob' as const, changes: { name: 'x' } };
    const sent = { ...(await batch(id, ada, rename)), actor: { id: holder.linkId, name: 'Sam' } };
    await expect(
      applyBatch(store, id, sent, (changes) => mayChange(holder, { id, role: null }, changes)),
    ).rejects.toThrow(/role/);
    const reading = await linkOf(store, await link(id, 'read'), 'here');
    await expect(workByLink(store, reading, new URLSearchParams({ key: 'x', state: 'done' }))).rejects.toThrow(
      /reading/,
    );
  });

  it('are over when they are taken back, when their time is up, and when the job is in the bin', async () => {
    const id = await keep();
    const shares = await makeShare(store, ada, id, { purpose: 'read', rackId: null, whom: 'Sam', days: 1 });
    const token = tokenIn(shares);
    await expect(linkOf(store, token, 'here')).resolves.toMatchObject({ jobId: id });
    const em = store.em.fork();
    await em.execute(`update share_link set until = now() - interval '1 second' where job_id = ?`, [id]);
    await expect(linkOf(store, token, 'here')).rejects.toThrow(/over/);
    await em.execute(`update share_link set until = now() + interval '1 day' where job_id = ?`, [id]);
    await em.execute('update job set removed_at = now() where id = ?', [id]);
    await expect(linkOf(store, token, 'here')).rejects.toThrow(/over/);
    await em.execute('update job set removed_at = null where id = ?', [id]);
    await takeBackShare(store, ada, id, shares.links[0]?.id ?? '');
    await expect(linkOf(store, token, 'here')).rejects.toThrow(/over/);
  });

  it('stand beside what was done with them', async () => {
    const id = await keep();
    const holder = await linkOf(store, await link(id, 'tests'), 'here');
    const run = Object.keys(quillback().runs)[0] ?? '';
    await workByLink(store, holder, new URLSearchParams({ run, passed: '0', note: 'no continuity' }));
    const steps = await store.em.fork().execute('select actor_id, actor_name from step where job_id = ?', [id]);
    expect(steps).toEqual([{ actor_id: holder.linkId, actor_name: 'Sam' }]);
  });
});
