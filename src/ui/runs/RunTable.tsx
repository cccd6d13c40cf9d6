'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { lengthToField } from '@/core/base/units/length';
import { runsIn, type ScheduleItem, type ScheduleView, shownRuns } from '@/core/findings/schedule/scheduleView';
import { runLengthMm } from '@/core/trade/runs/routeLength';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { useThumbed } from '../kit/useThumbed';
import { useSession } from '../session/session';
import { gridOf, HEADINGS, leastWidth } from './columns';
import { EntryRow } from './EntryRow';
import { RunRow } from './RunRow';
import { ScheduleLists } from './ScheduleLists';
import { itemOf, useRowActions } from './useRowActions';

/** Height of a row, and where a thumb takes its cells. */
const [ROW_PX, THUMB_ROW_PX] = [28, 44];

type TableProps = {
  items: ScheduleItem[];
  columns: RunColumn[];
  view: ScheduleView;
  onSort: (column: RunColumn) => void;
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
};

/** The schedule: every run a row, every field a cell; only the rows in view are drawn. */
export function RunTable({ items, columns, view, onSort, chosen, onChoose }: TableProps) {
  const job = useSession((session) => session.job);
  const selected = useSession((session) => session.selectedRunId);
  const count = shownRuns(items);
  const scroller = useRef<HTMLDivElement>(null);
  const rowPx = useThumbed() ? THUMB_ROW_PX : ROW_PX;
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowPx,
    overscan: 6,
    // Rows for a screen are there at once, before it is measured.
    initialRect: { width: 0, height: 480 },
  });

  // biome-ignore lint/correctness/useExhaustiveDependencies: rows of another height are measured anew
  useEffect(() => virtual.measure(), [rowPx]);

  // A run that was found or traced elsewhere comes into view.
  const selectedItem = useMemo(() => itemOf(items, ({ run }) => run.id === selected), [items, selected]);
  useEffect(() => {
    if (selectedItem < 0) return;
    // To scroll to where one is already would lay out the page for nothing.
    const [top, from] = [selectedItem * rowPx, virtual.scrollOffset ?? 0];
    const inView = top >= from && top + rowPx <= from + (virtual.scrollRect?.height ?? 0);
    if (!inView) virtual.scrollToIndex(selectedItem, { align: 'auto' });
  }, [selectedItem, virtual, rowPx]);

  const scrollTo = useCallback((item: number) => virtual.scrollToIndex(item, { align: 'center' }), [virtual]);
  const actions = useRowActions({ items, columns, chosen, onChoose }, scroller, scrollTo);
  const grid = gridOf(columns);
  return (
    <div className="relative flex min-h-72 flex-1 flex-col overflow-x-auto overflow-y-hidden">
      <div
        role="table"
        aria-label="Run schedule"
        aria-rowcount={items.length + 2}
        className="narrow flex min-h-0 flex-1 flex-col text-[13px]"
        style={{ minWidth: leastWidth(columns) }}
      >
        <HeadRow items={items} columns={columns} view={view} onSort={onSort} chosen={chosen} onChoose={onChoose} />
        <div ref={scroller} className="min-h-0 flex-1 overflow-y-auto [scrollbar-gutter:stable]">
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start }) => {
              const item = items[index];
              if (!item) return null;
              if (item.kind === 'group') {
                return (
                  <div
                    key={`group ${item.name}`}
                    role="row"
                    className="absolute inset-x-0 flex items-end gap-2 border-b bg-well px-2 pb-0.5 font-bold"
                    style={{ top: start, height: rowPx }}
                  >
                    <div role="cell">
                      {item.name} <span className="font-mono font-normal text-xs">{item.count}</span>
                    </div>
                  </div>
                );
              }
              const { run, row } = item;
              return (
                <RunRow
                  key={run.id}
                  run={run}
                  row={row}
                  top={start}
                  rowPx={rowPx}
                  grid={grid}
                  columns={columns}
                  network={run.networkId === null ? null : (job.networks[run.networkId] ?? null)}
                  routeText={run.lengthMm === null ? lengthToField(runLengthMm(job, run), job.units) : ''}
                  selected={run.id === selected}
                  chosen={chosen.has(run.id)}
                  last={row === count - 1}
                  actions={actions}
                />
              );
            })}
          </div>
        </div>
        <EntryRow row={count} grid={grid} columns={columns} onEnter={actions.take} focusCell={actions.focusCell} />
      </div>
      <ScheduleLists />
    </div>
  );
}

/** The names of the columns, by which the rows are sorted. */
function HeadRow({ items, columns, view, onSort, chosen, onChoose }: TableProps) {
  const count = shownRuns(items);
  const allChosen = count > 0 && chosen.size >= count && runsIn(items).every((run) => chosen.has(run.id));
  return (
    <div
      role="row"
      className="grid border-strong border-y bg-well pr-[15px] font-bold text-xs"
      style={{ gridTemplateColumns: gridOf(columns) }}
    >
      <div role="columnheader" className="grid place-items-center">
        <input
          type="checkbox"
          aria-label="Choose every run shown"
          checked={allChosen}
          onChange={() => onChoose(allChosen ? new Set() : new Set(runsIn(items).map((run) => run.id)))}
        />
      </div>
      {columns.map((column) => (
        <div
          key={column}
          role="columnheader"
          aria-sort={view.sort === column ? (view.falling ? 'descending' : 'ascending') : undefined}
          className="min-w-0"
        >
          <button
            type="button"
            title={`Sort by ${HEADINGS[column].name.toLowerCase()}`}
            className={`w-full truncate px-1.5 py-1 hover:bg-rule ${HEADINGS[column].align === 'right' ? 'text-right' : 'text-left'}`}
            onClick={() => onSort(column)}
          >
            {HEADINGS[column].words}
            {view.sort === column && (column !== 'label' || view.falling) && (
              <span aria-hidden> {view.falling ? '▾' : '▴'}</span>
            )}
          </button>
        </div>
      ))}
      <div role="columnheader">
        <span className="sr-only">Remove</span>
      </div>
    </div>
  );
}
