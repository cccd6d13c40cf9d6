import { randomUUID } from 'node:crypto';
import { Migration } from '@mikro-orm/migrations';
import { describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import type { Command } from '../../src/core/job/commands/commands';
import { refusalOf, statusOf } from '../../src/server/answer';
import { applyBatch, readKept, takeInJob } from '../../src/server/jobs';
import { MIGRATIONS, migrate, openStore, type Store } from '../../src/store/openStore';
import { isOutdated } from '../../src/store/upgrading';
import { bench } from '../support/jobs';
import { freshStore } from './freshStore';

const me = { id: 'me', name: 'Ada' };
const rename = (name: string): Command => ({ type: 'editJob', changes: { name } });

/** What the next version of the program will do to the tables. */
class Migration29990101000000 extends Migration {
  override up(): void {
    this.addSql('alter table run add column of_the_next_version text not null;');
  }
}

/** Two processes on one database: the new one knows a migration more. */
async function duringUpgrade(name: string) {
  const { store: old, url } = await freshStore(name);
  const now = await openStore(url, {}, { ...MIGRATIONS, Migration29990101000000 });
  return { old, now, done: () => now.close(true) };
}

async function send(store: Store, id: string, name: string, batchId: string = randomUUID()) {
  const point = (await readKept(store, id))?.point;
  if (!point) throw new Error('no job');
  return applyBatch(store, id, { batchId, base: point, seen: point.revision, actor: me, commands: [rename(name)] });
}

const refusedAs = async (work: Promise<unknown>) => {
  const refusal = refusalOf(
    await work.then(
      () => null,
      (fault: unknown) => fault,
    ),
  );
  return refusal && { code: refusal.code, status: statusOf(refusal) };
};

describe('an old and a new process on one database during an upgrade', () => {
  it('lose nothing: the old one writes until then and nothing after, and the new one takes what it refused', async () => {
    const { old, now, done } = await duringUpgrade('upgrade');
    const { id } = await takeInJob(old, writeJobFile({ ...bench(), id: 'upgraded' }));
    expect((await send(old, id, 'Before')).status).toBe('done');
    expect(await isOutdated(old.em.fork())).toBe(false);
    // Changes go on while the new one starts, and each is either taken or refused for now.
    const [, ...answers] = await Promise.all([
      migrate(now),
      ...Array.from({ length: 8 }, (_, at) =>
        send(old, id, `Meanwhile ${at}`, `batch-meanwhile-${at}-of-eight-changes`).then(
          () => 'taken',
          (fault: unknown) => refusalOf(fault)?.code,
        ),
      ),
    ]);
    for (const one of answers) expect(['taken', 'updating', 'busy']).toContain(one);
    expect(await isOutdated(old.em.fork())).toBe(true);
    expect(await isOutdated(now.em.fork())).toBe(false);
    const batchId = randomUUID();
    expect(await refusedAs(send(old, id, 'After', batchId))).toEqual({ code: 'updating', status: 503 });
    expect(await refusedAs(takeInJob(old, writeJobFile({ ...bench(), id: 'another' })))).toMatchObject({ status: 503 });
    const taken = answers.filter((one) => one === 'taken').length;
    expect((await readKept(now, id))?.point.revision).toBe(1 + taken);
    // The same step, sent again to the new one by the browser that kept it: once, however often.
    expect((await send(now, id, 'After', batchId)).status).toBe('done');
    expect((await send(now, id, 'After', batchId)).status).toBe('done');
    expect(await readKept(now, id)).toMatchObject({ job: { name: 'After' }, point: { revision: 2 + taken } });
    await done();
  });

  it('an old one does not start on it any more, and says so', async () => {
    const { old, now, done } = await duringUpgrade('upgraded');
    await migrate(now);
    await migrate(now);
    await expect(migrate(old)).rejects.toThrow(
      /upgraded by a newer version of Good Shelf \(Migration\d+\): start that version, or restore the backup/,
    );
    await done();
  });
});
