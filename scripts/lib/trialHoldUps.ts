import { type ClientRequest, request } from 'node:http';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { plannedJob } from './benchJob';

export type HoldUpsResult = {
  /** The longest that others waited for an answer meanwhile, ms: of a question of few bytes, and of a small file. */
  questionMs: number;
  smallFileMs: number;
  /** Answers that others were given and that were wrong. */
  wrong: string[];
  /** How the one who asked for much was answered, and how long that took. */
  own: { what: string; status: number; ms: number }[];
};

const MB = 1024 * 1024;
const LONGEST_MS = 200_000;

async function opened(address: string, runs: number, id: string): Promise<string> {
  const body = writeJobFile({ ...plannedJob(runs), id, name: `Of ${runs} runs` });
  const answer = await fetch(`${address}/api/jobs/file`, { method: 'POST', body });
  if (!answer.ok) throw new Error(await answer.text());
  return ((await answer.json()) as { id: string }).id;
}

/** Uploads that hold a reader up, each refused in the end. */
const UPLOADS: Record<string, () => string> = {
  'very many short lines': () => `label,panel,panel_port,switch,switch_port\n${'a,b\n'.repeat(4.8 * MB)}`,
  'a quote that is never closed': () => `label,panel,panel_port,switch,switch_port\n"${'x,y\n'.repeat(4.8 * MB)}`,
  'one line of commas': () => `label,panel,panel_port,switch,switch_port\n${','.repeat(19 * MB)}`,
};

/**
 * One person draws a large job and brings hostile files; what do others wait for meanwhile?
 * @param runs of the large job
 */
export async function trialHoldUps(address: string, { runs }: { runs: number }): Promise<HoldUpsResult> {
  const stamp = `${Date.now()}-${process.pid}`;
  const small = await opened(address, 40, `small-${stamp}`);
  const large = await opened(address, runs, `large-${stamp}`);
  const result: HoldUpsResult = { questionMs: 0, smallFileMs: 0, wrong: [], own: [] };
  let over = false;
  const asking = async (path: string, note: (ms: number) => void) => {
    while (!over) {
      const began = performance.now();
      const answer = await fetch(`${address}${path}`, { signal: AbortSignal.timeout(LONGEST_MS) });
      await answer.arrayBuffer();
      note(performance.now() - began);
      if (answer.status !== 200) result.wrong.push(`${path} ${answer.status}`);
      await new Promise((done) => setTimeout(done, 50));
    }
  };
  const own = async (what: string, path: string, init: RequestInit = {}) => {
    const began = performance.now();
    const answer = await fetch(`${address}${path}`, { ...init, signal: AbortSignal.timeout(LONGEST_MS) });
    await answer.arrayBuffer();
    result.own.push({ what, status: answer.status, ms: Math.round(performance.now() - began) });
  };
  // Each asks with another word, which this file does not heed: it is made each time, and not taken from what was kept.
  let count = 0;
  const files = async () => {
    while (!over) {
      const began = performance.now();
      const answer = await fetch(`${address}/api/jobs/${small}/files/labels.pdf?show=${count++}`);
      await answer.arrayBuffer();
      result.smallFileMs = Math.max(result.smallFileMs, performance.now() - began);
      if (answer.status >= 500) result.wrong.push(`a small file ${answer.status}`);
      await new Promise((done) => setTimeout(done, 200));
    }
  };
  // Once before, so that what is only loaded once is not counted.
  await fetch(`${address}/api/jobs/${small}/files/labels.pdf`).then((answer) => answer.arrayBuffer());
  const others = [
    asking('/api/health', (ms) => {
      result.questionMs = Math.max(result.questionMs, ms);
    }),
    files(),
  ];
  await own(`pack.pdf of ${runs} runs`, `/api/jobs/${large}/files/pack.pdf`);
  for (const [what, text] of Object.entries(UPLOADS))
    await own(what, '/api/jobs/file?name=x', { method: 'POST', body: text() });
  over = true;
  await Promise.all(others);
  return result;
}

export type CrowdResult = {
  /** Connections that the server keeps open, of those that were tried. */
  open: number;
  /** The longest that somebody at another address waited for an answer, ms; and how often they got none. */
  othersMs: number;
  shutOut: number;
};

/** Somebody without an account opens connections and sends bodies that never end, from one address; others ask from another. */
export async function trialCrowd(address: string, connections: number): Promise<CrowdResult> {
  const { hostname, port } = new URL(address);
  const requests: ClientRequest[] = [];
  let open = 0;
  for (let at = 0; at < connections; at++) {
    const one = request({
      hostname,
      port,
      localAddress: '127.0.0.2',
      agent: false,
      method: 'POST',
      path: '/api/sign-in',
      headers: { host: `127.0.0.1:${port}`, 'content-length': 60_000, 'content-type': 'application/json' },
    });
    one.on('error', () => undefined);
    one.on('socket', (socket) => {
      socket.once('connect', () => {
        open += 1;
      });
      socket.once('close', () => {
        open -= 1;
      });
    });
    one.write('{');
    requests.push(one);
    if (at % 100 === 99) await new Promise((done) => setTimeout(done, 20));
  }
  let [othersMs, shutOut] = [0, 0];
  for (let at = 0; at < 10; at++) {
    const began = performance.now();
    const ok = await new Promise<boolean>((done) => {
      const asked = request({ hostname, port, agent: false, path: '/api/health', timeout: 6000 }, (answer) => {
        answer.resume();
        done(answer.statusCode === 200);
      });
      asked.on('timeout', () => asked.destroy());
      asked.on('error', () => done(false));
      asked.end();
    });
    othersMs = Math.max(othersMs, performance.now() - began);
    if (!ok) shutOut += 1;
  }
  // Connections are taken in the order they came: whoever was answered just now came after all of these, also on a slow machine.
  await new Promise((done) => setTimeout(done, 500));
  const kept = open;
  for (const one of requests) one.destroy();
  return { open: kept, othersMs, shutOut };
}
