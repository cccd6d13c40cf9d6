'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { type CsvTable, readCsvTable } from '@/core/exchange/formats/csvTable';
import { decodeText } from '@/core/exchange/formats/decodeText';
import { importCommand, type PreviewRow, previewRuns } from '@/core/exchange/formats/previewRuns';
import type { Job } from '@/core/job/document/job';
import { type ColumnMap, columnInfo, guessColumns, RUN_COLUMNS, type RunColumn } from '@/core/trade/runs/runColumns';
import { attempt } from '../kit/attempt';
import { Button } from '../kit/Button';
import { inputLook } from '../kit/Field';
import { keepMapping, keptMapping } from '../kit/keptMapping';
import { Sheet } from '../kit/Sheet';
import { useSession } from '../session/session';

export type Given = { name: string; bytes: Uint8Array };

const newId = () => `run-${crypto.randomUUID()}`;
const BECOMES: Record<PreviewRow['becomes'], { words: string; look: string }> = {
  new: { words: '+ new', look: 'text-good font-bold' },
  changed: { words: '± changed', look: 'text-bite font-bold' },
  same: { words: '= as it is', look: 'text-soft' },
  'not taken': { words: '× not taken', look: 'text-wont font-bold' },
};
const SHOWN = 200;

/** Import: choose or paste, map the columns, see row by row what happens, then take it in one step. */
export function ImportSheet({ given, onClose }: { given: Given | null; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const [source, setSource] = useState<Given | null>(given);
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title={source ? `Import runs from ${source.name}` : 'Import runs'}
      about="Nothing is changed before you say so, and one undo takes all of it back."
    >
      {source ? (
        <Preview job={job} given={source} onBack={() => setSource(null)} onClose={onClose} />
      ) : (
        <Choose onChoose={setSource} />
      )}
    </Sheet>
  );
}

