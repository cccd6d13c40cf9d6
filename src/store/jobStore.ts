import type { EntityManager } from '@mikro-orm/postgresql';
import type { Change } from '../core/job/document/change';
import { emptyJob, type Job } from '../core/job/document/job';
import { headOf, type JobHead } from '../core/job/document/jobHead';
import {
  type CareDue,
  JOBS_A_PAGE,
  type JobHit,
  type JobPage,
  type JobState,
  type JobsAsked,
  type ListedJob,
  type RemovedJob,
} from '../core/job/document/jobListing';
import type { Actor } from '../core/job/document/step';
import { type AnyRecord, REFERRING, rowsOf, TABLE_NAMES, type TableName, tableOf } from '../core/job/document/tables';
import { JobRow, RECORD_ENTITIES } from './entities';
import { changeRows } from './runSql';
import { REVERSALS, type Reversals } from './steps';
import { readTables, readTablesOfMany, writeRecords } from './tables';
import { keepUpgradesAway, MIGRATING } from './upgrading';

/** More at once hold up whatever else the process has to do. */
const ROWS_AT_ONCE = 1000;

/** What a job is called, of which history it is and at which revision it stands; its records come apart. */
export type Head = JobHead & { history: string; revision: number; tip: string };

/**
 * Read a job's head; null when there is none, or when it was removed.
 * @param forChange take the job's lock, so that changes to one job wait for each other
 */
/** @param forChange nobody else changes it, and nobody upgrades the database, until the transaction ends */
export async function readHead(em: EntityManager, id: string, forChange = false): Promise<Head | null> {
  // In plain SQL: nearly every request asks it, and the ORM's way to it costs more than the question.
  const [head] = await em.execute<Head[]>(
    `${HEAD}${forChange ? ', pg_advisory_xact_lock_shared(?)::text as held' : ''} from job where id = ? and removed_at is null${forChange ? ' for update' : ''}`,
    forChange ? [MIGRATING, id] : [id],
  );
  if (!head) return null;
  const { held: _, ...rest } = head as Head & { held?: string };
  return rest;
}

const HEAD = 'select id, name, units, rules, country, history, revision, tip';

/** Where a job stands, and what a person's next undo and redo in it are called: in one question, which sees one moment. */
export async function readStanding(
  em: EntityManager,
  id: string,
  actor: Actor,
): Promise<{ head: Head; reversals: Reversals } | null> {
  const [row] = await em.execute<(Head & Reversals)[]>(
    `${HEAD}, ${REVERSALS} from job where job.id = ? and removed_at is null`,
    [actor.id, actor.id, id],
  );
  if (!row) return null;
  const { undo, redo, ...head } = row;
  return { head, reversals: { undo, redo } };
}

/** Read all records of a job, in the same transaction as its head. */
export async function readJob(em: EntityManager, head: Head): Promise<Job> {
  const job = emptyJob(head);
  await readTables(em, job, TABLE_NAMES);
  return job;
}

/** Shorter than this an index of groups of three letters knows nothing. */
const INDEXED_LETTERS = 3;
/** As the indexes of the migration have it, letter for letter. */
const RUN_WORDS = `(label || E'\\n' || room || E'\\n' || outlet || E'\\n' || device)`;

/**
 * Tests, each of which takes the words once, and the words as they take them. Letters of all languages are made small, whatever
 * the database was set up for. Words of three letters and more are looked up in an index; of shorter ones all is read, and where
 * they are plain ASCII the plain way tells the same, and is five times as quick.
 */
function searchFor(words: string) {
  const indexed = words.length >= INDEXED_LETTERS;
  const letters = indexed || !/^\p{ASCII}*$/u.test(words) ? 'und-x-icu' : 'C';
  const small = (text: string) => `lower(${text} collate "${letters}")`;
  const has = (text: string) =>
    indexed ? `${small(text)} like '%' || ${small('?')} || '%'` : `strpos(${small(text)}, ${small('?')}) > 0`;
  const name = has('job.name');
  const run = has(RUN_WORDS);
  const gear = has('name');
  const client = `role = 'client' and ${has('name')}`;
  const any = `(${name} or job.id in (select job_id from contact where ${client}) or job.id in (select job_id from run where ${run}) or job.id in (select job_id from gear where ${gear}))`;
  return { name, run, gear, client, any, given: indexed ? words.replaceAll(/[\\%_]/g, '\\$&') : words };
}

type FoundRow = JobHead & {
  history: string;
  revision: number;
  tip: string;
  updatedAt: string;
  care: CareDue[] | null;
  inName: boolean;
  run: { label: string; at: string[] } | null;
  gear: string | null;
  client: string | null;
  state: JobState;
  count: number;
};

function hitOf({ inName, run, gear, client }: FoundRow): JobHit | null {
  if (inName) return null;
  if (client !== null) return { client };
  if (run) return { run: run.label, at: run.at.filter((one) => one !== '') };
  return gear === null ? null : { gear };
}

