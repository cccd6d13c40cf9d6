import { openStore, type Store } from '../store/openStore';
import { isOutdated } from '../store/upgrading';

// Development evaluates modules more than once: the one store lives on the global object.
const home = globalThis as typeof globalThis & { goodShelfStore?: Promise<Store> | undefined };

/** The store of this process, opened at first use. A failed opening is tried again next time. */
export function getStore(): Promise<Store> {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error('DATABASE_URL is not set: start with bin/demo, or give the address of a PostgreSQL database.');
  home.goodShelfStore ??= openStore(url).catch((fault) => {
    home.goodShelfStore = undefined;
    throw fault;
  });
  return home.goodShelfStore;
}

/** Whether the database answers, and is the one of this version of the program. */
export async function isHealthy(): Promise<boolean> {
  try {
    return !(await isOutdated((await getStore()).em.fork()));
  } catch {
    return false;
  }
}
