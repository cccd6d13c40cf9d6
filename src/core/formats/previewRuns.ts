import type { Command } from '../commands/commands';
import type { RunChanges, RunEntry } from '../commands/runs';
import type { Job } from '../job/job';
import { indexJob, sameKey } from '../job/jobIndex';
import type { Run } from '../records/run';
import { type RowFault, readRunRow } from '../runs/readRunRow';
import type { ColumnMap } from '../runs/runColumns';
import { refuse } from '../text/refusal';
import { formatLength, type Units } from '../units/length';
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

/**
 * What each row of a table would become in a job. Never throws on content: whatever is wrong stands with its row.
 * @throws Refusal when no column holds the label
 */
export function previewRuns(job: Job, table: CsvTable, map: ColumnMap): RunsPreview {
  if (!map.includes('label')) refuse('no-label-column', 'No column holds the label: choose which one does.', 'row 1');
  const { runByLabel } = indexJob(job);
  const firstLine = new Map<string, number>();
  const counts = { new: 0, changed: 0, same: 0, 'not taken': 0 };
  const rows = table.rows.map(({ line, cells }): PreviewRow => {
    const { fields, faults } = readRunRow(cells, map);
    const key = sameKey(fields.label ?? '');
    if (fields.label === undefined && !faults.some((fault) => fault.field === 'label')) {
      faults.push({ field: 'label', found: '', expected: 'a label' });
    }
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
    return { line, fields, faults, becomes, differences };
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