const has = (table: string) => `exists (select from ${table} where ${table}.job_id = job.id)`;
/** How far a job has come: the first of these that is so. */
const STATE = `case when ${has('acceptance')} then 'accepted' when ${has('result')} then 'proving'
  when ${has('tick')} then 'building' when ${has('landing')} then 'planned' else 'begun' end`;

/** Whose jobs: of a firm, and those that an account is a guest in; null: all. */
export type Scope = { firmId: string | null; accountId: string } | null;

/** A test of a job, with its values. */
const within = (scope: Scope): [string, string[]] =>
  scope === null
    ? ['true', []]
    : [
        '(firm_id = ? or job.id in (select job_id from guest where account_id = ?))',
        [scope.firmId ?? '', scope.accountId],
      ];

/** Jobs of which it was not worked out since they changed what is to be looked after in them; of those with nothing it is written down. */
export async function careUnknown(em: EntityManager, scope: Scope): Promise<Head[]> {
  const [theirs, whose] = within(scope);
  const some = `(${has('care_item')} or ${has('tester')}
    or exists (select from gear where gear.job_id = job.id and battery is not null))`;
  const unknown = `removed_at is null and care is null and ${theirs}`;
  await em.execute(`update job set care = '[]' where ${unknown} and not ${some}`, whose);
  return em.execute<Head[]>(`${HEAD} from job where ${unknown}`, whose);
}

/** Write down what is to be looked after in a job as it stands at a head; not where it changed meanwhile. */
export const writeCare = (em: EntityManager, { id, history, revision }: Head, care: readonly CareDue[]) =>
  changeRows(em, 'update job set care = ?::jsonb where id = ? and history = ? and revision = ?', [
    JSON.stringify(care),
    id,
    history,
    revision,
  ]);

/**
 * A page of the jobs, last changed first.
 * @param asked words that stand in the name, in that of the client, in the label, room, outlet or device of a run, or in the
 *   name of gear; a page beyond the last one is the last one
 * @param today what is due before it is overdue
 */
export async function listJobs(
  em: EntityManager,
  { words, state, since, overdue, page: asked }: JobsAsked,
  scope: Scope,
  today: string,
): Promise<Omit<JobPage, 'jobs'> & { jobs: ListedJob[] }> {
  const tests: [string, unknown[]][] = [within(scope)];
  if (state !== '') tests.push([`${STATE} = ?`, [state]]);
  if (since !== '') tests.push(['updated_at >= ?::date', [since]]);
  if (overdue !== '') tests.push([`care->0->>'due' < ?`, [today]]);
  const theirs = tests.map(([test]) => test).join(' and ');
  const whose = tests.flatMap(([, values]) => values);
  const { given, ...has } = searchFor(words);
  const sought = words !== '';
  const rows = await em.execute<FoundRow[]>(
    `with found as materialized (
        select id, updated_at from job where removed_at is null and ${theirs}${sought ? ` and ${has.any}` : ''}),
      shown as (select id from found order by updated_at desc, id limit ?
        offset least(?, greatest(0, (select count(*) from found) - 1) / ? * ?))
      select id, name, units, rules, country, history, revision, tip, care, updated_at as "updatedAt", (select count(*)::int from found) as count,
        ${has.name} as "inName",
        (select json_build_object('label', label, 'at', json_build_array(room, outlet, device))
          from run where job_id = job.id and ${has.run} order by label limit 1) as run,
        (select name from gear where job_id = job.id and ${has.gear} order by name limit 1) as gear,
        (select name from contact where job_id = job.id and ${has.client} order by name limit 1) as client,
        ${STATE} as state
      from job where id in (select id from shown) order by updated_at desc, id`,
    [
      ...whose,
      ...(sought ? [given, given, given, given] : []),
      ...[JOBS_A_PAGE, (asked - 1) * JOBS_A_PAGE, JOBS_A_PAGE, JOBS_A_PAGE],
      ...[given, given, given, given],
    ],
  );
  const count = rows[0]?.count ?? 0;
  const pages = Math.max(1, Math.ceil(count / JOBS_A_PAGE));
  const jobs = rows.map((row): ListedJob => {
    const { history, revision, tip, care, updatedAt, state } = row;
    const when = new Date(updatedAt).toISOString();
    return { ...headOf(row), history, revision, tip, care, updatedAt: when, state, hit: sought ? hitOf(row) : null };
  });
  return { jobs, count, page: Math.min(asked, pages), pages };
}

/** What a cabinet is. */
export const CABINET_TABLES = ['racks', 'gear', 'placements'] as const;

/** A job without all but its cabinet, and how much else it has. */
export type Cabinet = { cabinet: Job; runs: number; landed: number; patched: number };

/** A patch cord goes from a panel to a switch or router, whichever of its ends is which. */
const endIs = (end: 'from' | 'to', kinds: string): string =>
  `exists (select 1 from gear where gear.job_id = cord.job_id and gear.id = cord.${end}_id and gear.kind in (${kinds}))`;
