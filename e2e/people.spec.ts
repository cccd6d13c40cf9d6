import { readFileSync } from 'node:fs';
import { connect } from 'node:net';
import { type Browser, expect, type Page, test } from '@playwright/test';
import { generate } from 'otplib';
import { Client } from 'pg';
import { portFrom } from '../scripts/lib/server';
import type { Job } from '../src/core/job/document/job';
import { findings } from './findings';
import { inspect } from './inspection';
import { tabTo } from './job';
import { PASSWORD, type Served, serve } from './served';

let served: Served;
let metrics = 0;
test.beforeAll(async () => {
  metrics = await portFrom(5710);
  served = await serve('people', ['--processes', '2', '--metrics', String(metrics)]);
});
test.afterAll(() => served?.end());
test.describe.configure({ mode: 'serial' });

const person = async (browser: Browser, more: object = {}) =>
  (await browser.newContext({ baseURL: served.address, ...more })).newPage();
async function signIn(page: Page, login: string, password = PASSWORD) {
  await page.getByLabel('Name that you sign in with').fill(login);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}
/** As whoever runs the database can. */
async function inDatabase(text: string, ...values: string[]) {
  const client = new Client({ connectionString: served.url });
  await client.connect();
  await client.query(text, values);
  await client.end();
}
const forget = (login: string) => inDatabase('update account set second_secret = null where login = $1', login);
/** The link that is shown once. */
const linkShown = async (page: Page) => page.getByLabel('The link', { exact: true }).inputValue();

test('one is let in, invites another, and each does what they are there for', async ({ browser }) => {
  const ada = await person(browser);
  await ada.goto('/new');
  await expect(ada).toHaveURL(/\/sign-in\?next=%2Fnew/);
  await signIn(ada, 'ada', 'not the password');
  await expect(ada.getByRole('alert').filter({ hasText: 'do not go together' })).toBeVisible();
  await signIn(ada, 'ada');
  await expect(ada.getByRole('heading', { name: 'New job' })).toBeVisible();

  await ada.goto('/');
  await ada.getByRole('button', { name: 'Put the demo in' }).click();
  await expect(ada.getByRole('link', { name: 'Quillback Veterinary Surgery' })).toBeVisible();
  await ada.goto('/firm');
  await ada.getByLabel('As', { exact: true }).selectOption('installer');
  await ada.getByRole('button', { name: 'Make a link' }).click();
  await expect(ada.getByText('is shown only now')).toBeVisible();
  const join = await linkShown(ada);

  const sam = await person(browser);
  await sam.goto(join);
  await sam.getByLabel('Your name').fill('Sam Teal');
  await sam.getByLabel('Name to sign in with').fill('sam');
  await sam.getByLabel('Password').fill('short');
  await sam.getByRole('button', { name: 'Join' }).click();
  await expect(sam.getByText('expected at least 12 characters')).toBeVisible();
  await sam.getByLabel('Password').fill(PASSWORD);
  await sam.getByRole('button', { name: 'Join' }).click();
  await expect(sam.getByRole('link', { name: 'Sam Teal' })).toBeVisible();
  await expect(sam.getByRole('link', { name: 'New job' })).toHaveCount(0);
  await expect(sam.getByRole('link', { name: 'Firm', exact: true })).toHaveCount(0);
  // The link is used up.
  const late = await person(browser);
  await late.goto(join);
  await expect(late.getByRole('heading', { name: 'This link is over' })).toBeVisible();

  // After a while the password is asked again before members change, by keys alone.
  await inDatabase("update sign_in set proven_at = now() - interval '1 hour'");
  await ada.goto('/firm');
  const role = ada.getByLabel('Role of Sam Teal');
  await role.selectOption('reader');
  const again = ada.getByRole('dialog', { name: 'Your password, once more' });
  await expect(again.getByLabel('Your password')).toBeFocused();
  await ada.keyboard.type('not this one');
  await ada.keyboard.press('Enter');
  await expect(again.getByRole('alert')).toHaveText('That is not your password.');
  const wrong: string[] = [];
  await inspect(ada, 'the password again', wrong, true);
  expect([...wrong, ...(await findings(ada))]).toEqual([]);
  await ada.keyboard.press('Escape');
  await expect(role).toHaveValue('installer');
  await role.selectOption('planner');
  await expect(again.getByLabel('Your password')).toBeFocused();
  await ada.keyboard.type(PASSWORD);
  await ada.keyboard.press('Enter');
  await expect(role).toHaveValue('planner');
  // For a while it is not asked again.
  await role.selectOption('installer');
  await expect(role).toHaveValue('installer');

  // An installer writes a note and changes nothing of the plan.
  await sam.goto('/jobs/quillback/runs');
  const room = sam.getByLabel('Room of 01', { exact: true });
  await room.fill('Somewhere else');
  await room.press('Enter');
  await expect(sam.getByText('Your role permits ticks, tests, notes and photographs, not this.')).toBeVisible();
  await sam.goto('/jobs/quillback/rack/note');
  await sam.getByLabel('Slide to the end to unlock writing').press('End');
  await sam.getByLabel('Note', { exact: true }).fill('Lid of the tray is loose');
  await sam.getByRole('button', { name: 'Keep the note' }).click();
  await expect(sam.getByLabel('Note', { exact: true })).toHaveValue('');

  await ada.goto('/jobs/quillback/runs');
  await ada.getByRole('button', { name: 'Changes and versions' }).click();
  await expect(ada.getByText('Sam Teal').first()).toBeVisible();
});

