import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { backupTo, differences, restoreFrom, sumsOf } from '../../scripts/lib/backup';
import { getJobs, takeInJob } from '../../src/server/jobs';
import { keepFile } from '../../src/server/keptFiles';
import { createJob } from '../../src/server/newJobs';
import { openStore, type Store } from '../../src/store/openStore';
import { demoText } from '../support/jobs';
import { freshStore } from './freshStore';

let store: Store;
let url: string;
const folder = mkdtempSync(join(tmpdir(), 'backup-'));
const file = join(folder, 'all.backup');
/** Work with an empty database beside the one under test. */
async function beside(name: string, work: (url: string) => Promise<void>): Promise<void> {
  const other = new URL(url);
  const database = `${other.pathname.slice(1)}_${name}`;
  const sql = (text: string) => store.em.fork().getConnection().execute(text);
  await sql(`create database "${database}"`);
  other.pathname = `/${database}`;
  try {
    await work(other.toString());
  } finally {
    await sql(`drop database "${database}" with (force)`);
  }
}

beforeAll(async () => {
  ({ store, url } = await freshStore('backup'));
  const { id } = await takeInJob(store, demoText('tarnbrook-job.json'));
  await keepFile(store, id, {
    id: 'f',
    kind: 'tester',
    about: '',
    name: 'a.csv',
    by: '',
    base64: Buffer.from('label\n').toString('base64'),
  });
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('a backup', () => {
  it('holds the database as it stands at one moment, while others write', async () => {
    const writing = (async () => {
      for (let count = 0; count < 5; count++)
        await createJob(store, { name: `While ${count}`, units: 'metric', rackUnits: 12, rackDepthMm: 600, gear: [] });
    })();
    const sums = await backupTo(url, file);
    await writing;
    expect(sums.run?.rows).toBe(60);
    expect(sums.kept_file?.rows).toBe(1);

    await beside('again', async (empty) => {
      expect((await restoreFrom(empty, file)).compared).toBe(true);
      const again = await openStore(empty);
      try {
        const names = (await getJobs(again)).jobs.map(({ name }) => name);
        expect(names).toContain('Tarnbrook Survey Office');
        expect(names.length).toBe(sums.job?.rows);
      } finally {
        await again.close(true);
      }
    });
  });

  it('is not put where something is, and nothing is lost there', async () => {
    await expect(restoreFrom(url, file)).rejects.toThrow('The database is not empty');
    expect((await getJobs(store)).count).toBe(6);
    await expect(restoreFrom(url, join(folder, 'nowhere'))).rejects.toThrow('there is no such file');
  });

  it('that is broken, or not what its sums say, is not taken for whole', async () => {
    const broken = join(folder, 'broken.backup');
    const bytes = readFileSync(file);
    writeFileSync(broken, bytes.subarray(0, bytes.length - 400));
    await beside('broken', (empty) => expect(restoreFrom(empty, broken)).rejects.toThrow('pg_restore'));
    const other = join(folder, 'other.backup');
    writeFileSync(other, bytes);
    const sums = JSON.parse(readFileSync(`${file}.sums`, 'utf8'));
    writeFileSync(`${other}.sums`, JSON.stringify({ ...sums, run: { rows: 60, sum: 'f'.repeat(32) } }));
    const tablesIn = async (at: string) => {
      const client = new Client({ connectionString: at });
      await client.connect();
      const { rows } = await client.query(`select tablename from pg_tables where schemaname = 'public'`);
      await client.end();
      return rows;
    };
    // Nothing of it is in, so that the right one can be put there.
    await beside('other', async (empty) => {
      await expect(restoreFrom(empty, other)).rejects.toThrow('run has 60 rows that are not the 60');
      expect(await tablesIn(empty)).toEqual([]);
      const { run: _, ...less } = sums;
      writeFileSync(`${other}.sums`, JSON.stringify(less));
      await expect(restoreFrom(empty, other)).rejects.toThrow('run was not in the backup');
      expect(await tablesIn(empty)).toEqual([]);
      expect((await restoreFrom(empty, file)).compared).toBe(true);
    });
    // Sums that cannot be read are told before anything is put in; names in them are names.
    for (const words of [
      'not json',
      '{"run": {"rows": "many"}}',
      `{"x'; drop table job; --": {"rows": 1, "sum": ""}}`,
    ]) {
      writeFileSync(`${other}.sums`, words);
      await beside('sums', async (empty) => {
        await expect(restoreFrom(empty, other)).rejects.toThrow(/sums is broken.*Nothing was restored/);
        expect(await tablesIn(empty)).toEqual([]);
      });
    }
  });

  it('sums are of the rows, whatever their order', async () => {
    const client = new Client({ connectionString: url });
    await client.connect();
    try {
      const before = await sumsOf(client);
      expect(differences(before, await sumsOf(client))).toEqual([]);
      await client.query(`update run set notes = 'otherwise' where id = (select id from run limit 1)`);
      expect(differences(before, await sumsOf(client))).toEqual(['run has 60 rows that are not the 60 of the backup.']);
    } finally {
      await client.end();
    }
  });
});
