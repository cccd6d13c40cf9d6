import { useMemo } from 'react';
import { rowCommands } from '@/core/job/commands/rowCommands';
import type { TableName, TableRow } from '@/core/job/document/tables';
import { useSessionStore } from '../session/session';

/** Keep and drop rows, each call one step. */
export function useRows() {
  const session = useSessionStore();
  return useMemo(() => {
    const { dispatch } = session.getState();
    return {
      keep: (...rows: TableRow[]): boolean => {
        const commands = rowCommands(session.getState().job, rows);
        return commands.length === 0 || dispatch(commands);
      },
      drop: (table: TableName, ...ids: string[]): boolean => dispatch([{ type: 'dropRows', table, ids }]),
    };
  }, [session]);
}

export const newRowId = (prefix: string): string => `${prefix}-${crypto.randomUUID()}`;
