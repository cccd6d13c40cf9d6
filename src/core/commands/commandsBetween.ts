import { type Change, diffJobs, isComing, isFieldChange } from '../job/change';
import type { Job } from '../job/job';
import type { TableName, TableRow } from '../job/tables';
import { groupBy } from '../text/groupBy';
import type { Command } from './commands';
import { rowEdit } from './rows';

/** Where something stands: two cannot share a place on the way from one version to the other. */
const PLACES: ReadonlySet<TableName> = new Set(['placements', 'shelvings']);

/**
 * Commands that lead from one version of a job to another, but for its head: what comes, what changes, what goes, and last what
 * stands where.
 */
export function commandsBetween(was: Job, is: Job): Command[] {
  const changes = diffJobs(was, is);
  const places = (change: Change) => change.table !== null && PLACES.has(change.table);
  const rows = (list: readonly Change[]): TableRow[] =>
    list.flatMap((change) => (isComing(change) ? ({ table: change.table, record: change.is } as TableRow) : []));
  const keep = (list: readonly Change[]): Command[] => {
    const coming = rows(list);
    return coming.length > 0 ? [{ type: 'keepRows', rows: coming }] : [];
  };
  const edit = (list: readonly Change[]): Command[] => {
    const fields = list.flatMap((change) => (isFieldChange(change) && change.table !== null ? change : []));
    const edits = [...groupBy(fields, ({ table, id }) => `${table} ${id}`).values()].flatMap((of) => {
      const [first] = of;
      return first?.table
        ? rowEdit(first.table, first.id, Object.fromEntries(of.map(({ field, is: value }) => [field, value])))
        : [];
    });
    return edits.length > 0 ? [{ type: 'editRows', edits }] : [];
  };
  // What refers to others goes before them: tables stand in the order in which they refer to each other.
  const drop = (list: readonly Change[]): Command[] =>
    [
      ...groupBy(
        list.filter((change) => !isComing(change) && !isFieldChange(change)),
        ({ table }) => String(table),
      ),
    ]
      .reverse()
      .map(([table, of]) => ({ type: 'dropRows', table: table as TableName, ids: of.map(({ id }) => id) }));
  const standing = changes.filter(places);
  const others = changes.filter((change) => !places(change));
  return [...keep(others), ...edit(others), ...drop(standing), ...drop(others), ...edit(standing), ...keep(standing)];
}
