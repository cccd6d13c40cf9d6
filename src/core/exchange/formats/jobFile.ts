import { z } from 'zod';
import { refuse } from '../../base/text/refusal';
import { emptyJob, type Job } from '../../job/document/job';
import { headOf, JobHead } from '../../job/document/jobHead';
import { sealJob } from '../../job/document/sealJob';
import { type AnyRecord, rowsOf, TABLE_NAMES, type TABLES, type TableName, tableOf } from '../../job/document/tables';
import { looseEnds } from '../../job/document/verify';
import { OLDEST_FORMAT, renewJobFile } from './renewJobFile';

export const JOB_FORMAT = 'good-shelf-job';
export const JOB_FORMAT_VERSION = 8;

const lists = Object.fromEntries(
  TABLE_NAMES.map((table) => [table, z.array(tableOf(table).schema).max(tableOf(table).atMost).default([])]),
) as { [T in TableName]: z.ZodDefault<z.ZodArray<(typeof TABLES)[T]['schema']>> };

/** A whole job in one file: its head and a list a table. Fields with a default may be left out. */
export const JobFile = z
  .strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.literal(JOB_FORMAT_VERSION),
    job: JobHead,
    ...lists,
  })
  .meta({ title: 'Good Shelf job', description: `One job of Good Shelf, format version ${JOB_FORMAT_VERSION}.` });

const MOST_ISSUES = 12;

/** `runs[3].lengthMm: expected at least 1`, at most a dozen of them. */
export function issueWords(error: z.ZodError): string[] {
  const words = error.issues.map(({ path, message }) => {
    const at = path.map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`)).join('');
    return `${at.replace(/^\./, '') || 'the file'}: ${message.replace(/^Invalid input: /, '')}`;
  });
  const more = words.length - MOST_ISSUES;
  return more > 0 ? [...words.slice(0, MOST_ISSUES), `and ${more} more`] : words;
}

/** Parse JSON, with a refusal in plain words when it is not. */
export function parseJson(text: string, what: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (fault) {
    return refuse('not-json', `${what} is not JSON: ${fault instanceof Error ? fault.message : 'it cannot be read'}.`);
  }
}

/**
 * Read a job from the text of its file, of this format version or an earlier one.
 * @returns the job, and in words what had to be changed of an old file
 * @throws Refusal naming the record and the field when something in it is not as the schema says
 */
export function openJobFile(text: string): { job: Job; notes: string[] } {
  const data = parseJson(text, 'The job file');
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(data);
  if (!head.success || head.data.format !== JOB_FORMAT) {
    refuse('not-a-job', `This is not a job of Good Shelf: expected "format": "${JOB_FORMAT}".`, 'format');
  }
  const { version } = head.data;
  if (typeof version !== 'number' || version < OLDEST_FORMAT || version > JOB_FORMAT_VERSION) {
    const found = JSON.stringify(version) ?? 'none';
    refuse(
      'format-version',
      `The file has format version ${found}; this program reads versions ${OLDEST_FORMAT} to ${JOB_FORMAT_VERSION}.`,
      'version',
    );
  }
  const notes = renewJobFile(head.data, Number(version));
  const checked = JobFile.safeParse({ ...head.data, version: JOB_FORMAT_VERSION });
  if (!checked.success)
    return refuse('not-a-job', `The job file is not as its schema says. ${issueWords(checked.error).join('; ')}.`);
  const { format: _, version: __, job: jobHead, ...rows } = checked.data;
  const job = emptyJob(jobHead);
  for (const table of TABLE_NAMES) {
    const records = rowsOf(job, table);
    (rows[table] as AnyRecord[]).forEach((row, at) => {
      if (records[row.id]) refuse('id-twice', `${table}[${at}].id: the id ${row.id} stands twice.`, `${table}[${at}]`);
      records[row.id] = row;
    });
  }
  const loose = looseEnds(job);
  if (loose.length > 0)
    refuse('loose-ends', `The job does not hold together. ${loose.slice(0, MOST_ISSUES).join('; ')}.`);
  return { job: sealJob(job), notes };
}

/** Read a job from the text of its file. @throws Refusal naming the record and the field */
export const readJobFile = (text: string): Job => openJobFile(text).job;

/** The text of a job's file. Lists are in order of id, so that equal jobs give equal files. */
export function writeJobFile(job: Job): string {
  const lists = TABLE_NAMES.map((table) => [
    table,
    Object.values<{ id: string }>(job[table]).sort((a, b) => (a.id < b.id ? -1 : 1)),
  ]);
  const file = {
    format: JOB_FORMAT,
    version: JOB_FORMAT_VERSION,
    job: headOf(job),
    ...Object.fromEntries(lists),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** JSON Schema (draft 2020-12) of what `readJobFile` takes. */
export const jobFileSchema = () => z.toJSONSchema(JobFile, { io: 'input' });
