import type { Job } from '../document/job';
import { REFERRING, rowsOf, type TableName } from '../document/tables';

/**
 * Remove rows, and what goes with them: rows that refer to them, rows that refer to those, and so on. References that
 * are cleared become null.
 * @param base the job that is changed, as it was: looked through, since a draft is slow to read
 */
export function removeRows(job: Job, table: TableName, ids: Iterable<string>, base: Job): void {
  const gone = new Set(ids);
  if (gone.size === 0) return;
  const rows = rowsOf(job, table);
  for (const id of gone) delete rows[id];
  for (const { table: from, field, whenGone } of REFERRING[table]) {
    const there = rowsOf(job, from);
    const referring = Object.values(rowsOf(base, from)).filter((row) => gone.has(String(row[field])) && there[row.id]);
    if (whenGone === 'goes') {
      const going = referring.map((row) => row.id);
      removeRows(job, from, going, base);
    } else {
      for (const { id } of referring) {
        const row = there[id];
        if (row) row[field] = null;
      }
    }
  }
}
