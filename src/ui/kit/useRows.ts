import { useMemo } from 'react';
import type { PlainRow } from '@/core/job/commands/rows';
import type { PlainTable } from '@/core/job/plainTables';
import { useSession } from '../job/session';

/** Keep and drop rows of plain tables, each call one step. */
export function useRows() {
  const dispatch = useSession((session) => session.dispatch);
  return useMemo(
    () => ({
      keep: (...rows: PlainRow[]): boolean => dispatch([{ type: 'keepRows', rows }]),
      drop: (table: PlainTable, ...ids: string[]): boolean => dispatch([{ type: 'dropRows', table, ids }]),
    }),
    [dispatch],
  );
}

export const newRowId = (prefix: string): string => `${prefix}-${crypto.randomUUID()}`;
