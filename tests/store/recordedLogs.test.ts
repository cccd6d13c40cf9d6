import { createHash, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { clashes, looseEnds } from '../../src/core/job/document/verify';
import { readKept, reverse } from '../../src/server/jobs';
import { historyOf, jobAtRevision } from '../../src/server/pastJobs';
import { MIGRATION_NAMES } from '../../src/store/openStore';
import { LOGS, putBack, readLog } from '../support/recordedLog';
import { freshStore } from './freshStore';
import sums from './migrations.json' with { type: 'json' };

const me = { id: 'me', name: 'Ada' };

/** The database as it was when a log was recorded, brought up to today. */
async function broughtUp(migration: string) {
  const log = readLog(migration);
  const { tables } = log;
  const { store } = await freshStore(`log_${migration.slice(-8)}`, { migrated: false });
  await putBack(store, log);
  await store.getMigrator().up();
  const id = String(tables.job?.[0]?.id);
  const steps = [...(tables.command_log ?? tables.step ?? [])].sort((a, b) => Number(a.revision) - Number(b.revision));
  return { store, id, steps };
}

describe('migrations', () => {
  it('each have a recorded log and a checksum, and nothing else has: npm run record-log makes them', () => {
    const logs = readdirSync(LOGS).map((file) => file.replace('.json.gz', ''));
    expect(logs.sort()).toEqual([...MIGRATION_NAMES].sort());
    expect(Object.keys(sums).sort()).toEqual([...MIGRATION_NAMES].sort());
  });

  it.each(MIGRATION_NAMES)('stand as they were recorded: %s', (name) => {
    const text = readFileSync(resolve(import.meta.dirname, `../../src/store/migrations/${name}.ts`));
    // What was made of somebody's data cannot be made otherwise afterwards: a change is a migration of its own.
    expect(createHash('sha256').update(text).digest('hex')).toBe((sums as Record<string, string>)[name]);
  });
});

describe.each(MIGRATION_NAMES)('a log recorded by %s', (file) => {
  it('can be read at every revision, and undone to its beginning and done again', async () => {
    const { store, id, steps } = await broughtUp(file);
    const now = await readKept(store, id);
    if (!now) throw new Error('no job');
    expect(now.point.revision).toBe(steps.length);
    for (let revision = 0; revision <= now.point.revision; revision++) {
      const then = await jobAtRevision(store, id, revision);
      expect([...looseEnds(then), ...clashes(then)]).toEqual([]);
    }
    const { steps: listed } = await historyOf(store, id, {});
    expect(listed.map((step) => step.label).reverse()).toEqual(steps.map((step) => step.label));

    // One that was brought up has the steps of the log before it, which are undone there.
    if (readLog(file).from) return;
    const first = await jobAtRevision(store, id, 0);
    const back = async (direction: 'undo' | 'redo') => {
      const base = (await readKept(store, id))?.point ?? now.point;
      return reverse(store, id, { batchId: randomUUID(), base, seen: base.revision, actor: me, direction });
    };
    const standing = steps.filter((step) => step.kind === 'do' && (step.standing ?? step.state) === 'done').length;
    expect(standing).toBeGreaterThan(6);
    for (let at = 0; at < standing; at++) await back('undo');
    await expect(back('undo')).rejects.toThrow('nothing of yours to undo');
    expect(writeJobFile((await readKept(store, id))?.job ?? now.job)).toBe(writeJobFile(first));
    for (let at = 0; at < standing; at++) await back('redo');
    expect(writeJobFile((await readKept(store, id))?.job ?? first)).toBe(writeJobFile(now.job));
  });
});

describe('links between devices that an earlier version kept as uplinks', () => {
  it('are cords, with who stood for them, and become uplinks again on the way back', async () => {
    const log = readLog('Migration20261202020000');
    const { store } = await freshStore('links', { migrated: false });
    await putBack(store, log);
    const id = String(log.tables.job?.[0]?.id);
    const [cord] = log.tables.cord ?? [];
    const [a, b] = (log.tables.gear ?? []).filter(({ kind }) => kind !== 'panel').map(({ id: gear }) => String(gear));
    const em = store.em.fork();
    const put = (link: string, port: number, lengthMm: number | null, to = b) =>
      em.execute(
        `insert into uplink (job_id, id, from_id, from_port, to_id, to_port, medium, length_mm, key_1, bundled, colour)
          values (?, ?, ?, ?, ?, ?, 'copper', ?, ?, true, 'red')`,
        [id, link, a, port, to, port, lengthMm, `${a}:${port} ${to}:${port}`],
      );
    await put('plain', 91, 700);
    await put('short', 92, 20);
    const taken = cord ? String(cord.id) : 'plain';
    if (cord) await put(taken, 93, 900);
    await em.execute(
      `insert into vouch (job_id, id, uplink_id, "as", how, "by", why, at, key_1) values (?, 'v', 'plain', 'x', 'eye', 'Kim', '', '', 'plain')`,
      [id],
    );
    await store.getMigrator().up({ to: 'Migration20261202060000' });
    const read = (sql: string) => em.execute<Record<string, unknown>[]>(`${sql} where job_id = ? order by id`, [id]);
    const links = (await read('select id, from_port, medium, bundled, length_mm, from_side, key_1 from cord')).filter(
      ({ from_port: port }) => Number(port) > 90,
    );
    expect(links).toHaveLength(cord ? 3 : 2);
    expect(links.find((link) => link.id === 'plain')).toMatchObject({
      medium: 'copper',
      bundled: true,
      length_mm: 700,
      from_side: 'front',
      key_1: `${a}:91`,
    });
    expect(links.find((link) => link.id === 'short')).toMatchObject({ length_mm: null });
    expect(await read('select cord_id from vouch')).toMatchObject([{ cord_id: 'plain' }]);
    await store.getMigrator().down();
    expect(await read('select id from uplink')).toHaveLength(links.length);
    expect(await read('select uplink_id, cord_id from vouch')).toMatchObject([{ uplink_id: 'plain', cord_id: null }]);
  });
});