function Choose({ onChoose }: { onChoose: (given: Given) => void }) {
  const [text, setText] = useState('');
  return (
    <div className="grid gap-4">
      <label className="grid gap-1 font-semibold">
        A CSV file: commas, semicolons or tabs, with a header row
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className={inputLook}
          onChange={async (event) => {
            const file = event.target.files?.[0];
            if (file) onChoose({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
          }}
        />
      </label>
      <label className="grid gap-1 font-semibold">
        Or paste cells from a spreadsheet, header included
        <textarea
          rows={8}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className={`${inputLook} font-mono text-xs`}
          placeholder={
            'label,floor,room,outlet,cable,length_m,device\n01,Ground,Reception,desk left,Cat 6 U/UTP,22.5,front desk PC'
          }
        />
      </label>
      <div>
        <Button
          look="main"
          disabled={text.trim() === ''}
          onClick={() => onChoose({ name: 'pasted cells', bytes: new TextEncoder().encode(text) })}
        >
          Show what it becomes
        </Button>
      </div>
    </div>
  );
}

function Preview({ job, given, onBack, onClose }: { job: Job; given: Given; onBack: () => void; onClose: () => void }) {
  const dispatch = useSession((session) => session.dispatch);
  const read = useMemo(
    () =>
      attempt(() => {
        const { text, encoding } = decodeText(given.bytes);
        return { table: readCsvTable(text), encoding };
      }),
    [given],
  );
  const [chosen, setChosen] = useState<ColumnMap | null>(null);
  /** Cells as mended here, by `line column`. */
  const [mended, setMended] = useState<ReadonlyMap<string, string>>(new Map());
  const asRead = read.value?.table ?? null;
  const table = useMemo(() => asRead && withMended(asRead, mended), [asRead, mended]);
  const kept = useMemo(() => (asRead ? keptMapping('runs', asRead.header, RUN_COLUMNS) : null), [asRead]);
  const map = chosen ?? kept ?? (table ? guessColumns(table.header, job.units) : []);
  const held = useDeferredValue(map);
  const preview = useMemo(() => (table ? attempt(() => previewRuns(job, table, held)) : null), [job, table, held]);
  if (!table || !read.value) return <Refused words={read.words ?? ''} onBack={onBack} />;
  const counts = preview?.value?.counts;
  const tagged = preview?.value?.rows.filter((row) => row.tagged).length ?? 0;
  const command = preview?.value ? importCommand(preview.value, newId) : null;
  const parts =
    counts && [counts.new > 0 && `add ${counts.new}`, counts.changed > 0 && `change ${counts.changed}`].filter(Boolean);

  return (
    <div className="grid gap-3">
      <p className="text-soft">
        {counted(table.rows.length, 'row')}, read as {read.value.encoding}, separated by{' '}
        {{ ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }[table.separator]}.{' '}
        {table.above > 0 && `${counted(table.above, 'line')} above the header left out. `}
        {kept && !chosen && 'Columns as chosen for the last list of this shape. '}
        {tagged > 0 && `${counted(tagged, 'row')} without a label given one. `}
        {counts && (
          <b className="text-ink" data-testid="counts">
            {counts.new} new, {counts.changed} changed, {counts.same} as they are, {counts['not taken']} not taken.
          </b>
        )}
      </p>
      {preview?.words && (
        <p className="rounded border border-wont bg-wont/10 p-2 font-semibold text-wont">{preview.words}</p>
      )}
      <div className="relative max-h-[52vh] overflow-auto rounded border border-strong">
        <table className="narrow text-[13px]">
          <thead className="sticky top-0 z-10 bg-well">
            <tr>
              <th className="px-2 text-left">Row</th>
              <th className="px-2 text-left">Becomes</th>
              {table.header.map((heading, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: headings may repeat, their places do not move
                <th key={at} className="min-w-36 px-1 py-1 text-left font-semibold">
                  <span className="block truncate text-soft text-xs">{heading || `column ${at + 1}`}</span>
                  <select
                    aria-label={`Column ${heading || at + 1} holds`}
                    className={`${inputLook} px-1 py-0`}
                    value={map[at] ?? ''}
                    onChange={(event) => {
                      const field = (event.target.value || null) as RunColumn | null;
                      setChosen(map.map((one, column) => (column === at ? field : one === field ? null : one)));
                    }}
                  >
                    <option value="">ignore this column</option>
                    {RUN_COLUMNS.map((column) => (
                      <option key={column} value={column}>
                        {column}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {preview?.value?.rows.slice(0, SHOWN).map((row, at) => (
              <PreviewLine
                key={row.line}
                row={row}
                cells={table.rows[at]?.cells ?? []}
                map={held}
                onMend={(column, text) => setMended((now) => new Map(now).set(`${row.line} ${column}`, text))}
              />
            ))}
          </tbody>
        </table>
      </div>
      {table.rows.length > SHOWN && (
        <p className="text-soft">The first {SHOWN} rows are shown; the counts are of all.</p>
      )}
      {counts && counts['not taken'] > 0 && <FaultList rows={preview?.value?.rows ?? []} />}
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          disabled={!command}
          onClick={() => {
            if (!command || !dispatch([command])) return;
            keepMapping('runs', table.header, map);
            onClose();
          }}
        >
          {command ? `Import: ${parts?.join(', ')}` : 'Nothing to import'}
        </Button>
        <Button onClick={onBack}>Choose another file</Button>
      </div>
    </div>
  );
}

function Refused({ words, onBack }: { words: string; onBack: () => void }) {
  return (
    <div className="grid gap-3">
      <p role="alert" className="rounded border border-wont bg-wont/10 p-3 font-semibold text-wont">
        {words}
      </p>
      <div>
        <Button look="main" onClick={onBack}>
          Choose another file
        </Button>
      </div>
    </div>
  );
}

/** A table with the cells that were mended in the preview. */
const withMended = (table: CsvTable, mended: ReadonlyMap<string, string>): CsvTable =>
  mended.size === 0
    ? table
    : {
        ...table,
        rows: table.rows.map(({ line, cells }) => ({
          line,
          cells: cells.map((cell, column) => mended.get(`${line} ${column}`) ?? cell),
        })),
      };

function PreviewLine({
  row,
  cells,
  map,
  onMend,
}: {
  row: PreviewRow;
  cells: string[];
  map: ColumnMap;
  onMend: (column: number, text: string) => void;
}) {
  const faulty = new Set<string>(row.faults.map((fault) => fault.field));
  const changed = new Map(row.differences.map((one) => [one.field, one]));
  const { words, look } = BECOMES[row.becomes];
  return (
    <tr className="border-t align-top">
      <td className="px-2 py-0.5 font-mono text-xs">{row.line}</td>
      <td className={`whitespace-nowrap px-2 py-0.5 ${look}`}>{words}</td>
      {map.map((field, at) => {
        const difference = field ? changed.get(fieldIn(field)) : undefined;
        return (
          <td
            // biome-ignore lint/suspicious/noArrayIndexKey: cells stay in their columns
            key={at}
            className={`max-w-44 truncate px-1 py-0.5 ${field === null ? 'text-soft line-through' : ''} ${field && faulty.has(field) ? 'bg-wont/15 font-semibold text-wont' : ''} ${difference ? 'bg-bite/15' : ''}`}
            title={difference ? `was ${difference.was || 'empty'}` : cells[at]}
          >
            {field && faulty.has(field) ? (
              <input
                aria-label={`${field} of row ${row.line}`}
                defaultValue={cells[at]}
                className="w-full min-w-24 bg-face px-1"
                onBlur={(event) => {
                  if (event.target.value !== cells[at]) onMend(at, event.target.value);
                }}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter') return;
                  event.preventDefault();
                  onMend(at, event.currentTarget.value);
                }}
              />
            ) : field === 'label' && row.tagged ? (
              <i>{row.fields.label}</i>
            ) : (
              cells[at]
            )}
            {difference && <span className="block text-soft text-xs">was {difference.was || 'empty'}</span>}
          </td>
        );
      })}
    </tr>
  );
}

/** The field that a column holds, as differences name it. */
function fieldIn(column: RunColumn): string {
  const { field } = columnInfo(column);
  return field === 'networkId' ? 'network' : field;
}

function FaultList({ rows }: { rows: PreviewRow[] }) {
  const faults = rows.flatMap((row) => row.faults.map((fault) => ({ row, fault })));
  return (
    <details open className="rounded border border-wont p-2">
      <summary className="font-semibold text-wont">
        {counted(faults.length, 'cell')} to mend in the rows above; until then these rows are left out
      </summary>
      <ul className="mt-1 max-h-32 overflow-auto">
        {faults.slice(0, 100).map(({ row, fault }) => (
          <li key={`${row.line} ${fault.field} ${fault.expected}`}>
            Row {row.line}, <b>{fault.field}</b>: found{' '}
            {fault.found ? <code className="font-mono">“{fault.found}”</code> : 'nothing'}, expected {fault.expected}.
          </li>
        ))}
      </ul>
    </details>
  );
}
