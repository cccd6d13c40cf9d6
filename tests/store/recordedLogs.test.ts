import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/formats/jobFile';
import { clashes, looseEnds } from '../../src/core/job/verify';
import { readKept, reverse } from '../../src/server/jobs';
import { historyOf, jobAtRevision } from '../../src/server/pastJobs';
import { freshStore } from './freshStore';

const folder = join(import.meta.dirname, 'logs');
type Recorded = { migration: string; tables: Record<string, Record<string, unknown>[]> };
const recorded = (file: string): Recorded => JSON.parse(gunzipSync(readFileSync(join(folder, file))).toString());
const files = readdirSync(folder).sort();
const me = { id: 'me', name: 'Ada' };

/** Tables in an order in which each refers to earlier ones only; constraints are deferred, but the job comes first. */
const order = (tables: string[]) => ['job', ...tables.filter((table) => table !== 'job')];

/** The database as it was when a log was recorded, brought up to today. */
async function broughtUp(file: string) {
  const { migration, tables } = recorded(file);
  const { store } = await freshStore(`log_${migration.slice(-8)}`);
  await store.getMigrator().down({ to: 0 });
  await store.getMigrator().up({ to: migration });
  const em = store.em.fork();
  await em.transactional(async (inside) => {
    for (const table of order(Object.keys(tables))) {
      await inside.execute(
        `insert into "${table}" select * from json_populate_recordset(null::public."${table}", ?::json)`,
        [JSON.stringify(tables[table])],
      );
    }
  });
  await store.getMigrator().up();
  const id = String(tables.job?.[0]?.id);
  const steps = [...(tables.command_log ?? tables.step ?? [])].sort((a, b) => Number(a.revision) - Number(b.revision));
  return { store, id, steps };
}

describe.each(files)('a log recorded by %s', (file) => {
  it('is there for every migration of before', () => {
    expect(files.length).toBe(8);
  });

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