test('links that let in say who made them, and are withdrawn by keys alone', async ({ browser }) => {
  const ada = await person(browser);
  await ada.goto('/firm');
  await signIn(ada, 'ada');
  await ada.getByRole('button', { name: 'Make a link' }).click();
  const proof = ada.getByRole('dialog');
  const shown = ada.getByText('is shown only now');
  await expect(proof.or(shown)).toBeVisible();
  if (await proof.isVisible()) {
    await proof.getByLabel('Password').fill(PASSWORD);
    await ada.keyboard.press('Enter');
  }
  await expect(shown).toBeVisible();
  const join = await linkShown(ada);
  const invited = await person(browser);
  await invited.goto(join);
  await expect(invited.getByText('Ada Wren invited you.')).toBeVisible();
  const open = ada.getByRole('region', { name: 'Invite' }).getByRole('listitem');
  await expect(open).toContainText('Invitation as installer');
  await expect(open).toContainText('made by Ada Wren');
  await tabTo(ada, /^Withdraw: Invitation as installer/);
  await ada.keyboard.press('Enter');
  await expect(open).toHaveCount(0);
  await invited.reload();
  await expect(invited.getByRole('heading', { name: 'This link is over' })).toBeVisible();
});

test('a link does one thing in one job, until it is taken back', async ({ browser }) => {
  const ada = await person(browser);
  await ada.goto('/sign-in?next=//evil.example');
  await signIn(ada, 'ada');
  await expect(ada).toHaveURL(`${served.address}/`);
  await ada.goto('/jobs/quillback/runs');
  await ada.getByRole('button', { name: 'Links and guests' }).click();
  await ada.getByLabel('For', { exact: true }).selectOption('tests');
  await ada.getByLabel('Who gets it').fill('Wren from the office');
  await ada.getByRole('button', { name: 'Make a link' }).click();
  await expect(ada.getByText('It is shown only now.')).toBeVisible();
  const link = await linkShown(ada);

  const wren = await person(browser, { viewport: { width: 390, height: 844 } });
  await wren.goto(link);
  await expect(wren.getByRole('heading', { name: 'Quillback Veterinary Surgery' })).toBeVisible();
  await wren.getByLabel('Label, room, outlet or panel').fill('03');
  await wren.getByRole('button', { name: 'Find' }).click();
  await wren.getByRole('group', { name: '03', exact: true }).getByRole('button', { name: 'Passed' }).click();
  await expect(wren.getByRole('status')).toHaveText('03: passed.');
  // Nothing else of the job is behind it, nor behind a page that was made for somebody who may.
  for (const _ of [1, 2]) expect((await ada.request.get('/')).status()).toBe(200);
  expect((await wren.request.get('/', { maxRedirects: 0 })).status()).toBe(307);
  for (const path of ['/', '/jobs/quillback/runs', '/account']) {
    await wren.goto(path);
    await expect(wren).toHaveURL(/sign-in/);
  }
  expect((await wren.request.get('/api/jobs/quillback')).status()).toBe(401);

  await ada.getByRole('button', { name: 'Take back the link of Wren from the office' }).click();
  await expect(ada.getByText(/taken back \d/)).toBeVisible();
  expect((await wren.goto(link))?.status()).toBe(404);
  await expect(wren.getByText('This link is over')).toBeVisible();
});

