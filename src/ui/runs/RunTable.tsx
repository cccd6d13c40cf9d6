'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Trash2 } from 'lucide-react';
import {
  type ClipboardEvent,
  type KeyboardEvent,
  memo,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { toast } from 'sonner';
import { LENGTH_COLUMNS, type RunColumn } from '@/core/formats/runColumns';
import type { Network } from '@/core/job/records/network';
import { CARRIES, ENTRY_SIDES, isLive, ORIGINS, RUN_STATES, type Run, SCOPES } from '@/core/job/records/run';
import { Refusal } from '@/core/job/refusal';
import { cableKindsOf } from '@/core/runs/cableKinds';
import { type CellsRead, cellText, editCell, enterRuns, pasteCells } from '@/core/runs/cells';
import { runLengthMm } from '@/core/runs/routeLength';
import type { ScheduleItem, ScheduleView } from '@/core/runs/scheduleView';
import { lengthToField } from '@/core/units/length';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { DASHES, networkInk } from '../kit/NetworkMark';
import { gridOf, HEADINGS, leastWidth, NAMES } from './columns';

const ROW_PX = 28;
const newId = () => `run-${crypto.randomUUID()}`;

/** Lists that cells offer while typing. */
const LISTS: Partial<Record<RunColumn, string>> = {
  carries: 'list-carries',
  cable: 'list-cable',
  network: 'list-network',
  floor: 'list-floor',
  room: 'list-room',
  entry: 'list-entry',
  state: 'list-state',
  origin: 'list-origin',
  scope: 'list-scope',
  bundle: 'list-bundle',
  jacket: 'list-jacket',
};

function say(faults: string[]) {
  if (faults.length > 0)
    toast.error(faults.slice(0, 6).join('\n'), { duration: 12_000, style: { whiteSpace: 'pre-line' } });
}

/** The schedule: every run a row, every field a cell; only the rows in view are drawn. */
export function RunTable({
  items,
  columns,
  view,
  onSort,
  chosen,
  onChoose,
}: {
  items: ScheduleItem[];
  columns: RunColumn[];
  view: ScheduleView;
  onSort: (column: RunColumn) => void;
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
}) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const select = useSession((session) => session.select);
  const selected = useSession((session) => session.selectedRunId);
  // Cells are addressed by the run's place among the runs shown; headings of groups do not count.
  const { runs, itemOf } = useMemo(() => {
    const shown: Run[] = [];
    const at: number[] = [];
    items.forEach((item, index) => {
      if (item.kind === 'group') return;
      shown.push(item.run);
      at.push(index);
    });
    return { runs: shown, itemOf: at };
  }, [items]);
  const rowOf = useMemo(() => new Map(runs.map((run, row) => [run.id, row])), [runs]);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });

  // A run that was found or traced elsewhere comes into view.
  useEffect(() => {
    const row = selected === null ? undefined : rowOf.get(selected);
    if (row !== undefined) virtual.scrollToIndex(itemOf[row] ?? 0, { align: 'auto' });
  }, [selected, rowOf, itemOf, virtual]);

  const focusCell = useCallback(
    (row: number, column: number) => {
      const seek = () =>
        scroller.current?.parentElement?.querySelector<HTMLInputElement>(`[data-cell="${row}:${column}"]`);
      const there = seek();
      if (there) return there.focus();
      virtual.scrollToIndex(itemOf[row] ?? 0, { align: 'center' });
      requestAnimationFrame(() => requestAnimationFrame(() => seek()?.focus()));
    },
    [virtual, itemOf],
  );

  const take = useCallback(
    ({ commands, faults }: CellsRead): boolean => {
      say(faults);
      return commands.length > 0 && dispatch(commands);
    },
    [dispatch],
  );
  const actions = useMemo<RowActions>(
    () => ({
      focusCell,
      select,
      choose: (run) => {
        const next = new Set(chosen);
        if (!next.delete(run.id)) next.add(run.id);
        onChoose(next);
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
        const read = pasteCells(text, { runs: runs.slice(at.row), columns: columns.slice(at.column) }, newId);
        if (read) take(read);
        return read !== null;
      },
      remove: (run) => dispatch([{ type: 'removeRuns', runIds: [run.id] }]),
    }),
    [runs, columns, chosen, onChoose, focusCell, select, dispatch, take],
  );

  const grid = gridOf(columns);
  const allChosen = runs.length > 0 && runs.every((run) => chosen.has(run.id));
  return (
    <div className="relative flex min-h-72 flex-1 flex-col overflow-x-auto overflow-y-hidden">
      <div
        role="table"
        aria-label="Run schedule"
        aria-rowcount={items.length + 2}
        className="narrow flex min-h-0 flex-1 flex-col text-[13px]"
        style={{ minWidth: leastWidth(columns) }}
      >
        <div
          role="row"
          className="grid border-strong border-y bg-well pr-[15px] font-bold text-xs"
          style={{ gridTemplateColumns: grid }}
        >
          <div role="columnheader" className="grid place-items-center">
            <input
              type="checkbox"
              aria-label="Choose every run shown"
              checked={allChosen}
              onChange={() => onChoose(allChosen ? new Set() : new Set(runs.map((run) => run.id)))}
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
                title={`Sort by ${NAMES[column].toLowerCase()}`}
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
                    style={{ top: start, height: ROW_PX }}
                  >
                    <div role="cell">
                      {item.name} <span className="font-mono font-normal text-xs">{item.count}</span>
                    </div>
                  </div>
                );
              }
              const { run } = item;
              const row = rowOf.get(run.id) ?? 0;
              return (
                <RunRow
                  key={run.id}
                  run={run}
                  row={row}
                  top={start}
                  grid={grid}
                  columns={columns}
                  network={run.networkId === null ? null : (job.networks[run.networkId] ?? null)}
                  routeText={run.lengthMm === null ? lengthToField(runLengthMm(job, run), job.units) : ''}
                  selected={run.id === selected}
                  chosen={chosen.has(run.id)}
                  last={row === runs.length - 1}
                  actions={actions}
                />
              );
            })}
          </div>
        </div>
        <EntryRow row={runs.length} grid={grid} columns={columns} onEnter={take} focusCell={focusCell} />
      </div>
      <Suggestions />
    </div>
  );
}

