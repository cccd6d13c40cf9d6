import { formatMass } from '../../base/units/force';
import { formatLength, formatSize } from '../../base/units/length';
import { type Change, isComing, isFieldChange } from './change';
import type { Job } from './job';
import { type AnyRecord, rowsOf, type TableName, tableOf } from './tables';

/** `outletHeightMm` as a person says it: outlet height. */
function fieldName(field: string): string {
  return field
    .replace(/(Mm2|Mm|Kg|W|Mbps|DbA|Id|Minor|Awg|N|U)$/, '')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase();
}

/** What a record is called among all of its job. */
function recordName(job: Job, table: TableName, record: AnyRecord | undefined): string {
  if (!record) return '';
  const { title, refers } = tableOf(table);
  const own = title(record);
  if (own) return own;
  // One without a name of its own is known by what it is about.
  return refers
    .map(({ field, to, numbered }) =>
      [nameOf(job, to, record[field]), numbered && record[numbered]].filter(Boolean).join(' '),
    )
    .filter(Boolean)
    .join(', ');
}

function nameOf(job: Job, table: TableName, id: unknown): string {
  const record = rowsOf(job, table)[String(id)];
  return record ? recordName(job, table, record) || String(id) : id === null ? '' : String(id);
}

const LISTED = 3;

function valueWords(job: Job, table: TableName | null, field: string, value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const refers = table === null ? undefined : tableOf(table).refers.find((one) => one.field === field);
  if (refers) return nameOf(job, refers.to, value);
  if (typeof value === 'number') {
    if (field === 'lengthMm' || field === 'tailMm' || field === 'leftMm') return formatLength(value, job.units);
    if (field.endsWith('Mm')) return formatSize(value, job.units);
    if (field.endsWith('Kg')) return formatMass(value, job.units);
    if (field.endsWith('W')) return `${value} W`;
    if (field.endsWith('Mbps')) return `${value} Mb/s`;
    return String(value);
  }
  if (Array.isArray(value)) {
    const plain = value.every((one) => typeof one !== 'object');
    if (!plain) return `${value.length} of them`;
    const shown = value.slice(0, LISTED).join(', ');
    return value.length > LISTED ? `${shown} and ${value.length - LISTED} more` : shown || 'none';
  }
  return `“${value}”`;
}

/**
 * A change in one line: what it is about, and what it was and is.
 * @param job in which names are looked up; the version on either side of the change will do
 */
export function changeLine(job: Job, change: Change): string {
  if (change.table === null) {
    const { field, was, is } = change as Extract<Change, { field: string }>;
    return `The job: ${fieldName(field)} ${valueWords(job, null, field, was)} → ${valueWords(job, null, field, is)}`;
  }
  const { table, id } = change;
  const { one } = tableOf(table);
  if (!isFieldChange(change)) {
    const [record, verb] = isComing(change) ? [change.is, 'added'] : [(change as { was: AnyRecord }).was, 'removed'];
    return `${[one, recordName(job, table, record)].filter(Boolean).join(' ')} ${verb}`;
  }
  const { field, was, is } = change;
  const name = recordName(job, table, rowsOf(job, table)[id]);
  const about = [one, name].filter(Boolean).join(' ');
  return `${about}: ${fieldName(field)} ${valueWords(job, table, field, was)} → ${valueWords(job, table, field, is)}`;
}
