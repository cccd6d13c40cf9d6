import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Store } from '../../src/store/openStore';

export const LOGS = resolve(import.meta.dirname, '../store/logs');
export const logFile = (migration: string): string => join(LOGS, `${migration}.json.gz`);
export const hasLog = (migration: string): boolean => existsSync(logFile(migration));

/** All rows of a database as it was after a migration; `from`: the log that was brought up to it, where none was made then. */
export type RecordedLog = { migration: string; from?: string; tables: Record<string, Record<string, unknown>[]> };

export const readLog = (migration: string): RecordedLog =>
  JSON.parse(gunzipSync(readFileSync(logFile(migration))).toString()) as RecordedLog;

/** Put a recorded log into an empty database, as it was then. Constraints are deferred, but the job comes first. */
export async function putBack(store: Store, { migration, tables }: RecordedLog): Promise<void> {
  await store.getMigrator().up({ to: migration });
  const order = Object.keys(tables).sort((a, b) => Number(b === 'job') - Number(a === 'job'));
  await store.em.fork().transactional(async (em) => {
    for (const table of order)
      await em.execute(
        `insert into "${table}" select * from json_populate_recordset(null::public."${table}", ?::json)`,
        [JSON.stringify(tables[table])],
      );
  });
}
