import { Migrator } from '@mikro-orm/migrations';
import { MikroORM } from '@mikro-orm/postgresql';
import { ENTITIES } from './entities';
import { Migration20261123000000 } from './migrations/Migration20261123000000';
import { Migration20261123190000 } from './migrations/Migration20261123190000';
import { Migration20261123220000 } from './migrations/Migration20261123220000';
import { Migration20261124030000 } from './migrations/Migration20261124030000';
import { Migration20261125220000 } from './migrations/Migration20261125220000';
import { Migration20261127060000 } from './migrations/Migration20261127060000';
import { Migration20261127080000 } from './migrations/Migration20261127080000';
import { Migration20261127100000 } from './migrations/Migration20261127100000';
import { Migration20261127120000 } from './migrations/Migration20261127120000';
import { Migration20261127160000 } from './migrations/Migration20261127160000';
import { Migration20261127200000 } from './migrations/Migration20261127200000';
import { Migration20261127220000 } from './migrations/Migration20261127220000';
import { Migration20261127230000 } from './migrations/Migration20261127230000';
import { Migration20261128000000 } from './migrations/Migration20261128000000';
import { Migration20261128040000 } from './migrations/Migration20261128040000';
import { Migration20261128060000 } from './migrations/Migration20261128060000';
import { Migration20261128080000 } from './migrations/Migration20261128080000';
import { Migration20261201200000 } from './migrations/Migration20261201200000';
import { Migration20261202000000 } from './migrations/Migration20261202000000';
import { Migration20261202020000 } from './migrations/Migration20261202020000';
import { Migration20261202060000 } from './migrations/Migration20261202060000';
import { Migration20261202080000 } from './migrations/Migration20261202080000';
import { lastKnown, MIGRATING, NEWER } from './upgrading';

export type Store = MikroORM;

/** By name, which a bundler that shortens the names of classes leaves as they are. */
export const MIGRATIONS = {
  Migration20261123000000,
  Migration20261123190000,
  Migration20261123220000,
  Migration20261124030000,
  Migration20261125220000,
  Migration20261127060000,
  Migration20261127080000,
  Migration20261127100000,
  Migration20261127120000,
  Migration20261127160000,
  Migration20261127200000,
  Migration20261127220000,
  Migration20261127230000,
  Migration20261128000000,
  Migration20261128040000,
  Migration20261128060000,
  Migration20261128080000,
  Migration20261201200000,
  Migration20261202000000,
  Migration20261202020000,
  Migration20261202060000,
  Migration20261202080000,
};

/** Names of the migrations, in the order in which they are made. */
export const MIGRATION_NAMES = Object.keys(MIGRATIONS);

/** Nothing waits for ever: a lock, a question, a transaction that nobody goes on with, a connection. Milliseconds. */
const PATIENCE = {
  lock_timeout: 8_000,
  statement_timeout: 30_000,
  idle_in_transaction_session_timeout: 30_000,
  connectionTimeoutMillis: 5_000,
};
/** Debian's server takes 100 connections: several of our processes find room on it. */
const MOST_CONNECTIONS = 12;

/**
 * Open the database. Connects on first use; close it with `store.close()`.
 * @param patience limits of time; migrations take as long as they take
 * @param migrations those that this version of the program knows; a test gives those of a later one
 */
export function openStore(
  url: string,
  patience: Partial<typeof PATIENCE> = PATIENCE,
  migrations: Readonly<Record<string, typeof Migration20261123000000>> = MIGRATIONS,
): Promise<Store> {
  return MikroORM.init({
    clientUrl: url,
    entities: ENTITIES,
    extensions: [Migrator],
    discovery: { warnWhenNoEntities: false },
    // A name that was mistyped is no wish for another database.
    ensureDatabase: false,
    pool: { min: 0, max: MOST_CONNECTIONS, acquireTimeoutMillis: 10_000 },
    driverOptions: { connection: patience },
    migrations: {
      snapshot: false,
      silent: true,
      migrationsList: Object.entries(migrations).map(([name, migration]) => ({ name, class: migration })),
    },
    // The bundler turns the ORM's own dynamic imports into stubs: give it the real one.
    dynamicImportProvider: (id) => import(id),
  });
}

/**
 * Bring the tables up to date. Of several processes that start at once one does it and the others wait. Processes of the version
 * before finish the change that they are at, and then keep out of it (`findBatch`).
 * @throws Error when a newer version of the program has been here
 */
export async function migrate(store: Store): Promise<void> {
  await store.em.fork().transactional(async (em) => {
    await em.execute('select pg_advisory_xact_lock(?)', [MIGRATING]);
    const migrator = store.getMigrator();
    // Makes the list of migrations where there is none yet.
    await migrator.getExecutedMigrations();
    const [newer] = await em.execute<{ name: string }[]>(NEWER, [lastKnown(em)]);
    if (newer)
      throw new Error(
        `This database was upgraded by a newer version of Good Shelf (${newer.name}): start that version, or restore the backup that was made before the upgrade.`,
      );
    await migrator.up();
  });
}
