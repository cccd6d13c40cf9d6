import { alike } from '../document/change';
import { type AnyRecord, type Records, rowsOf, type TableRow } from '../document/tables';
import type { Command } from './commands';
import type { RowEdit } from './rows';

/**
 * Commands that make rows what they are given as: new ones are added; of one that is there only the fields that differ
 * are changed, so that what somebody else does to the others meanwhile stays.
 * @returns none when all of it is so already
 */
export function rowCommands(job: Records, rows: readonly TableRow[]): Command[] {
  const fresh: TableRow[] = [];
  const edits: RowEdit[] = [];
  for (const row of rows) {
    const record = row.record as AnyRecord;
    const there = rowsOf(job, row.table)[record.id];
    if (!there) {
      fresh.push(row);
      continue;
    }
    const changes = Object.fromEntries(Object.entries(record).filter(([field, value]) => !alike(there[field], value)));
    if (Object.keys(changes).length > 0) edits.push({ table: row.table, id: record.id, changes } as RowEdit);
  }
  return [
    ...(fresh.length > 0 ? [{ type: 'keepRows' as const, rows: fresh }] : []),
    ...(edits.length > 0 ? [{ type: 'editRows' as const, edits }] : []),
  ];
}
