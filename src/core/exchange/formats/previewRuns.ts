import { plainCell } from '../../base/text/csvCell';
import { formatLength, type Units } from '../../base/units/length';
import type { Command } from '../../job/commands/commands';
import type { RunChanges, RunEntry } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import type { Run } from '../../job/records/run';
import { type RowFault, readRunRow } from '../../trade/runs/readRunRow';
import type { ColumnMap } from '../../trade/runs/runColumns';
import type { CsvTable } from './csvTable';

export type PreviewRow = {
  /** Row of the sheet, the header being row 1. */
  line: number;
  fields: RunChanges;
  faults: RowFault[];
  /** What taking the row does. Rows with faults are not taken. */
  becomes: 'new' | 'changed' | 'same' | 'not taken';
  /** For a known label: each field that changes, as it is and as it will be. */
  differences: { field: string; was: string; will: string }[];
  /** It had no label, and was given one. */
  tagged: boolean;
};

export type RunsPreview = { rows: PreviewRow[]; counts: Record<PreviewRow['becomes'], number> };

/** A value as a person reads it: lengths with their unit, yes and no. */
function show(field: keyof RunChanges, value: unknown, units: Units): string {
  if (value === null || value === undefined) return '';
  if (field.endsWith('Mm')) return formatLength(Number(value), units);
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);
}

function fieldOf(job: Job, run: Run, field: keyof RunChanges): unknown {
  if (field === 'network') return run.networkId === null ? '' : (job.networks[run.networkId]?.name ?? '');
  return run[field];
}

function differencesFrom(job: Job, run: Run, fields: RunChanges): PreviewRow['differences'] {
  return (Object.keys(fields) as (keyof RunChanges)[]).flatMap((field) => {
    const [was, will] = [fieldOf(job, run, field), fields[field]];
    const same = field === 'network' ? sameKey(String(was)) === sameKey(String(will)) : was === will;
    if (same || field === 'label') return [];
    return [{ field, was: show(field, was, job.units), will: show(field, will, job.units) }];
  });
}

/** A row that has one of these is a run, also without a label; one that has none is a total or a remark. */
const TELLING = ['room', 'outlet', 'cable', 'device', 'tailMm'] as const;

const labelOf = (cells: readonly string[], map: ColumnMap): string => {
  const at = map.indexOf('label');
  return at < 0 ? '' : plainCell(cells[at] ?? '').trim();
};

/** Labels for rows that have none: X01, X02 …, without those that the job or the table has. */
function* freeTags(job: Job, table: CsvTable, map: ColumnMap): Generator<string, string> {
  const taken = new Set([
    ...indexJob(job).runByLabel.keys(),
    ...table.rows.map(({ cells }) => sameKey(labelOf(cells, map))),
  ]);
  for (let count = 1; ; count++) {
    const tag = `X${String(count).padStart(2, '0')}`;
    if (!taken.has(sameKey(tag))) yield tag;
  }
}

/**
 * What each row of a table would become in a job. Never throws on content: whatever is wrong stands with its row. A row
 * without a label is given one, as is every row where no column holds it.
 */
export function previewRuns(job: Job, table: CsvTable, map: ColumnMap): RunsPreview {
  const { runByLabel } = indexJob(job);
  const firstLine = new Map<string, number>();
  const tags = freeTags(job, table, map);
  const counts = { new: 0, changed: 0, same: 0, 'not taken': 0 };
  const rows = table.rows.map(({ line, cells }): PreviewRow => {
    const read = readRunRow(cells, map);
    const { fields } = read;
    const bare = labelOf(cells, map) === '';
    const tagged = bare && TELLING.some((field) => fields[field]);
    const faults = bare ? read.faults.filter((fault) => fault.field !== 'label') : read.faults;
    if (tagged) fields.label = tags.next().value;
    else if (bare)
      faults.push({ field: 'label', found: '', expected: 'a label, or a room, outlet, cable, device or tail' });
    const key = sameKey(fields.label ?? '');
    if (key !== '') {
      const before = firstLine.get(key);
      if (before === undefined) firstLine.set(key, line);
      else
        faults.push({
          field: 'label',
          found: fields.label ?? '',
          expected: `a label of its own; row ${before} has this one`,
        });
    }
    const run = runByLabel.get(key);
    const differences = run ? differencesFrom(job, run, fields) : [];
    const becomes = faults.length > 0 ? 'not taken' : !run ? 'new' : differences.length > 0 ? 'changed' : 'same';
    counts[becomes] += 1;
    return { line, fields, faults, becomes, differences, tagged };
  });
  return { rows, counts };
}

/** One command that takes the rows without faults that change anything; null when none does. */
export function importCommand(
  preview: RunsPreview,
  newId: () => string,
): Extract<Command, { type: 'importRuns' }> | null {
  const rows = preview.rows.flatMap(({ becomes, fields }): RunEntry[] => {
    if ((becomes !== 'new' && becomes !== 'changed') || fields.label === undefined) return [];
    return [{ ...fields, label: fields.label, id: newId() }];
  });
  return rows.length === 0 ? null : { type: 'importRuns', rows };
}

/** `Row 7, length_m: found “-3”, expected a length above 0.` */
export const faultWords = (line: number, { field, found, expected }: RowFault): string =>
  `Row ${line}${field === 'row' ? '' : `, ${field}`}: found ${found === '' ? 'nothing' : `“${found}”`}, expected ${expected}.`;