test('what the firm works by is in a new job, is offered in an old one, and its gear stands first', async ({
  browser,
}) => {
  const ada = await person(browser);
  await ada.goto('/');
  await signIn(ada, 'ada');
  await expect(ada.getByRole('heading', { name: 'Good Shelf' })).toBeVisible();
  const own = { id: 'lip', name: 'Our shelf with a lip', kind: 'shelf', heightU: 1, depthMm: 300 };
  const racks = [{ id: 'rack', name: 'Rack', units: 9, depthMm: 400 }];
  const file = (name: string, gear: object[], answers: object[]) => {
    const job = { id: name.replaceAll(' ', '-'), name };
    return JSON.stringify({ format: 'good-shelf-job', version: 1, job, racks, gear, answers });
  };
  const post = async (path: string, data: object | string) => (await ada.request.post(path, { data })).json();
  const price = { id: 'cost-hour', value: '87', note: '' };
  const pattern = await post('/api/jobs/file', file('The pattern', [own], [price]));
  const old = await post('/api/jobs/file', file('An old job', [], []));
  await post(`/api/jobs/${pattern.id}/template`, { is: true });
  const made = await post('/api/jobs', {
    ...{ name: 'A new job', units: 'metric', rules: 'europe', gear: [] },
    ...{ rackUnits: 12, rackDepthMm: 600, numbering: 'from-bottom', standing: 'floor' },
  });
  const jobOf = async (id: string) => (await (await ada.request.get(`/api/jobs/${id}`)).json()).job as Job;
  expect((await jobOf(made.id)).answers).toMatchObject({ 'cost-hour': { value: '87' } });

  await ada.goto(`/jobs/${old.id}/stack`);
  await ada.getByRole('button', { name: 'An old job' }).first().click();
  await ada.getByText('Prices and minutes: otherwise in 1 point').click();
  await expect(ada.getByText('An hour of work: 60 → 87')).toBeVisible();
  await ada.getByRole('button', { name: 'Take over: Prices and minutes' }).click();
  await expect(ada.getByText('Prices and minutes: otherwise')).toHaveCount(0);
  await ada.keyboard.press('Escape');
  await ada.getByRole('button', { name: 'Add gear' }).click();
  const theirs = ada.getByRole('region', { name: 'The firm’s own gear' });
  await theirs.getByRole('button', { name: 'Add Our shelf with a lip' }).click();
  await expect
    .poll(async () => {
      const { answers, gear } = await jobOf(old.id);
      return [answers['cost-hour']?.value, ...Object.values(gear).map(({ name }) => name)];
    })
    .toEqual(['87', 'Our shelf with a lip']);
});

const CODE_SECONDS = 30;
const codeStep = () => Math.floor(Date.now() / (CODE_SECONDS * 1000));

test('a second factor is asked for, and signing out wipes the device', async ({ browser }) => {
  const ada = await person(browser);
  await ada.goto('/account');
  await signIn(ada, 'ada');
  await expect(ada.getByRole('heading', { name: 'Ada Wren' })).toBeVisible();
  await ada.getByLabel('Password, to begin').fill(PASSWORD);
  await ada.getByRole('button', { name: 'Begin a second factor' }).click();
  const secret = (await ada.getByText(/^[A-Z2-7]{20,}$/).textContent()) ?? '';
  const held = codeStep();
  await ada.getByLabel('Code that it shows').fill(await generate({ secret, epoch: held * CODE_SECONDS }));
  await ada.getByRole('button', { name: 'Hold it' }).click();
  await expect(ada.getByText('Recovery codes: each lets you in once')).toBeVisible();
  await ada.goto('/jobs/quillback/rack');
  await expect(ada.getByRole('button', { name: 'Find', exact: false }).first()).toBeVisible();
  await expect
    .poll(() => ada.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name)))
    .toContain('good-shelf');
  await ada.goto('/account');
  await ada.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(ada).toHaveURL(/sign-in/);
  const left = await ada.evaluate(async () => ({
    caches: await caches.keys(),
    stored: Object.keys(localStorage),
    cookies: document.cookie,
  }));
  expect(left).toEqual({ caches: [], stored: [], cookies: '' });
  await ada.goBack();
  await expect(ada).toHaveURL(/sign-in/);

  await signIn(ada, 'ada');
  // A code is taken once: the next one is waited for.
  await expect.poll(codeStep, { timeout: 60_000, intervals: [500] }).toBeGreaterThan(held);
  await ada.getByLabel('Code', { exact: true }).fill(await generate({ secret }));
  await ada.getByRole('button', { name: 'Sign in' }).click();
  await expect(
    ada.getByRole('heading', { name: 'Ada Wren' }).or(ada.getByRole('heading', { name: 'Good Shelf' })),
  ).toBeVisible();
});

