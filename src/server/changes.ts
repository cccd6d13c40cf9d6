import { EventEmitter } from 'node:events';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Client } from 'pg';

const CHANNEL = 'job_changed';
const LONGEST_WAIT_MS = 8000;

/** What is heard of a job: its revision, or that something may have been missed. */
type Hear = (revision: number | 'gap') => void;

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & {
  goodShelfChanges?: { emitter: EventEmitter; ear: Promise<void> | null };
};
home.goodShelfChanges ??= { emitter: new EventEmitter().setMaxListeners(0), ear: null };
const changes = home.goodShelfChanges;

/** Tell all processes, and so all open windows of a job, that it has a new revision: once this transaction holds. */
export async function announce(em: EntityManager, jobId: string, revision: number): Promise<void> {
  await em.execute('select pg_notify(?, ?)', [CHANNEL, `${jobId} ${revision}`]);
}

/** Listen to the database for ever: when the line breaks, everybody is told of a gap and it is taken up again. */
async function hearAll(url: string): Promise<void> {
  for (let wait = 200; ; wait = Math.min(wait * 2, LONGEST_WAIT_MS)) {
    const client = new Client({ connectionString: url });
    try {
      await client.connect();
      const ended = new Promise<void>((done) => client.once('end', done).once('error', () => done()));
      client.on('notification', ({ payload = '' }) => {
        const [jobId = '', revision = ''] = payload.split(' ');
        changes.emitter.emit(jobId, Number(revision));
      });
      await client.query(`listen ${CHANNEL}`);
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
