import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { TABLE_NAMES, tableOf } from '../../src/core/job/document/tables';
import { readKept, takeInJob } from '../../src/server/jobs';
import { columnName, jsonFields, keyColumns } from '../../src/store/entities';
import type { Store } from '../../src/store/openStore';
import { marrowby, surveyed } from '../support/jobs';
import { freshStore } from './freshStore';

let store: Store;
beforeAll(async () => {
  ({ store } = await freshStore('plain'));
});
const sql = (text: string, values: unknown[] = []) =>
  store.em.fork().getConnection().execute<Record<string, unknown>[]>(text, values);
const keep = async (job = surveyed()) =>
  (await takeInJob(store, writeJobFile({ ...job, id: `job-${randomUUID()}` }))).id;

describe('the tables of records', () => {
  it('have a column for every field, of a kind that holds it', async () => {
    for (const table of TABLE_NAMES) {
      const rows = await sql('select column_name, data_type from information_schema.columns where table_name = ?', [
        tableOf(table).row,
      ]);
      const columns = new Map(rows.map((row) => [row.column_name, row.data_type]));
      for (const field of Object.keys(tableOf(table).schema.shape)) expect(columns.has(columnName(field))).toBe(true);
      for (const field of jsonFields(table)) expect(columns.get(columnName(field))).toBe('jsonb');
      const own = Object.keys(tableOf(table).schema.shape).length;
      for (const column of keyColumns(table)) expect(columns.has(columnName(column))).toBe(true);
      expect(columns.size).toBe(own + 1 + keyColumns(table).length + (tableOf(table).derived ? 1 : 0));
    }
  });

  it('have a foreign key for everything that rows point at', async () => {
    for (const table of TABLE_NAMES) {
      const rows = await sql(
        "select pg_get_constraintdef(oid) as words from pg_constraint where conrelid = ?::regclass and contype = 'f'",
        [tableOf(table).row],
      );
      const words = rows.map((row) => String(row.words)).join('\n');
      for (const { field } of tableOf(table).refers) expect(words).toContain(`(job_id, ${columnName(field)})`);
      expect(words).toContain('REFERENCES job(id) ON DELETE CASCADE');
    }
  });

  it('refuse what a job never has, whoever writes it', async () => {
    const id = await keep();
    const twice =
      "insert into box select job_id, 'twice', name, cable, left_mm, bought, mark_mm, marks_fall, key_1 from box where job_id = ? and id = 'box-shop'";
    await expect(sql(twice, [id])).rejects.toThrow(/unique/);
    await expect(sql("update room set floor_id = 'nowhere' where job_id = ?", [id])).rejects.toThrow(/foreign key/);
    await expect(sql('update box set left_mm = 0 where job_id = ?', [id])).rejects.toThrow(/check/);
    await expect(sql("delete from floor where job_id = ? and id = 'floor-ground'", [id])).rejects.toThrow(
      /foreign key/,
    );
  });

  it('go with their job', async () => {
    const id = await keep(marrowby());
    const count = async () => Number((await sql('select count(*) as n from jack where job_id = ?', [id]))[0]?.n);
    expect(await count()).toBe(14);
    await sql('delete from job where id = ?', [id]);
    expect(await count()).toBe(0);
  });

  it('hold the same ids in two jobs without mixing them up', async () => {
    const [one, two] = [await keep(), await keep()];
    await sql("update box set name = 'Only here', key_1 = 'only here' where job_id = ? and id = 'box-shop'", [one]);
    expect((await readKept(store, one))?.job.boxes['box-shop']?.name).toBe('Only here');
    expect((await readKept(store, two))?.job.boxes['box-shop']?.name).toBe('Shop box');
  });

  it('are taken down and put up again by the migrations', async () => {
    const { store: other } = await freshStore('plain-down');
    // To the first migration, which has none of them.
    await other.getMigrator().down({ to: 'Migration20261123190000' });
    const tables = async () =>
      (
        await other.em
          .fork()
          .getConnection()
          .execute<{ n: string }[]>(
            "select table_name as n from information_schema.tables where table_schema = 'public'",
          )
      ).map((row) => row.n);
    expect(await tables()).not.toContain('jack');
    expect(await tables()).toContain('run');
    await other.getMigrator().up();
    expect(await tables()).toEqual(expect.arrayContaining(TABLE_NAMES.map((table) => tableOf(table).row)));
    await other.close(true);
  });
});
