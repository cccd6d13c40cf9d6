import type { EntityManager } from '@mikro-orm/postgresql';
import { Client } from 'pg';
import { Meeting } from '../core/exchange/wire/meeting';
import { log } from './log';

/** On which id and revision of a job are told. */
export const CHANNEL = 'job_changed';
const MEETING = 'job_meeting';
const ACCESS = 'access_changed';
const LONGEST_WAIT_MS = 8000;
/** A line that broke without a word, such as by a pulled plug, is found out within this time. */
const CHECK_MS = 20_000;
const ANSWER_MS = 10_000;

/** What is heard of a job: its revision, that something may have been missed, or a word of somebody who is at it. */
export type Heard = number | 'gap' | Meeting;
type Hear<T> = (heard: T) => void;

/** Who listens to what, by id. A map and not an event emitter: any text may be the id of a job, the names of its own events too. */
type Listeners<T> = Map<string, Set<Hear<T>>>;
type News = { jobs: Listeners<Heard>; access: Listeners<'access'>; line: Promise<never> | null };

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfNews?: News };
home.goodShelfNews ??= { jobs: new Map(), access: new Map(), line: null };
const news = home.goodShelfNews;

/** Tell all processes, and so all open windows of a job, a word of somebody who is at it. It is kept nowhere. */
export async function say(em: EntityManager, jobId: string, word: Meeting): Promise<void> {
  await em.execute('select pg_notify(?, ?)', [MEETING, `${jobId} ${JSON.stringify(word)}`]);
}

/** Tell all processes that an account may enter other things than before, or that others may enter a job. @param id of either */
export async function tellAccess(em: EntityManager, id: string): Promise<void> {
  await em.execute('select pg_notify(?, ?)', [ACCESS, id]);
}

/** Tell all who listen to an id. One who fails holds up none of the others. */
function tell<T>(listeners: Listeners<T>, id: string, heard: T): void {
  for (const hear of [...(listeners.get(id) ?? [])])
    try {
      hear(heard);
    } catch (fault) {
      log.error({ err: fault }, 'a listener failed to take in news');
    }
}

function takeIn(channel: string, payload: string): void {
  if (channel === ACCESS) {
    tell(news.access, payload, 'access');
    return;
  }
  // An id holds no blank.
  const at = payload.indexOf(' ');
  const [jobId, rest] = [payload.slice(0, at), payload.slice(at + 1)];
  tell(news.jobs, jobId, channel === MEETING ? Meeting.parse(JSON.parse(rest)) : Number(rest));
}

/** Listen until the line breaks. @throws what broke it */
async function hearOnce(url: string, heard: () => void): Promise<void> {
  const client = new Client({
    connectionString: url,
    keepAlive: true,
    connectionTimeoutMillis: ANSWER_MS,
    query_timeout: ANSWER_MS,
  });
  let check: ReturnType<typeof setInterval> | undefined;
  try {
    const broken = new Promise<Error | null>((done) => {
      // It may say that it broke more than once; one that nobody listened to would end the process.
      client.on('error', done);
      client.once('end', () => done(null));
      check = setInterval(() => void client.query('select 1').catch(done), CHECK_MS);
    });
    await client.connect();
    client.on('notification', ({ channel, payload = '' }) => {
      try {
        takeIn(channel, payload);
      } catch (fault) {
        log.error({ err: fault, channel }, 'a message could not be read; the next ones are heard');
      }
    });
    await client.query(`listen ${CHANNEL}; listen ${MEETING}; listen ${ACCESS}`);
    for (const jobId of [...news.jobs.keys()]) tell(news.jobs, jobId, 'gap');
    for (const id of [...news.access.keys()]) tell(news.access, id, 'access');
    heard();
    const fault = await broken;
    throw fault ?? new Error('The line to the database ended.');
  } finally {
    clearInterval(check);
    void client.end().catch(() => undefined);
  }
}

/** Listen to the database for ever: when the line breaks, it is logged, taken up again, and everybody is told of a gap. */
async function hearAll(url: string): Promise<never> {
  let wait = 200;
  for (;;) {
    try {
      await hearOnce(url, () => {
        wait = 200;
      });
    } catch (fault) {
      log.warn({ err: fault, againInMs: wait }, 'news of the database are not heard');
    }
    await new Promise((done) => setTimeout(done, wait));
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  }
}

function join<T>(listeners: Listeners<T>, id: string, hear: Hear<T>): () => void {
  news.line ??= hearAll(process.env.DATABASE_URL ?? '');
  const those = listeners.get(id) ?? new Set();
  listeners.set(id, those.add(hear));
  return () => {
    those.delete(hear);
    if (those.size === 0 && listeners.get(id) === those) listeners.delete(id);
  };
}

/** Hear of new revisions of a job. @returns the function that stops listening */
export const listen = (jobId: string, hear: Hear<Heard>): (() => void) => join(news.jobs, jobId, hear);

/** Hear when an account may enter other things than before, or others may enter a job. @returns the function that stops listening */
export const listenAccess = (id: string, hear: () => void): (() => void) => join(news.access, id, hear);
