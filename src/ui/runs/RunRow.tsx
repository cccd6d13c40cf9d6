'use client';

import { Trash2 } from 'lucide-react';
import { memo } from 'react';
import type { Network } from '@/core/job/records/network';
import { isLive, type Run } from '@/core/job/records/run';
import { cellText } from '@/core/trade/runs/cells';
import { lengthIn, type RunColumn } from '@/core/trade/runs/runColumns';
import { Button } from '../kit/Button';
import { dashArray, networkInk } from '../kit/NetworkMark';
import { HEADINGS } from './columns';
import { Cell } from './ScheduleCell';
import { LISTS } from './ScheduleLists';

/** Height of a row of the schedule, px. */

export type RowActions = {
  choose: (run: Run) => void;
  focusCell: (row: number, column: number) => void;
  select: (runId: string) => void;
  /** @returns whether the text could be taken */
  commit: (run: Run, column: RunColumn, text: string) => boolean;
  /** @returns whether the text was more than one cell */
  paste: (text: string, at: { row: number; column: number }) => boolean;
  remove: (run: Run) => void;
};

/** One run: a cell a column. */
export const RunRow = memo(function RunRow({
  run,
  row,
  top,
  rowPx,
  grid,
  columns,
  network,
  routeText,
  selected,
  chosen,
  last,
  actions,
}: {
  run: Run;
  row: number;
  top: number;
  rowPx: number;
  grid: string;
  columns: RunColumn[];
  network: Network | null;
  /** Length by the plan, shown where none was measured. */
  routeText: string;
  selected: boolean;
  chosen: boolean;
  last: boolean;
  actions: RowActions;
}) {
  const values = columns.map((column) => cellText(run, network, column));
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      className={`absolute inset-x-0 grid border-b ${selected ? 'bg-well' : ''}`}
      style={{ top, height: rowPx, gridTemplateColumns: grid }}
    >
      <div role="cell" className="grid place-items-center">
        <input
          type="checkbox"
          aria-label={`Choose run ${run.label}`}
          checked={chosen}
          onChange={() => actions.choose(run)}
        />
      </div>
      {columns.map((column, at) => (
        <div key={column} role="cell" className="relative min-w-0 overflow-hidden border-r">
          <Cell
            // A new value from elsewhere replaces what stands in the cell.
            key={values[at]}
            name={`${HEADINGS[column].name} of ${run.label}`}
            value={values[at] ?? ''}
            cell={`${row}:${at}`}
            list={LISTS[column]}
            hint={lengthIn(column)?.field === 'lengthMm' && routeText !== '' ? `≈ ${Number(routeText).toFixed(1)}` : ''}
            look={`${column === 'label' ? 'font-bold font-mono' : ''} ${HEADINGS[column].align === 'right' ? 'text-right font-mono text-xs' : ''} ${isLive(run) || column === 'label' ? '' : 'text-soft'}`}
            onCommit={(text) => actions.commit(run, column, text)}
            onFocus={() => actions.select(run.id)}
            onPaste={(text) => actions.paste(text, { row, column: at })}
            onMove={(step) => {
              if (step > 0 && last) actions.focusCell(row + 1, at);
              else if (row + step >= 0) actions.focusCell(row + step, at);
            }}
          />
          {column === 'network' && network && (
            <svg
              aria-hidden="true"
              className="pointer-events-none absolute inset-x-1 bottom-0 h-[3px]"
              width="100%"
              preserveAspectRatio="none"
            >
              <path
                d="M0 1.5h400"
                stroke={networkInk(network)}
                strokeWidth="2.4"
                strokeDasharray={dashArray(network.pattern)}
              />
            </svg>
          )}
        </div>
      ))}
      <div role="cell" className="grid place-items-center">
        <Button
          look="quiet"
          className="min-h-6 px-1 py-0 text-soft"
          aria-label={`Remove run ${run.label}`}
          onClick={() => actions.remove(run)}
        >
          <Trash2 size={14} aria-hidden />
        </Button>
      </div>
    </div>
  );
});