test('its screens are whole, without serious findings, and go by the keyboard alone', { tag: '@long' }, async ({
  browser,
}) => {
  const sam = await person(browser);
  const wrong: string[] = [];
  const look = async (page: Page, name: string) => {
    await inspect(page, name, wrong, true);
    wrong.push(...(await findings(page)).map((one) => `${name}: ${one}`));
  };
  await sam.goto('/sign-in');
  await look(sam, 'sign in');
  await sam.setViewportSize({ width: 1280, height: 800 });
  await tabTo(sam, /^Name that you sign in with$/);
  await sam.keyboard.type('sam');
  await sam.keyboard.press('Tab');
  await sam.keyboard.type(PASSWORD);
  await sam.keyboard.press('Enter');
  await expect(sam.getByRole('link', { name: 'Sam Teal' })).toBeVisible();
  await look(sam, 'the list of one who is signed in');
  await tabTo(sam, /^Sam Teal$/);
  await sam.keyboard.press('Enter');
  await expect(sam.getByRole('heading', { name: 'Sam Teal' })).toBeVisible();
  await look(sam, 'account');
  // An owner's pages, as the firm's own first account sees them.
  await forget('ada');
  const ada = await person(browser);
  await ada.goto('/firm');
  await signIn(ada, 'ada');
  await expect(ada.getByRole('heading', { name: 'Heron Cabling' })).toBeVisible();
  await ada.getByRole('button', { name: 'Make a link' }).click();
  await expect(ada.getByText('is shown only now')).toBeVisible();
  const join = await linkShown(ada);
  await look(ada, 'firm');
  await ada.goto('/jobs/quillback/runs');
  await ada.getByRole('button', { name: 'Links and guests' }).click();
  await expect(ada.getByRole('heading', { name: 'Guests', exact: true })).toBeVisible();
  wrong.push(...(await findings(ada)).map((one) => `links and guests: ${one}`));
  await ada.goto(join);
  await look(ada, 'join');
  expect(wrong).toEqual([]);
});

test('it answers to its own name only, tells nothing in its lines, and cookies are for nobody’s script', async ({
  browser,
  playwright,
}) => {
  const asked = await playwright.request.newContext({ baseURL: served.address });
  expect((await asked.get('/', { headers: { host: 'rebound.example' } })).status()).toBe(403);
  const foreign = { headers: { origin: 'http://elsewhere.example' }, data: { login: 'ada', password: PASSWORD } };
  expect((await asked.post('/api/sign-in', foreign)).status()).toBe(403);
  const wrong = await asked.post('/api/sign-in', { data: { login: 'ada', password: 'not the password at all' } });
  expect(wrong.status()).toBe(422);
  const page = await person(browser);
  await page.goto('/sign-in');
  const sam = page.context();
  await signIn(page, 'sam');
  await expect(page.getByRole('link', { name: 'Sam Teal' })).toBeVisible();
  const [cookie] = await sam.cookies();
  expect(cookie).toMatchObject({ name: 'shelf', httpOnly: true, sameSite: 'Lax', path: '/' });
  expect(served.output()).not.toMatch(/quillback|ada|sam|127\.0\.0\.1"|\/l\/[\w-]{20}|\/join\/[\w-]{20}/);
  await asked.dispose();
});

test('who sends slowly holds nobody up', async ({ playwright }) => {
  const { hostname, port } = new URL(served.address);
  const slow = Array.from({ length: 200 }, () => connect(Number(port), hostname));
  for (const socket of slow) {
    socket.on('error', () => undefined);
    socket.write('POST /api/sign-in HTTP/1.1\r\nHost: x\r\nContent-Length: 1000\r\n');
  }
  const asked = await playwright.request.newContext({ baseURL: served.address });
  for (let at = 0; at < 5; at++) expect((await asked.get('/api/health', { timeout: 60_000 })).status()).toBe(200);
  for (const socket of slow) socket.destroy();
  await asked.dispose();
});

test('of two processes on one port one can die: the other goes on, and a third takes its place', {
  tag: '@long',
}, async ({ playwright }) => {
  const first = served.process.pid ?? 0;
  const ofOurs = () => readFileSync(`/proc/${first}/task/${first}/children`, 'utf8').trim().split(' ').map(Number);
  const serving = () => ofOurs().filter((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('appProcess'));
  const [dies = 0] = serving();
  expect(serving()).toHaveLength(2);
  process.kill(dies, 'SIGKILL');
  const asked = await playwright.request.newContext({ baseURL: served.address });
  await expect.poll(async () => (await asked.get('/api/health').catch(() => null))?.status()).toBe(200);
  await expect.poll(() => serving().filter((pid) => pid !== dies).length).toBe(2);
  // All processes are counted together.
  const counted = async () => (await asked.get(`http://127.0.0.1:${metrics}/metrics`)).text();
  await expect.poll(counted).toMatch(/shelf_request_seconds_count\{[^}]*route="\/api\/health"[^}]*\} [1-9]/);
  await asked.dispose();
});
