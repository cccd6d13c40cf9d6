import { type RefObject, useCallback, useEffect, useMemo, useRef } from 'react';
import { runsIn, type ScheduleItem } from '@/core/findings/schedule/scheduleView';
import { type CellsRead, editCell, pasteCells } from '@/core/trade/runs/cells';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { useSession } from '../session/session';
import type { RowActions } from './RunRow';
import { say } from './ScheduleCell';

type RunItem = Extract<ScheduleItem, { kind: 'run' }>;
/** Where in the list a run stands, counted with the headings of groups; -1 where it does not. */
export const itemOf = (items: readonly ScheduleItem[], is: (item: RunItem) => boolean): number =>
  items.findIndex((item) => item.kind === 'run' && is(item));

const newId = () => `run-${crypto.randomUUID()}`;

type Shown = {
  items: ScheduleItem[];
  columns: RunColumn[];
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
};

/**
 * What the rows of the schedule do. They read the latest of everything, so that a row is drawn anew only when it changed itself.
 * @param scroller what scrolls: its parent holds all cells
 * @param scrollTo brings an item into view; it stays the same
 */
export function useRowActions(
  shown: Shown,
  scroller: RefObject<HTMLElement | null>,
  scrollTo: (item: number) => void,
): RowActions & { take: (read: CellsRead) => boolean } {
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const latest = useRef(shown);
  useEffect(() => {
    latest.current = shown;
  });
  const focusCell = useCallback(
    (row: number, column: number) => {
      const seek = () =>
        scroller.current?.parentElement?.querySelector<HTMLInputElement>(`[data-cell="${row}:${column}"]`);
      const there = seek();
      if (there) return there.focus();
      const item = itemOf(latest.current.items, (one) => one.row === row);
      scrollTo(Math.max(0, item));
      requestAnimationFrame(() => requestAnimationFrame(() => seek()?.focus()));
    },
    [scroller, scrollTo],
  );
  const take = useCallback(
    ({ commands, faults }: CellsRead): boolean => {
      say(faults);
      return commands.length > 0 && dispatch(commands);
    },
    [dispatch],
  );
  return useMemo(
    () => ({
      focusCell,
      take,
      select,
      choose: (run) => {
        const next = new Set(latest.current.chosen);
        if (!next.delete(run.id)) next.add(run.id);
        latest.current.onChoose(next);
      },
      commit: (run, column, text) => {
        const read = editCell(run, column, text);
        if (read.faults.length > 0) {
          say(read.faults);
          return false;
        }
        return dispatch(read.commands);
      },
      paste: (text, at) => {
        const { items, columns } = latest.current;
        const read = pasteCells(text, { runs: runsIn(items).slice(at.row), columns: columns.slice(at.column) }, newId);
        if (read) take(read);
        return read !== null;
      },
      remove: (run) => dispatch([{ type: 'removeRuns', runIds: [run.id] }]),
    }),
    [focusCell, select, dispatch, take],
  );
}
