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

/** The same for one that changes rows. @returns how many it touched */
export async function changeRows(em: EntityManager, sql: string, values: unknown[]): Promise<number> {
  // The ORM's own type of what `run` answers with is that of rows.
  const done: unknown = await em.execute(sql, values, 'run');
  return (done as { affectedRows: number }).affectedRows;
}
