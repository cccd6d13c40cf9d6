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
