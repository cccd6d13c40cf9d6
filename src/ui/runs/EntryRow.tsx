'use client';

import { useState } from 'react';
import { Refusal } from '@/core/base/text/refusal';
import { type CellsRead, enterRuns } from '@/core/trade/runs/cells';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { Button } from '../kit/Button';
import { HEADINGS } from './columns';
import { cellLook, say } from './ScheduleCell';
import { LISTS } from './ScheduleLists';

const newId = () => `run-${crypto.randomUUID()}`;

/** What one run and the next have in common stays; what tells them apart is cleared. */
const CLEARED: readonly RunColumn[] = ['label', 'device', 'notes', 'poe_w'];

/** The last row: a new run, or many by a pattern. */
export function EntryRow({
  row,
  grid,
  columns,
  onEnter,
  focusCell,
}: {
  row: number;
  grid: string;
  columns: RunColumn[];
  onEnter: (read: CellsRead) => boolean;
  focusCell: (row: number, column: number) => void;
}) {
  const [cells, setCells] = useState<Partial<Record<RunColumn, string>>>({});
  const enter = (now: Partial<Record<RunColumn, string>>) => {
    try {
      if (!onEnter(enterRuns(now, newId))) return;
      setCells(Object.fromEntries(Object.entries(now).filter(([column]) => !CLEARED.includes(column as RunColumn))));
      requestAnimationFrame(() => document.querySelector<HTMLInputElement>('[data-entry="label"]')?.focus());
    } catch (fault) {
      if (!(fault instanceof Refusal)) throw fault;
      say([fault.message]);
    }
  };
  return (
    <div
      role="row"
      className="grid h-9 border-strong border-y-2 bg-sheet pr-[15px]"
      style={{ gridTemplateColumns: grid }}
    >
      <div role="cell" />
      {columns.map((column, at) => (
        <div key={column} role="cell" className="min-w-0 border-r">
          <input
            aria-label={`${HEADINGS[column].name} of the new run`}
            data-cell={`${row}:${at}`}
            data-entry={column}
            list={LISTS[column]}
            autoComplete="off"
            spellCheck={false}
            placeholder={column === 'label' ? 'new' : ''}
            title={column === 'label' ? 'A label, or a pattern such as GF-{01..12}' : undefined}
            className={`${cellLook} ${column === 'label' ? 'font-bold font-mono' : ''} ${HEADINGS[column].align === 'right' ? 'text-right font-mono text-xs' : ''}`}
            value={cells[column] ?? ''}
            onChange={(event) => setCells({ ...cells, [column]: event.target.value })}
            onPaste={(event) => {
              const text = event.clipboardData.getData('text/plain');
              if (column !== 'label' || !/[\r\n]/.test(text.trim())) return;
              event.preventDefault();
              enter({ ...cells, label: text });
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                enter(cells);
              } else if (event.key === 'ArrowUp' && row > 0 && !LISTS[column]) {
                event.preventDefault();
                focusCell(row - 1, at);
              }
            }}
          />
        </div>
      ))}
      <div role="cell" className="grid place-items-center">
        <Button
          look="quiet"
          className="min-h-6 px-1 py-0 font-bold"
          aria-label="Add the new run"
          onClick={() => enter(cells)}
        >
          +
        </Button>
      </div>
    </div>
  );
}