const SWITCHING = `'switch', 'router'`;
const COUNTED = {
  runs: 'run where job_id = job.id',
  landed: 'landing where job_id = job.id',
  patched: `cord where job_id = job.id and from_side = 'front' and to_side = 'front'
    and ((${endIs('from', `'panel'`)} and ${endIs('to', SWITCHING)}) or (${endIs('to', `'panel'`)} and ${endIs('from', SWITCHING)}))`,
};

/** Cabinets of jobs, and how much else they have, in one question. */
export async function readCabinets(em: EntityManager, heads: readonly JobHead[]): Promise<Cabinet[]> {
  const cabinets = heads.map((head) => emptyJob(headOf(head)));
  const counts = await readTablesOfMany(em, cabinets, CABINET_TABLES, COUNTED);
  return cabinets.map((cabinet) => {
    const { runs = 0, landed = 0, patched = 0 } = counts.get(cabinet.id) ?? {};
    return { cabinet, runs, landed, patched };
  });
}

/** The jobs in the bin, last removed first. */
export async function listRemoved(em: EntityManager, scope: Scope = null): Promise<RemovedJob[]> {
  const [theirs, whose] = within(scope);
  const rows = await em.execute<{ id: string; name: string; removedAt: string }[]>(
    `select id, name, removed_at as "removedAt" from job where removed_at is not null and ${theirs}
      order by removed_at desc, id`,
    whose,
  );
  return rows.map(({ id, name, removedAt }) => ({ id, name, removedAt: new Date(removedAt).toISOString() }));
}

/** What lay in the bin for so long is gone for good, with all that belongs to it. @returns how many there were */
export const emptyBin = (em: EntityManager, days: number): Promise<number> =>
  changeRows(em, 'delete from job where removed_at < now() - make_interval(days => ?)', [days]);

/** Ids of the rows to write, by table: those that changed, and those with a column that follows from one that changed. */
function rowsToWrite(after: Job, changes: readonly Change[]): Map<TableName, Set<string>> {
  const touched = new Map<TableName, Set<string>>();
  const touch = (table: TableName, id: string) => {
    const ids = touched.get(table);
    if (ids) ids.add(id);
    else touched.set(table, new Set([id]));
  };
  for (const { table, id } of changes) if (table !== null) touch(table, id);
  for (const [table, ids] of [...touched]) {
    for (const { table: from, field } of REFERRING[table]) {
      if (!tableOf(from).derived) continue;
      for (const row of Object.values(rowsOf(after, from))) if (ids.has(String(row[field]))) touch(from, row.id);
    }
  }
  return touched;
}

/** Write the rows that a change touches, and nothing else. */
export async function writeChanges(em: EntityManager, after: Job, changes: readonly Change[]): Promise<void> {
  const touched = rowsToWrite(after, changes);
  for (const table of TABLE_NAMES) {
    const ids = [...(touched.get(table) ?? [])];
    const is = rowsOf(after, table);
    const entity = RECORD_ENTITIES[table];
    const gone = ids.filter((id) => !is[id]);
    if (gone.length > 0) await em.nativeDelete(entity, { jobId: after.id, id: { $in: gone } });
    await writeRows(
      em,
      table,
      ids.flatMap((id) => is[id] ?? []),
      after,
    );
  }
}

async function writeRows(em: EntityManager, table: TableName, records: AnyRecord[], job: Job): Promise<void> {
  for (let at = 0; at < records.length; at += ROWS_AT_ONCE)
    await writeRecords(em, table, records.slice(at, at + ROWS_AT_ONCE), job);
}

/** Keep a new job at revision 0 of a history of its own. */
export async function insertJob(
  em: EntityManager,
  job: Job,
  { history, firmId }: { history: string; firmId: string | null },
): Promise<void> {
  await keepUpgradesAway(em);
  await em.insert(JobRow, { ...headOf(job), history, firmId, revision: 0, tip: '' });
  for (const table of TABLE_NAMES) await writeRows(em, table, Object.values(rowsOf(job, table)), job);
}

/** Set a job's head to what it is at a revision. */
/** Ids of all jobs in a scope, those in the bin left out. */
export async function jobIds(em: EntityManager, scope: Scope): Promise<string[]> {
  const [theirs, whose] = within(scope);
  const rows = await em.execute<{ id: string }[]>(
    `select id from job where removed_at is null and ${theirs} order by id`,
    whose,
  );
  return rows.map(({ id }) => id);
}

/** How many jobs a firm has, those in the bin among them. */
export async function countJobs(em: EntityManager, firmId: string): Promise<number> {
  return em.count(JobRow, { firmId });
}

export async function jobExists(em: EntityManager, id: string): Promise<boolean> {
  return (await em.count(JobRow, { id })) > 0;
}

/** Take a job off the list, or put it back. Its rows stay. @returns whether there is such a job */
export async function setRemoved(em: EntityManager, id: string, removed: boolean): Promise<boolean> {
  return (await em.nativeUpdate(JobRow, { id }, { removedAt: removed ? new Date() : null })) > 0;
}
