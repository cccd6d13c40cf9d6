import { MikroORM } from '@mikro-orm/postgresql';
import { startCluster } from './cluster';
import { givenDatabase } from './faultWords';

export type Databases = {
  /** Address of an empty or existing database of this name. */
  ensure: (name: string) => Promise<string>;
  drop: (name: string) => Promise<void>;
  stop: () => void;
  /** Start our own server again where it died. @returns whether it had to be */
  revive: () => boolean;
};

async function withServer<T>(url: string, work: (run: (sql: string) => Promise<unknown[]>) => Promise<T>): Promise<T> {
  const orm = await MikroORM.init({ clientUrl: url, entities: [], discovery: { warnWhenNoEntities: false } });
  try {
    return await work((sql) => orm.em.getConnection().execute(sql));
  } finally {
    await orm.close(true);
  }
}

/** Databases for tests and demo: on the server of `DATABASE_URL` where that is given, else on a cluster of our own. */
export async function openDatabases(cluster: string, how?: Parameters<typeof startCluster>[1]): Promise<Databases> {
  const given = givenDatabase();
  const own = given ? null : await startCluster(cluster, how);
  const at = (name: string): string => {
    if (own) return own.url(name);
    const url = new URL(given ?? '');
    url.pathname = `/${name}`;
    return url.toString();
  };
  const main = given ?? at('postgres');
  return {
    ensure: async (name) => {
      await withServer(main, async (run) => {
        const known = await run(`select 1 from pg_database where datname = '${name}'`);
        if (known.length === 0) await run(`create database "${name}"`);
      });
      return at(name);
    },
    drop: async (name) => {
      await withServer(main, (run) => run(`drop database if exists "${name}" with (force)`));
    },
    stop: () => own?.stop(),
    revive: () => own?.revive() ?? false,
  };
}
