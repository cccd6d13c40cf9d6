import type { EntityManager } from '@mikro-orm/postgresql';

type Runs = { raw: (sql: string, values: readonly unknown[]) => Promise<unknown> };

/**
 * Run a statement in the transaction that is open, with its values beside it. The ORM's own `execute` writes values into
 * the text of the statement, which takes seconds where they are megabytes.
 */
export async function runSql(em: EntityManager, sql: string, values: readonly unknown[]): Promise<void> {
  const runs = (em.getTransactionContext() ?? em.getKnex()) as unknown as Runs;
  await runs.raw(sql, values);
}
