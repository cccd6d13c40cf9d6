import { afterAll, inject } from 'vitest';
import { openDatabases } from '../../scripts/lib/database';
import { migrate, openStore, type Store } from '../../src/store/openStore';

/** An empty database with our tables, or without where it says so; dropped when the file is done. `open` gives one more connection to it. */
export async function freshStore(
  name: string,
  { migrated = true } = {},
): Promise<{ store: Store; url: string; open: () => Promise<Store> }> {
  process.env.DATABASE_URL ??= inject('admin');
  const databases = await openDatabases('test');
  const database = `good_shelf_${name}_${process.pid}`;
  await databases.drop(database);
  const url = await databases.ensure(database);
  const opened: Store[] = [];
  const open = async () => {
    const store = await openStore(url);
    opened.push(store);
    return store;
  };
  const store = await open();
  if (migrated) await migrate(store);
  afterAll(async () => {
    for (const one of opened) await one.close(true);
    await databases.drop(database);
  });
  return { store, url, open };
}
