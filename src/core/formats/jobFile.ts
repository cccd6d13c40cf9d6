import { z } from 'zod';
import { looseEnds } from '../job/clashes';
import { emptyJob, type Job, JobHead, TABLE_NAMES, TABLES } from '../job/job';
import { refuse } from '../job/refusal';
import { sealJob } from '../job/sealJob';

export const JOB_FORMAT = 'good-shelf-job';
export const JOB_FORMAT_VERSION = 1;

/** A whole job in one file: its head and a list a table. Fields with a default may be left out. */
export const JobFile = z
  .strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.literal(JOB_FORMAT_VERSION),
    job: JobHead,
    racks: z.array(TABLES.racks).max(50).default([]),
    gear: z.array(TABLES.gear).max(2000).default([]),
    placements: z.array(TABLES.placements).max(2000).default([]),
    networks: z.array(TABLES.networks).max(500).default([]),
    runs: z.array(TABLES.runs).max(20_000).default([]),
    landings: z.array(TABLES.landings).max(20_000).default([]),
    cords: z.array(TABLES.cords).max(20_000).default([]),
    floors: z.array(TABLES.floors).max(200).default([]),
    rooms: z.array(TABLES.rooms).max(5000).default([]),
    places: z.array(TABLES.places).max(20_000).default([]),
    wishes: z.array(TABLES.wishes).max(20_000).default([]),
    answers: z.array(TABLES.answers).max(500).default([]),
    openPoints: z.array(TABLES.openPoints).max(5000).default([]),
    cableKinds: z.array(TABLES.cableKinds).max(500).default([]),
    boxes: z.array(TABLES.boxes).max(5000).default([]),
    cuts: z.array(TABLES.cuts).max(20_000).default([]),
    pathways: z.array(TABLES.pathways).max(2000).default([]),
    passages: z.array(TABLES.passages).max(50_000).default([]),
    jacks: z.array(TABLES.jacks).max(20_000).default([]),
    tones: z.array(TABLES.tones).max(50_000).default([]),
    shelvings: z.array(TABLES.shelvings).max(2000).default([]),
    neighbours: z.array(TABLES.neighbours).max(2000).default([]),
    mounts: z.array(TABLES.mounts).max(50).default([]),
    allowances: z.array(TABLES.allowances).max(5000).default([]),
    portNetworks: z.array(TABLES.portNetworks).max(20_000).default([]),
    uplinks: z.array(TABLES.uplinks).max(1000).default([]),
    terminations: z.array(TABLES.terminations).max(40_000).default([]),
  })
  .meta({ title: 'Good Shelf job', description: 'One job of Good Shelf, format version 1.' });
export type JobFile = z.infer<typeof JobFile>;

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
 * Read a job from the text of its file.
 * @throws Refusal naming the record and the field when something in it is not as the schema says
 */
export function readJobFile(text: string): Job {
  const data = parseJson(text, 'The job file');
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(data);
  if (!head.success || head.data.format !== JOB_FORMAT) {
    refuse('not-a-job', `This is not a job of Good Shelf: expected "format": "${JOB_FORMAT}".`, 'format');
  }
  if (head.data.version !== JOB_FORMAT_VERSION) {
    const found = JSON.stringify(head.data.version) ?? 'none';
    refuse(
      'format-version',
      `The file has format version ${found}; this program reads version ${JOB_FORMAT_VERSION}.`,
      'version',
    );
  }
  const checked = JobFile.safeParse(data);
  if (!checked.success)
    return refuse('not-a-job', `The job file is not as its schema says. ${issueWords(checked.error).join('; ')}.`);
  const { format: _, version: __, job: jobHead, ...lists } = checked.data;
  const job = emptyJob(jobHead);
  for (const table of TABLE_NAMES) {
    const rows: Record<string, unknown> = job[table];
    lists[table].forEach((row, at) => {
      if (rows[row.id]) refuse('id-twice', `${table}[${at}].id: the id ${row.id} stands twice.`, `${table}[${at}]`);
      rows[row.id] = row;
    });
  }
  const loose = looseEnds(job);
  if (loose.length > 0)
    refuse('loose-ends', `The job does not hold together. ${loose.slice(0, MOST_ISSUES).join('; ')}.`);
  return sealJob(job);
}

/** The text of a job's file. Lists are in order of id, so that equal jobs give equal files. */
export function writeJobFile(job: Job): string {
  const { id, name, units } = job;
  const lists = TABLE_NAMES.map((table) => [
    table,
    Object.values<{ id: string }>(job[table]).sort((a, b) => (a.id < b.id ? -1 : 1)),
  ]);
  const file = {
    format: JOB_FORMAT,
    version: JOB_FORMAT_VERSION,
    job: { id, name, units },
    ...Object.fromEntries(lists),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** JSON Schema (draft 2020-12) of what `readJobFile` takes. */
export const jobFileSchema = () => z.toJSONSchema(JobFile, { io: 'input' });
