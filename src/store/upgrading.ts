import type { EntityManager } from '@mikro-orm/postgresql';
import { Refusal } from '../core/base/text/refusal';

/** Any number that nothing else of ours locks. */
export const MIGRATING = 4_180_001;

/** Migrations that this version of the program does not know. Takes the last one that it knows. */
export const NEWER = 'select name from mikro_orm_migrations where name > ? order by name desc limit 1';

/** The last migration that this version of the program knows. */
export const lastKnown = (em: EntityManager): string =>
  em.config
    .get('migrations')
    .migrationsList?.map(({ name }) => name)
    .sort()
    .at(-1) ?? '';

/** Whether a newer version of the program has upgraded the database under this one. */
export const isOutdated = async (em: EntityManager): Promise<boolean> =>
  (await em.execute<object[]>(NEWER, [lastKnown(em)])).length > 0;

export const updating = (): Refusal =>
  new Refusal(
    'updating',
    'Good Shelf is being updated. What was saved is safe, and your changes are kept until it is done.',
  );

export function refuseToUpgrade(): never {
  throw updating();
}

/** Asked before much is written at once. @throws Refusal `updating` */
export async function keepUpgradesAway(em: EntityManager): Promise<void> {
  await em.execute('select pg_advisory_xact_lock_shared(?)', [MIGRATING]);
  if (await isOutdated(em)) refuseToUpgrade();
}
