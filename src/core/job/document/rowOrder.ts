import { type Change, isComing } from './change';
import type { Job } from './job';
import { rowsOf, type TableName } from './tables';

/**
 * A job with its rows in the order of their ids, as the database gives them, in the tables that rows came to: the same job is the
 * same text, whoever made it of which steps. The very same job where no row came.
 */
export function inRowOrder(job: Job, changes: readonly Change[]): Job {
  const tables = new Set<TableName>(changes.filter(isComing).map(({ table }) => table));
  if (tables.size === 0) return job;
  const next: Record<string, unknown> = { ...job };
  for (const table of tables) {
    const rows = Object.entries(rowsOf(job, table)).sort(([a], [b]) => (a < b ? -1 : 1));
    next[table] = Object.freeze(Object.fromEntries(rows));
  }
  return Object.freeze(next as unknown as Job);
}
