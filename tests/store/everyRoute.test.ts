import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Sums, sumsOf } from '../../scripts/lib/backup';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Role } from '../../src/core/trade/people/people';
import { makeFirst, signIn } from '../../src/server/accounts';
import { ACTIONS, type Action, can, MACHINE, NOBODY, OF_A_JOB } from '../../src/server/can';
import { takeInJob } from '../../src/server/jobs';
import { invite, join } from '../../src/server/passes';
import { askerOf, cookieFor } from '../../src/server/signIns';
import { closePool } from '../../src/server/workPool';
import type { Store } from '../../src/store/openStore';
import { insertFirm, setGuest, setMember } from '../../src/store/people';
import { quillback } from '../support/jobs';
import { freshStore } from './freshStore';

type Handler = ((request: Request, context: { params: Promise<object> }) => Promise<Response>) & { action?: Action };
const modules = import.meta.glob<Record<string, Handler>>('../../src/app/**/route.ts');

/** What the job is called: whoever may not read it never sees this. */
const SECRET = 'Marlpit Street 9';
const PASSWORD = 'seven quiet lanterns';
const FROM = { address: '192.0.2.7', device: 'a test' };
const ROLES = ['owner', 'planner', 'installer', 'reader', 'guest', 'elsewhere', 'nobody'] as const;
type Who = (typeof ROLES)[number];

let store: Store;
let client: Client;
const cookies = {} as Record<Who, string>;
const ids = { firm: '', member: '', job: '' };

/** One more member, as anybody becomes one: by a link. */
async function memberAs(role: Role, login: string, owner: string): Promise<string> {
  const { asker } = await askerOf(store, owner, null);
  if (asker.kind !== 'member') throw new Error('no owner');
  const { path } = await invite(store, asker, role);
  const token = await join(
    store,
    { token: path.split('/').at(-1) ?? '', login, name: login, password: PASSWORD },
    FROM,
  );
  return cookieFor(token);
}

beforeAll(async () => {
  const fresh = await freshStore('routes');
  store = fresh.store;
  Object.assign(process.env, {
    DATABASE_URL: fresh.url,
    SHELF_ACCOUNTS: '1',
    SHELF_SECRET: 'a secret of the tests, long enough for them',
  });
  client = new Client({ connectionString: fresh.url });
  await client.connect();
  const { firmId } = await makeFirst(store, { firm: 'Heron Cabling', login: 'ada', name: 'Ada', password: PASSWORD });
  const token = await signIn(store, { login: 'ada', password: PASSWORD, code: '' }, FROM);
  cookies.owner = await cookieFor(token ?? '');
  for (const role of ['planner', 'installer', 'reader'] as const)
    cookies[role] = await memberAs(role, role, cookies.owner);
  cookies.nobody = '';
  const { asker: ada } = await askerOf(store, cookies.owner, null);
  if (ada.kind === 'member') ids.member = ada.accountId;
  // Owners of firms of their own: one of them is a guest in the job, as reader.
  const em = store.em.fork();
  for (const who of ['guest', 'elsewhere'] as const) {
    cookies[who] = await memberAs('reader', who, cookies.owner);
    const { asker } = await askerOf(store, cookies[who], null);
    if (asker.kind !== 'member') throw new Error('no member');
    const firm = randomUUID();
    await insertFirm(em, firm, `Firm of ${who}`);
    await em.execute('delete from member where account_id = ?', [asker.accountId]);
    await setMember(em, firm, asker.accountId, 'owner');
    await em.execute('update sign_in set firm_id = ? where account_id = ?', [firm, asker.accountId]);
  }
  ids.firm = firmId;
  const { id } = await takeInJob(store, writeJobFile({ ...quillback(), id: 'secret-job', name: SECRET }), firmId);
  ids.job = id;
  const { asker: guest } = await askerOf(store, cookies.guest, null);
  if (guest.kind === 'member') await setGuest(em, id, guest.accountId, 'reader');
  return async () => {
    await client.end();
    await closePool();
  };
});