type RowActions = {
  choose: (run: Run) => void;
  focusCell: (row: number, column: number) => void;
  select: (runId: string) => void;
  /** @returns whether the text could be taken */
  commit: (run: Run, column: RunColumn, text: string) => boolean;
  /** @returns whether the text was more than one cell */
  paste: (text: string, at: { row: number; column: number }) => boolean;
  remove: (run: Run) => void;
};

const cellLook =
  'h-full w-full min-w-0 bg-transparent px-1.5 text-ink focus:bg-face focus:outline-2 focus:outline-[var(--focus)] focus:-outline-offset-2';

const RunRow = memo(function RunRow({
  run,
  row,
  top,
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
      style={{ top, height: ROW_PX, gridTemplateColumns: grid }}
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
            name={`${NAMES[column]} of ${run.label}`}
            value={values[at] ?? ''}
            cell={`${row}:${at}`}
            list={LISTS[column]}
            hint={
              LENGTH_COLUMNS[column]?.field === 'lengthMm' && routeText !== ''
                ? `≈ ${Number(routeText).toFixed(1)}`
                : ''
            }
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
                strokeDasharray={DASHES[network.pattern]}
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

function Cell({
  name,
  value,
  cell,
  list,
  hint,
  look,
  onCommit,
  onFocus,
  onPaste,
  onMove,
}: {
  name: string;
  value: string;
  cell: string;
  list: string | undefined;
  hint: string;
  look: string;
  onCommit: (text: string) => boolean;
  onFocus: () => void;
  onPaste: (text: string) => boolean;
  onMove: (step: 1 | -1) => void;
}) {
  const [wrong, setWrong] = useState(false);
  // Enter commits and moves on, and the blur that follows must not commit once more.
  const committed = useRef(value);
  const commit = (input: HTMLInputElement): boolean => {
    if (input.value.trim() === committed.current) {
      setWrong(false);
      return true;
    }
    const taken = onCommit(input.value);
    if (taken) committed.current = input.value.trim();
    setWrong(!taken);
    return taken;
  };
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    if (event.key === 'Enter') {
      event.preventDefault();
      if (commit(input)) onMove(1);
    } else if (event.key === 'Escape') {
      input.value = value;
      setWrong(false);
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !list) {
      event.preventDefault();
      onMove(event.key === 'ArrowDown' ? 1 : -1);
    }
  };
  const paste = (event: ClipboardEvent<HTMLInputElement>) => {
    if (onPaste(event.clipboardData.getData('text/plain'))) event.preventDefault();
  };
  return (
    <input
      aria-label={name}
      aria-invalid={wrong || undefined}
      defaultValue={value}
      data-cell={cell}
      list={list}
      placeholder={hint}
      autoComplete="off"
      spellCheck={false}
      className={`${cellLook} ${look} ${wrong ? 'bg-wont/15 outline-2 outline-wont' : ''}`}
      onFocus={onFocus}
      onBlur={(event) => commit(event.currentTarget)}
      onKeyDown={press}
      onPaste={paste}
    />
  );
}

/** What one run and the next have in common stays; what tells them apart is cleared. */
const CLEARED: readonly RunColumn[] = ['label', 'device', 'notes', 'poe_w'];

function EntryRow({
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
            aria-label={`${NAMES[column]} of the new run`}
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

function Suggestions() {
  const job = useSession((session) => session.job);
  const { runs, networks, cableKinds } = job;
  const lists = useMemo(() => {
    const distinct = (values: string[]) => [...new Set(values)].filter(Boolean).slice(0, 60);
    const all = Object.values(runs);
    return {
      'list-carries': [...CARRIES],
      'list-cable': distinct([
        ...all.map((run) => run.cable),
        ...cableKindsOf({ ...job, cableKinds }).map((kind) => kind.name),
      ]),
      'list-entry': [...ENTRY_SIDES],
      'list-state': [...RUN_STATES],
      'list-origin': [...ORIGINS],
      'list-scope': [...SCOPES],
      'list-bundle': distinct(all.map((run) => run.bundle)),
      'list-jacket': distinct(all.map((run) => run.jacket)),
      'list-network': distinct(Object.values(networks).map((network) => network.name)),
      'list-floor': distinct(all.map((run) => run.floor)),
      'list-room': distinct(all.map((run) => run.room)),
    };
  }, [job, runs, networks, cableKinds]);
  return Object.entries(lists).map(([id, values]) => (
    <datalist key={id} id={id}>
      {values.map((value) => (
        <option key={value} value={value} />
      ))}
    </datalist>
  ));
}
