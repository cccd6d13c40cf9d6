import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { openDatabases } from './database';
import { prepareDatabase } from './demoData';
import { root } from './root';
import { portFrom, startServer } from './server';

export type FuzzResult = {
  sent: number;
  broken: string[];
  /** What the server held: once warm, then at each quarter, and after it stood still. */
  heldMb: number[];
};

/** Every route with its methods, as its file says it. */
function routesOf(folder = join(root, 'src/app'), at = ''): { path: string; methods: string[] }[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) return routesOf(join(folder, entry.name), `${at}/${entry.name}`);
    if (entry.name !== 'route.ts') return [];
    const text = readFileSync(join(folder, entry.name), 'utf8');
    return [{ path: at, methods: [...text.matchAll(/export const (GET|POST|DELETE)\b/g)].map(([, one]) => one ?? '') }];
  });
}

const WORDS = [
  'quillback',
  'tarnbrook',
  '0',
  '1',
  '-1',
  '99999999999',
  'null',
  '__proto__',
  'constructor',
  '..',
  'a b',
  'ü',
  '%',
  '\u0000',
  'x'.repeat(300),
];
const FIELDS = [
  'id',
  'name',
  'batchId',
  'base',
  'seen',
  'actor',
  'commands',
  'type',
  'rows',
  'table',
  'record',
  'edits',
  'runId',
  'changes',
  'direction',
  'history',
  'revision',
  'step',
  'removed',
  'kind',
  'base64',
  'results',
  'resultId',
  'values',
  'address',
  'gearId',
  'faults',
  'login',
  'password',
  'code',
  'token',
  'role',
  'mark',
  'whole',
  'rules',
  'words',
  'page',
  'file',
  'at',
  'from',
  'to',
  'actor',
  'since',
  'state',
  'as',
];
const word = fc.oneof(fc.constantFrom(...WORDS), fc.string({ maxLength: 20, unit: 'binary' }));
const leaf = fc.oneof(
  word,
  fc.integer(),
  fc.double(),
  fc.boolean(),
  fc.constant(null),
  fc.constantFrom('runs', 'editRuns', 'keepRows', 'undo', 'photo'),
);
const { value: body } = fc.letrec((tie) => ({
  value: fc.oneof(
    { depthSize: 'small' },
    leaf,
    fc.array(tie('value'), { maxLength: 4 }),
    fc.dictionary(fc.oneof(fc.constantFrom(...FIELDS), word), tie('value'), { maxKeys: 6 }),
  ),
}));
const request = fc.record({
  names: fc.array(word, { minLength: 3, maxLength: 3 }),
  query: fc.array(fc.tuple(fc.constantFrom(...FIELDS), word), { maxLength: 4 }),
  body: fc.oneof(body, fc.dictionary(fc.constantFrom(...FIELDS), body, { minKeys: 3, maxKeys: 8 })),
  raw: fc.option(fc.uint8Array({ maxLength: 300 }), { freq: 5 }),
});

/** Without halves of letters, which no address can hold. */
const whole = (text: string): string => text.replaceAll(/\p{Cs}/gu, '?');

/** What the server holds in memory, MB. */
const heldMb = (pid: number | undefined): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Then what it does for the first time is done. */
const WARM = 1000;
/** So long it stands still before it is looked at last. */
const STILL_MS = 30_000;

/** Requests made up at random, to every route with every method: none may be answered with a fault of ours. */
export async function trialFuzz(count: number, seed = 1): Promise<FuzzResult> {
  const databases = await openDatabases('test');
  const name = `good_shelf_fuzz_${process.pid}`;
  await databases.drop(name);
  const url = await databases.ensure(name);
  await prepareDatabase(url, false);
  const server = await startServer(url, await portFrom(4610));
  const routes = routesOf().flatMap(({ path, methods }) => methods.map((method) => ({ path, method })));
  const broken: string[] = [];
  const held: number[] = [];
  try {
    const made = fc.sample(request, { numRuns: count, seed });
    const send = async (number: number) => {
      const { path, method } = routes[number % routes.length] ?? { path: '/', method: 'GET' };
      // What puts demo jobs in each time is no fuzz.
      if (path === '/api/jobs/demo') return;
      const { names, query, body: value, raw } = made[number] ?? { names: [], query: [], body: null, raw: null };
      let at = 0;
      const filled = path.replaceAll(/\[[^\]]+\]/g, () => {
        at += 1;
        const chosen = at === 1 && number % 2 === 0 ? 'quillback' : (names[at - 1] ?? 'x');
        return encodeURIComponent(whole(chosen));
      });
      const words = new URLSearchParams(query.map(([key, text]) => [key, whole(text)]));
      try {
        const answer = await fetch(`${server.address}${filled}?${words}`, {
          method,
          ...(method === 'GET' ? {} : { body: raw ? new Uint8Array(raw) : JSON.stringify(value) }),
          signal: AbortSignal.timeout(180_000),
          redirect: 'manual',
        });
        if (answer.status === 500) broken.push(`${method} ${filled}?${words}: ${JSON.stringify(value).slice(0, 200)}`);
        // Lines of events never end.
        await answer.body?.cancel();
      } catch (fault) {
        broken.push(`${method} ${filled}: ${String(fault)}`);
      }
    };
    const LANES = 4;
    const marks = [WARM, ...[1, 2, 3, 4].map((quarter) => Math.floor((count * quarter) / 4) - 1)];
    for (let number = 0; number < count; number += LANES) {
      await Promise.all(Array.from({ length: Math.min(LANES, count - number) }, (_, lane) => send(number + lane)));
      if (marks.some((mark) => number <= mark && number + LANES > mark)) held.push(heldMb(server.process.pid));
    }
    if (count > 2 * WARM) await new Promise((wait) => setTimeout(wait, STILL_MS));
    held.push(heldMb(server.process.pid));
    return { sent: count, broken, heldMb: held.map(Math.round) };
  } finally {
    await server.stop();
    await databases.drop(name);
    databases.stop();
  }
}
