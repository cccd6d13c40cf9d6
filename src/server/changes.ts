import { EventEmitter } from 'node:events';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Client } from 'pg';
import type { Meeting } from '../core/wire/meeting';

/** On which id and revision of a job are told. */
export const CHANNEL = 'job_changed';
const MEETING = 'job_meeting';
const LONGEST_WAIT_MS = 8000;

/** What is heard of a job: its revision, that something may have been missed, or a word of somebody who is at it. */
export type Heard = number | 'gap' | Meeting;
type Hear = (heard: Heard) => void;

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & {
  goodShelfChanges?: { emitter: EventEmitter; ear: Promise<void> | null };
};
home.goodShelfChanges ??= { emitter: new EventEmitter().setMaxListeners(0), ear: null };
const changes = home.goodShelfChanges;

/** Tell all processes, and so all open windows of a job, a word of somebody who is at it. It is kept nowhere. */
export async function say(em: EntityManager, jobId: string, word: Meeting): Promise<void> {
  await em.execute('select pg_notify(?, ?)', [MEETING, `${jobId} ${JSON.stringify(word)}`]);
}

/** Listen to the database for ever: when the line breaks, everybody is told of a gap and it is taken up again. */
async function hearAll(url: string): Promise<void> {
  for (let wait = 200; ; wait = Math.min(wait * 2, LONGEST_WAIT_MS)) {
    const client = new Client({ connectionString: url });
    try {
      await client.connect();
      const ended = new Promise<void>((done) => client.once('end', done).once('error', () => done()));
      client.on('notification', ({ channel, payload = '' }) => {
        const at = payload.indexOf(' ');
        const [jobId, rest] = [payload.slice(0, at), payload.slice(at + 1)];
        changes.emitter.emit(jobId, channel === MEETING ? (JSON.parse(rest) as Meeting) : Number(rest));
      });
      await client.query(`listen ${CHANNEL}; listen ${MEETING}`);
      for (const jobId of changes.emitter.eventNames()) changes.emitter.emit(jobId, 'gap');
      wait = 200;
      await ended;
    } catch {
      // It is tried again; what was asked meanwhile says itself that the database is away.
    }
    await client.end().catch(() => undefined);
    await new Promise((done) => setTimeout(done, wait));
  }
}

/** Hear of new revisions of a job. @returns the function that stops listening */
export function listen(jobId: string, hear: Hear): () => void {
  changes.ear ??= hearAll(process.env.DATABASE_URL ?? '');
  changes.emitter.on(jobId, hear);
  return () => changes.emitter.off(jobId, hear);
}
