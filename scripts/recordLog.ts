import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { writeJobFile } from '../src/core/exchange/formats/jobFile';
import type { Command } from '../src/core/job/commands/commands';
import { careItems } from '../src/core/job/records/careItem';
import { openPoints } from '../src/core/job/records/openPoint';
import { pathways } from '../src/core/job/records/pathway';
import { results } from '../src/core/job/records/result';
import { applyBatch, readKept, takeInJob } from '../src/server/jobs';
import { MIGRATION_NAMES, openStore, type Store } from '../src/store/openStore';
import { surveyed } from '../tests/support/jobs';
import { hasLog, LOGS, logFile, putBack, type RecordedLog, readLog } from '../tests/support/recordedLog';
import { openDatabases } from './lib/database';
import { root } from './lib/root';

/*
 * `npm run record-log`: for each migration that has none a log, which the tests bring up to today, and its checksum, which holds it
 * as it is. That of the last migration is made by the program as it stands; of an earlier one that was forgotten it is the log
 * before it, brought up to it. What was recorded is never recorded again.
 */

const sumsFile = join(root, 'tests/store/migrations.json');

/** All rows of all tables but the list of migrations. */
async function dump(store: Store): Promise<RecordedLog['tables']> {
  const em = store.em.fork();
  const names = await em.execute<{ name: string }[]>(
    `select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'mikro_orm_migrations' order by 1`,
  );
  const tables: RecordedLog['tables'] = {};
  for (const { name } of names) {
    const rows = await em.execute<{ one: Record<string, unknown> }[]>(`select row_to_json(t) as one from "${name}" t`);
    if (rows.length > 0) tables[name] = rows.map(({ one }) => one);
  }
  return tables;
}

/** Steps of many kinds on a site, by the program as it stands. */
async function recordToday(store: Store): Promise<void> {
  const site = surveyed();
  const { id } = await takeInJob(store, writeJobFile({ ...site, id: 'recorded', name: 'Recorded' }));
  const [run] = Object.values(site.runs);
  const [gear] = Object.values(site.gear);
  const [rack] = Object.values(site.racks);
  if (!run || !gear || !rack) throw new Error('no site');
  const steps: Command[][] = [
    [{ type: 'editJob', changes: { name: 'Recorded anew' } }],
    [{ type: 'editRuns', edits: [{ runId: run.id, changes: { room: 'Attic', poeW: 12 } }] }],
    [{ type: 'editGear', gearId: gear.id, changes: { inOutage: 'goes-first' } }],
    [{ type: 'editRack', rackId: rack.id, changes: { name: 'Rack by the door' } }],
    [
      {
        type: 'keepRows',
        rows: [
          {
            table: 'mends',
            record: {
              id: 'm',
              runId: run.id,
              symptom: 'no-power',
              part: 'cable',
              words: '',
              minutes: null,
              by: '',
              at: '',
            },
          },
        ],
      },
    ],
    [
      {
        type: 'keepRows',
        rows: [{ table: 'partOdds', record: { id: 'o', symptom: 'warm-afternoons', part: 'switch', weight: 40 } }],
      },
    ],
    [
      {
        type: 'keepRows',
        rows: [{ table: 'results', record: results.make({ id: 'r', runId: run.id, passed: true, screen: 'through' }) }],
      },
    ],
    [
      {
        type: 'keepRows',
        rows: [
          {
            table: 'careItems',
            record: careItems.make({ id: 'c', what: 'Filters', usual: 'filters', everyMonths: 6 }),
          },
        ],
      },
    ],
    [
      {
        type: 'keepRows',
        rows: [{ table: 'openPoints', record: openPoints.make({ id: 'p', words: 'Ask', about: 'missing switch:1' }) }],
      },
    ],
    [
      {
        type: 'keepRows',
        rows: [
          {
            table: 'pathways',
            record: pathways.make({
              id: 'w',
              name: 'Tray',
              kind: 'tray',
              widthMm: 100,
              lengthMm: 4000,
              containment: 'open-metal',
            }),
          },
        ],
      },
    ],
    [{ type: 'removeRuns', runIds: [run.id] }],
  ];
  for (const commands of steps) {
    const kept = await readKept(store, id);
    if (!kept) throw new Error('no job');
    const { point } = kept;
    const actor = { id: 'me', name: 'Ada' };
    await applyBatch(store, id, { batchId: randomUUID(), base: point, seen: point.revision, actor, commands });
  }
}

async function record(name: string, at: number): Promise<RecordedLog> {
  const databases = await openDatabases('test');
  const database = `good_shelf_log_${process.pid}`;
  await databases.drop(database);
  const store = await openStore(await databases.ensure(database), {});
  try {
    if (at === MIGRATION_NAMES.length - 1) {
      await store.getMigrator().up();
      await recordToday(store);
      return { migration: name, tables: await dump(store) };
    }
    const earlier = MIGRATION_NAMES.slice(0, at).findLast(hasLog);
    if (earlier === undefined) throw new Error(`There is no log before ${name}.`);
    await putBack(store, readLog(earlier));
    await store.getMigrator().up({ to: name });
    return { migration: name, from: earlier, tables: await dump(store) };
  } finally {
    await store.close(true);
    await databases.drop(database);
    databases.stop();
  }
}

mkdirSync(LOGS, { recursive: true });
const sums: Record<string, string> = existsSync(sumsFile) ? JSON.parse(readFileSync(sumsFile, 'utf8')) : {};
for (const [at, name] of MIGRATION_NAMES.entries()) {
  if (!hasLog(name)) {
    writeFileSync(logFile(name), gzipSync(JSON.stringify(await record(name, at))));
    console.log(`${name}: recorded.`);
  }
  sums[name] ??= createHash('sha256')
    .update(readFileSync(join(root, `src/store/migrations/${name}.ts`)))
    .digest('hex');
}
writeFileSync(sumsFile, `${JSON.stringify(sums, null, 2)}\n`);
console.log(`${readdirSync(LOGS).length} logs, ${Object.keys(sums).length} checksums.`);
process.exit(0);
