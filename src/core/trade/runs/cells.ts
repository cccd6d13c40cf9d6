import { expandLabels } from '../../base/text/labelPattern';
import { lengthToField, type Units } from '../../base/units/length';
import type { Command } from '../../job/commands/commands';
import type { RunChanges, RunEntry } from '../../job/commands/runs';
import type { Network } from '../../job/records/network';
import type { Run } from '../../job/records/run';
import { readRunRow } from './readRunRow';
import { columnInfo, lengthIn, RUN_COLUMNS, type RunColumn } from './runColumns';

/** Columns of the run schedule on the screen, in order, lengths in the job's units. */
export const scheduleColumns = (units: Units): RunColumn[] =>
  RUN_COLUMNS.filter((column) => lengthIn(column)?.unit !== (units === 'metric' ? 'ft' : 'm'));

/** What stands in a cell of the schedule, as a person would type it. */
export function cellText(run: Run, network: Network | null, column: RunColumn): string {
  const length = lengthIn(column);
  if (length) return lengthToField(run[length.field], length.unit === 'm' ? 'metric' : 'imperial');
  const { field } = columnInfo(column);
  if (field === 'networkId') return network?.name ?? '';
  const value = run[field];
  if (typeof value === 'boolean') return value ? 'yes' : '';
  return value === null ? '' : String(value);
}

export type CellsRead = { commands: Command[]; faults: string[] };

const isTable = (text: string) => /[\t\r\n]/.test(text);
const linesOf = (text: string) =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t'));

/**
 * Cells pasted from a sheet over the runs and columns that are shown from the chosen cell on: rows that are there are changed, rows beyond the last
 * are added where they bring a label. Cells that cannot be read are named and left as they are.
 * @returns null when the text is a single cell
 */
export function pasteCells(
  text: string,
  at: { runs: readonly Run[]; columns: readonly RunColumn[] },
  newId: () => string,
): CellsRead | null {
  if (!isTable(text)) return null;
  const { runs, columns } = at;
  const edits: { runId: string; changes: RunChanges }[] = [];
  const added: RunEntry[] = [];
  const faults: string[] = [];
  linesOf(text).forEach((cells, offset) => {
    const { fields, faults: wrong } = readRunRow(cells, columns.slice(0, Math.max(cells.length, 1)));
    for (const { field, found, expected } of wrong) {
      faults.push(`Line ${offset + 1}, ${field}: found “${found}”, expected ${expected}.`);
    }
    const run = runs[offset];
    if (run) {
      if (Object.keys(fields).length > 0) edits.push({ runId: run.id, changes: fields });
    } else if (fields.label) added.push({ ...fields, label: fields.label, id: newId() });
    else if (wrong.length === 0)
      faults.push(`Line ${offset + 1}: there is no run in that row, and no label to add one.`);
  });
  const commands: Command[] = [];
  if (edits.length > 0) commands.push({ type: 'editRuns', edits });
  if (added.length > 0) commands.push({ type: 'addRuns', runs: added });
  return { commands, faults };
}

/**
 * Runs typed into the entry row: one, as many as its pattern makes, or one a line of pasted labels, all with the same
 * other fields.
 * @param cells text of the entry row by column
 * @throws Refusal from the label pattern
 */
export function enterRuns(cells: Partial<Record<RunColumn, string>>, newId: () => string): CellsRead {
  const columns = (Object.keys(cells) as RunColumn[]).filter((column) => column !== 'label');
  const { fields, faults } = readRunRow(
    columns.map((column) => cells[column] ?? ''),
    columns,
  );
  const labels = (cells.label ?? '')
    .split(/[\r\n]+/)
    .map((line) => line.trim())
    .filter(Boolean)
    .flatMap(expandLabels);
  const words = faults.map(({ field, found, expected }) => `${field}: found “${found}”, expected ${expected}.`);
  if (labels.length === 0)
    words.push('label: found nothing, expected a label such as 07, or a pattern such as GF-{01..12}.');
  if (words.length > 0) return { commands: [], faults: words };
  return {
    commands: [{ type: 'addRuns', runs: labels.map((label) => ({ ...fields, label, id: newId() })) }],
    faults: [],
  };
}

/** One cell typed anew. */
export function editCell(run: Run, column: RunColumn, text: string): CellsRead {
  const { fields, faults } = readRunRow([text], [column]);
  const words = faults.map(
    ({ found, expected }) => `${column}: found ${found ? `“${found}”` : 'nothing'}, expected ${expected}.`,
  );
  return { commands: [{ type: 'editRuns', edits: [{ runId: run.id, changes: fields }] }], faults: words };
}