const actor = { id: 'somebody-else', name: 'Somebody Else' };
const base = { history: 'x', revision: 0, step: '' };
const sent = () => ({ batchId: randomUUID(), base, seen: 0, actor });
const photo = () => ({ id: `f-${randomUUID()}`, kind: 'tester', name: 'x.csv', base64: 'YQ==' });

/** A good request of every route: what it must not do for some it would do for others. */
const GOOD: Record<
  string,
  Partial<Record<'GET' | 'POST' | 'DELETE', () => { params?: object; query?: string; body?: unknown }>>
> = {
  '/schema/[file]': { GET: () => ({ params: { file: 'job.schema.json' } }) },
  '/api/archive': { GET: () => ({}) },
  '/api/health': { GET: () => ({}) },
  '/sw.js': { GET: () => ({}) },
  '/api/sign-in': { POST: () => ({ body: { login: 'no-such-login', password: 'x' } }) },
  '/api/sign-out': { POST: () => ({ body: { left: 'alone' } }) },
  '/api/join': { POST: () => ({ body: { token: 'x'.repeat(43), login: 'abc', name: 'A', password: PASSWORD } }) },
  '/api/reset': { POST: () => ({ body: { token: 'x'.repeat(43), password: PASSWORD } }) },
  '/api/me': { GET: () => ({}) },
  '/api/me/proof': { POST: () => ({ body: { password: 'wrong' } }) },
  '/api/me/password': { POST: () => ({ body: { before: 'wrong', password: 'nine quiet lanterns' } }) },
  '/api/me/second': { POST: () => ({ body: { step: 'begin', password: 'wrong' } }) },
  '/api/me/firm': { POST: () => ({ body: { firm: ids.firm } }) },
  '/api/me/devices/[device]': { DELETE: () => ({ params: { device: 'none' } }) },
  '/api/firm': { GET: () => ({}), POST: () => ({ body: { name: 'Called Otherwise' } }) },
  '/api/firm/invitations/[pass]': { DELETE: () => ({ params: { pass: 'none' } }) },
  '/api/firm/invitations': { POST: () => ({ body: { role: 'reader' } }) },
  '/api/firm/members/[member]': {
    POST: () => ({ params: { member: ids.member }, body: { role: 'owner' } }),
    DELETE: () => ({ params: { member: ids.member } }),
  },
  '/api/firm/members/[member]/reset': { POST: () => ({ params: { member: ids.member }, body: {} }) },
  '/api/jobs': { GET: () => ({}), POST: () => ({ body: { name: 'A new one', rules: 'other', standing: 'wall' } }) },
  '/api/jobs/file': { POST: () => ({ body: { nothing: 'that is a job' } }) },
  '/api/jobs/demo': { POST: () => ({}) },
  '/api/jobs/[id]': { GET: () => ({}) },
  '/api/jobs/[id]/at/[revision]': { GET: () => ({ params: { revision: '0' } }) },
  '/api/jobs/[id]/batches': {
    POST: () => ({ body: { ...sent(), commands: [{ type: 'editJob', changes: { name: SECRET } }] } }),
  },
  '/api/jobs/[id]/changes': { GET: () => ({ query: '?history=x&revision=0&step=' }) },
  '/api/jobs/[id]/compared': { GET: () => ({ query: '?from=99&to=99' }) },
  '/api/jobs/[id]/copy': { POST: () => ({ body: { name: 'Copied', whole: false } }) },
  '/api/jobs/[id]/events': { GET: () => ({}) },
  '/api/jobs/[id]/files/[file]': { GET: () => ({ params: { file: 'no-such-file' } }) },
  '/api/jobs/[id]/finds': { GET: () => ({}) },
  '/api/jobs/[id]/given': { POST: () => ({ body: { firm: 'no such firm', password: PASSWORD } }) },
  '/api/jobs/[id]/guests': { POST: () => ({ body: { login: 'elsewhere-not', role: 'reader' } }) },
  '/api/jobs/[id]/guests/[guest]': { DELETE: () => ({ params: { guest: 'none' } }) },
  '/api/jobs/[id]/history': { GET: () => ({}) },
  '/api/jobs/[id]/kept': { GET: () => ({}), POST: () => ({ body: photo() }) },
  '/api/jobs/[id]/kept/[file]': {
    GET: () => ({ params: { file: 'none' } }),
    DELETE: () => ({ params: { file: 'none' } }),
  },
  '/api/jobs/[id]/log': { GET: () => ({}), POST: () => ({ body: { revision: 1, reason: 'because' } }) },
  '/api/jobs/[id]/meeting': { POST: () => ({ body: { id: randomUUID(), mark: 'here' } }) },
  '/api/jobs/[id]/pieces': { GET: () => ({ query: '?file=f1' }), POST: () => ({ query: '?file=f1&at=0', body: 'x' }) },
  '/api/jobs/[id]/removed': { POST: () => ({ body: { removed: false } }) },
  '/api/jobs/[id]/results': { POST: () => ({ body: { results: [{ resultId: 'r1', values: [] }] } }) },
  '/api/jobs/[id]/results/[result]': { GET: () => ({ params: { result: 'none' } }) },
  '/api/jobs/[id]/reversals': { POST: () => ({ body: { ...sent(), direction: 'undo' } }) },
  '/api/jobs/[id]/shares': {
    GET: () => ({}),
    POST: () => ({ body: { purpose: 'read', whom: 'Sam', days: 1 } }),
  },
  '/api/jobs/[id]/shares/[share]': { DELETE: () => ({ params: { share: 'none' } }) },
  '/api/jobs/[id]/simulated': { POST: () => ({ body: { gearId: 'none', faults: [] } }) },
  '/api/jobs/[id]/switch': { GET: () => ({}), POST: () => ({ body: { address: '192.0.2.1' } }) },
  '/api/jobs/[id]/template': { GET: () => ({}), POST: () => ({ body: { is: true } }) },
  '/api/jobs/[id]/versions': {
    GET: () => ({}),
    POST: () => ({ body: { id: randomUUID(), revision: 0, name: 'Named', actor } }),
  },
  '/api/jobs/[id]/versions/[version]': { DELETE: () => ({ params: { version: 'none' } }) },
  '/l/[token]': {
    GET: () => ({ params: { token: 'y'.repeat(43) } }),
    POST: () => ({ params: { token: 'y'.repeat(43) } }),
  },
};

