import { useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { readCsvTable } from '@/core/exchange/formats/csvTable';
import { decodeText } from '@/core/exchange/formats/decodeText';
import { cellFaultWords, previewResults, RESULTS_TABLE, resultCommands } from '@/core/exchange/formats/previewResults';
import type { Tester } from '@/core/job/records/tester';
import {
  guessResultColumns,
  RESULT_COLUMNS,
  type ResultColumn,
  type ResultColumnMap,
} from '@/core/trade/testing/resultColumns';
import { attempt } from '../kit/attempt';
import { Button } from '../kit/Button';
import { inputLook } from '../kit/Field';
import { keepMapping, keptMapping } from '../kit/keptMapping';
import { Sheet } from '../kit/Sheet';
import { newRowId } from '../kit/useRows';
import { actorHere } from '../session/actor';
import { tryFilesNow } from '../session/fileQueue';
import { useSession } from '../session/session';
import { toast } from '../session/toast';
import { addFile, dropFile } from '../session/waitingFiles';

type Given = { name: string; bytes: Uint8Array };
const SHOWN = 100;
const BECOMES = {
  new: { words: '+ new', look: 'text-good font-bold' },
  same: { words: '= known', look: 'text-soft' },
  'not taken': { words: '× not taken', look: 'text-wont font-bold' },
} as const;

/** A tester's file: say what its columns hold, see test by test what happens, then take it; the file is kept as it is. */
export function ImportResultsSheet({
  given,
  tester,
  onClose,
}: {
  given: Given;
  tester: Tester | null;
  onClose: () => void;
}) {
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title={`Test results from ${given.name}`}
      about="Nothing is taken before you say so. The file itself is kept with the job, as it is."
    >
      <Preview given={given} tester={tester} onClose={onClose} />
    </Sheet>
  );
}

function Preview({ given, tester, onClose }: { given: Given; tester: Tester | null; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const [fileId] = useState(() => newRowId('file'));
  const [chosen, setChosen] = useState<ResultColumnMap | null>(null);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const read = useMemo(() => attempt(() => readCsvTable(decodeText(given.bytes).text, RESULTS_TABLE)), [given]);
  const table = read.value;
  const kept = useMemo(() => (table ? keptMapping('results', table.header, RESULT_COLUMNS) : null), [table]);
  const map = chosen ?? kept ?? (table ? guessResultColumns(table.header) : []);
  const preview = useMemo(() => {
    if (!table) return null;
    let count = 0;
    const about = {
      testerId: tester?.id ?? null,
      tells: tester?.tells ?? ('continuity' as const),
      by: actorHere().name,
      file: fileId,
    };
    return previewResults(job, table, map, about, () => `${fileId.replace('file', 'result')}-${count++}`);
  }, [job, table, map, tester, fileId]);
  if (!table || !preview)
    return (
      <p role="alert" className="rounded border border-wont bg-wont/10 p-3 font-semibold text-wont">
        {read.words}
      </p>
    );
  const { counts, rows } = preview;
  const sweeps = rows.filter(({ becomes, values }) => becomes === 'new' && values.length > 0);
  const take = async () => {
    setBusy(true);
    setWrong(null);
    const file = {
      id: fileId,
      jobId: job.id,
      kind: 'tester' as const,
      about: tester?.id ?? '',
      name:
        given.name
          .replace(/[\p{Cc}/\\]/gu, ' ')
          .slice(0, 120)
          .trim() || 'results.csv',
      by: actorHere().name,
      at: Date.now(),
    };
    const values = sweeps.flatMap((row) => (row.result ? [{ resultId: row.result.id, values: row.values }] : []));
    try {
      // Kept on this device until the server has it: results are entered where there is no network, too.
      await addFile(file, { whole: new Uint8Array(given.bytes), small: null, values });
    } catch {
      setBusy(false);
      return setWrong('The browser has no space for this file. Nothing was imported.');
    }
    const commands = resultCommands(job, preview);
    if (commands.length > 0 && !dispatch(commands)) {
      await dropFile(fileId);
      return setBusy(false);
    }
    tryFilesNow();
    keepMapping('results', table.header, map);
    toast.success(`${counted(counts.new, 'result')} taken; the file is kept.`);
    onClose();
  };
  const faults = rows.flatMap(({ line, faults: all }) => all.map((fault) => cellFaultWords(line, fault)));
  return (
    <div className="grid gap-3">
      <p className="text-soft">
        {counted(table.rows.length, 'row')}.{' '}
        {table.above > 0 && `${counted(table.above, 'line')} above the header left out. `}
        {kept && !chosen && 'Columns as chosen for the last file of this shape. '}
        <b className="text-ink" data-testid="counts">
          {counts.new} new, {counts.same} known already, {counts['not taken']} not taken.
        </b>
      </p>
      <div className="relative max-h-[46vh] overflow-auto rounded border border-strong">
        <table className="narrow text-[13px]">
          <thead className="sticky top-0 z-10 bg-well">
            <tr>
              <th className="px-2 text-left">Row</th>
              <th className="px-2 text-left">Becomes</th>
              {table.header.map((heading, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: headings may repeat, their places do not move
                <th key={at} className="min-w-32 px-1 py-1 text-left font-semibold">
                  <span className="block truncate text-soft text-xs" title={heading}>
                    {heading || `column ${at + 1}`}
                  </span>
                  <select
                    aria-label={`Column ${heading || at + 1} holds`}
                    className={`${inputLook} px-1 py-0`}
                    value={map[at] ?? ''}
                    onChange={(event) => {
                      const column = (event.target.value || null) as ResultColumn | null;
                      setChosen(map.map((one, slot) => (slot === at ? column : one === column ? null : one)));
                    }}
                  >
                    <option value="">ignore this column</option>
                    {RESULT_COLUMNS.map((column) => (
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
            {rows.slice(0, SHOWN).map(({ line, becomes, values, faults: all }) => (
              <tr key={line} className="border-t align-top">
                <td className="px-2 py-0.5 font-mono text-xs">{line}</td>
                <td className={`whitespace-nowrap px-2 py-0.5 ${BECOMES[becomes].look}`}>
                  {BECOMES[becomes].words}
                  {values.length > 1 && <span className="font-normal text-soft"> · {values.length} values</span>}
                </td>
                {map.map((column, at) => (
                  <td
                    // biome-ignore lint/suspicious/noArrayIndexKey: cells stay in their columns
                    key={at}
                    className={`px-1 py-0.5 ${column === null ? 'text-soft line-through' : ''} ${all.some(({ field }) => field === column) ? 'bg-wont/15 font-semibold text-wont' : ''}`}
                  >
                    {table.rows.find((row) => row.line === line)?.cells[at]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length > SHOWN && <p className="text-soft">The first {SHOWN} tests are shown; the counts are of all.</p>}
      {faults.length > 0 && (
        <ul aria-label="What is not taken" className="max-h-40 overflow-auto text-[13px] text-wont">
          {faults.slice(0, 200).map((words) => (
            <li key={words}>{words}</li>
          ))}
          {faults.length > 200 && <li>and {faults.length - 200} more</li>}
        </ul>
      )}
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
      <div>
        <Button look="main" disabled={counts.new === 0 || busy} onClick={() => void take()}>
          {busy ? 'Taking …' : counts.new === 0 ? 'Nothing to take' : `Take ${counted(counts.new, 'result')}`}
        </Button>
      </div>
    </div>
  );
}
