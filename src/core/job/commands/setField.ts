import { type Change, isComing, isFieldChange } from '../document/change';
import { type TableName, tableOf, tableRow } from '../document/tables';
import type { Command } from './commands';
import { type RowEdit, rowEdit } from './rows';

/** The command that gives a field the value that a change has for it; null for a change that is of a whole record. */
export function setFieldCommand(change: Change): Command | null {
  if (!isFieldChange(change)) return null;
  const { table, id, field, is } = change;
  if (table === null) return { type: 'editJob', changes: { [field]: is } };
  return { type: 'editRows', edits: [{ table, id, changes: { [field]: is } } as RowEdit] };
}

/**
 * Commands that lead from one version of a job to another, given their differences: what goes first, then what comes and
 * what changes, in one step each.
 */
export function commandsOf(changes: readonly Change[]): Command[] {
  const commands: Command[] = [];
  const head = changes.filter((change) => change.table === null);
  for (const change of head) commands.push(...[setFieldCommand(change) ?? []].flat());
  const rows = changes.flatMap((change) => (isComing(change) ? [tableRow(change.table, change.is)] : []));
  if (rows.length > 0) commands.push({ type: 'keepRows', rows, exact: true });
  const edits = new Map<string, { table: TableName; id: string; changes: Record<string, unknown> }>();
  for (const change of changes) {
    if (!isFieldChange(change) || change.table === null) continue;
    const { table, id, field, is } = change;
    const edit = edits.get(`${table}/${id}`) ?? { table, id, changes: {} };
    edit.changes[field] = is;
    edits.set(`${table}/${id}`, edit);
  }
  if (edits.size > 0)
    commands.push({
      type: 'editRows',
      edits: [...edits.values()].map((edit) => rowEdit(edit.table, edit.id, edit.changes)),
      exact: true,
    });
  const gone = new Map<Extract<Change, { table: string }>['table'], string[]>();
  for (const change of changes) {
    if (isFieldChange(change) || isComing(change) || change.table === null) continue;
    gone.set(change.table, [...(gone.get(change.table) ?? []), change.id]);
  }
  // What goes with something else would be gone before it is dropped itself.
  for (const [table, ids] of [...gone].reverse())
    commands.push({ type: 'dropRows', table, ids, ...(tableOf(table).onlyAdded ? { exact: true } : {}) });
  return commands;
}