/** Who may, by role: said once more here, and not by asking `can`. */
const MAY: Record<Action, readonly Who[]> = {
  open: ROLES,
  list: ROLES.filter((who) => who !== 'nobody'),
  me: ROLES.filter((who) => who !== 'nobody'),
  read: ['owner', 'planner', 'installer', 'reader', 'guest'],
  work: ['owner', 'planner', 'installer'],
  edit: ['owner', 'planner'],
  remove: ['owner', 'planner'],
  share: ['owner', 'planner'],
  give: ['owner'],
  // Of their own firm: the two of another firm own that one.
  start: ['owner', 'planner', 'guest', 'elsewhere'],
  firm: ['owner', 'guest', 'elsewhere'],
  export: ['owner', 'guest', 'elsewhere'],
};

const pathOf = (file: string) => file.replace(/^.*src\/app/, '').replace(/\/route\.ts$/, '');

/** Sums of all that is kept of jobs and people; what counts tries and when somebody was seen is none of that. */
async function kept(): Promise<Sums> {
  const { sign_in: _, tries: __, ...sums } = await sumsOf(client);
  return sums;
}

describe('every route with every role', () => {
  it('is made by the door, and has a good request here', async () => {
    for (const [file, load] of Object.entries(modules)) {
      const route = await load();
      for (const method of ['GET', 'POST', 'DELETE'] as const) {
        if (!route[method]) continue;
        expect(ACTIONS, `${method} ${file}`).toContain(route[method].action);
        expect(GOOD[pathOf(file)]?.[method], `a good ${method} of ${pathOf(file)}`).toBeTypeOf('function');
      }
    }
  });

  it.each(ROLES)('%s reads and writes what they may, and nothing else', async (who) => {
    for (const [file, load] of Object.entries(modules)) {
      const path = pathOf(file);
      const route = await load();
      for (const method of ['GET', 'POST', 'DELETE'] as const) {
        const handler = route[method];
        const action = handler?.action;
        // The sign-in of this very test would end.
        if (!handler || !action || path === '/api/sign-out') continue;
        const { params = {}, query = '', body } = GOOD[path]?.[method]?.() ?? {};
        const before = await kept();
        const gone = new AbortController();
        const request = new Request(`http://127.0.0.1${path.replace('[id]', ids.job)}${query}`, {
          method,
          headers: { cookie: cookies[who] },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
          signal: gone.signal,
        });
        const answer = await handler(request, { params: Promise.resolve({ id: ids.job, ...params }) });
        const what = `${who}: ${method} ${path}, ${answer.status}`;
        expect(answer.status, what).toBeLessThan(500);
        if (MAY[action].includes(who)) {
          if (action !== 'open') expect(answer.status, what).not.toBe(401);
          if (path !== '/api/jobs/[id]/copy') expect(answer.status, what).not.toBe(403);
        } else {
          const hidden = OF_A_JOB.includes(action) && !MAY.read.includes(who);
          expect(answer.status, what).toBe(who === 'nobody' ? 401 : hidden ? 404 : 403);
          expect(await answer.clone().text(), what).not.toContain(SECRET);
          expect(await kept(), what).toEqual(before);
        }
        gone.abort();
        await answer.body?.cancel().catch(() => undefined);
      }
    }
  });

  it('asks an owner for the password again before what changes who may do what', async () => {
    const ask = async (path: string, method: string, body?: unknown) => {
      const handler = (await modules[`../../src/app${path}/route.ts`]?.())?.[method];
      if (!handler) throw new Error(`no ${method} ${path}`);
      const request = new Request(`http://127.0.0.1${path}`, {
        method,
        headers: { cookie: cookies.owner },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      const answer = await handler(request, { params: Promise.resolve({ member: ids.member }) });
      return [answer.status, ((await answer.json()) as { code?: string }).code];
    };
    const later = (minutes: number) =>
      client.query(`update sign_in set proven_at = now() - interval '${minutes} minutes' where account_id = $1`, [
        ids.member,
      ]);
    const changing: [string, string, unknown?][] = [
      ['/api/firm/members/[member]', 'POST', { role: 'reader' }],
      ['/api/firm/members/[member]', 'DELETE'],
      ['/api/firm/members/[member]/reset', 'POST', {}],
      ['/api/firm/invitations', 'POST', { role: 'owner' }],
    ];
    await later(16);
    const before = await kept();
    for (const [path, method, body] of changing)
      expect([path, ...(await ask(path, method, body))]).toEqual([path, 403, 'prove']);
    expect((await ask('/api/me/proof', 'POST', { password: 'not this one' }))[1]).toBe('wrong');
    expect((await ask('/api/firm/invitations', 'POST', { role: 'reader' }))[1]).toBe('prove');
    expect(await kept()).toEqual(before);
    expect(await ask('/api/me/proof', 'POST', { password: PASSWORD })).toEqual([200, undefined]);
    expect(await ask('/api/firm/invitations', 'POST', { role: 'reader' })).toEqual([200, undefined]);
    await later(14);
    expect(await ask('/api/firm/invitations', 'POST', { role: 'reader' })).toEqual([200, undefined]);
  });

  it('says the same as `can`, which the machine without accounts is asked too', () => {
    for (const action of ACTIONS) {
      const job = { id: 'x', role: null };
      expect(can(NOBODY, action, job)).toBe(action === 'open');
    }
    expect(can(MACHINE, 'edit')).toBe(true);
    expect(can(MACHINE, 'firm')).toBe(false);
  });
});
