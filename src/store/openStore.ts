import { Migrator } from '@mikro-orm/migrations';
import { MikroORM } from '@mikro-orm/postgresql';
import { ENTITIES } from './entities';
import { Migration20261123000000 } from './migrations/Migration20261123000000';
import { Migration20261123190000 } from './migrations/Migration20261123190000';
import { Migration20261123220000 } from './migrations/Migration20261123220000';
import { Migration20261124030000 } from './migrations/Migration20261124030000';
import { Migration20261125220000 } from './migrations/Migration20261125220000';

export type Store = MikroORM;

/** Open the database. Connects on first use; close it with `store.close()`. */
export function openStore(url: string): Promise<Store> {
  return MikroORM.init({
    clientUrl: url,
    entities: ENTITIES,
    extensions: [Migrator],
    discovery: { warnWhenNoEntities: false },
    pool: { min: 0, max: 10 },
    migrations: {
      snapshot: false,
      silent: true,
      migrationsList: [
        { name: 'Migration20261123000000', class: Migration20261123000000 },
        { name: 'Migration20261123190000', class: Migration20261123190000 },
        { name: 'Migration20261123220000', class: Migration20261123220000 },
        { name: 'Migration20261124030000', class: Migration20261124030000 },
        { name: 'Migration20261125220000', class: Migration20261125220000 },
      ],
    },
    // The bundler turns the ORM's own dynamic imports into stubs: give it the real one.
    dynamicImportProvider: (id) => import(id),
  });
}

/** Bring the tables up to date. */
export async function migrate(store: Store): Promise<void> {
  await store.getMigrator().up();
}
