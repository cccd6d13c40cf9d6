import { LockMode, raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Change } from '../core/job/change';
import { emptyJob, headOf, type Job, type JobHead } from '../core/job/job';
import type { JobListing } from '../core/job/jobListing';
import { type AnyRecord, REFERRING, rowsOf, TABLE_NAMES, type TableName, tableOf } from '../core/job/tables';
import { JobRow, RECORD_ENTITIES } from './entities';
import { readTables, writeRecords } from './tables';

/** More at once hold up whatever else the process has to do. */
const ROWS_AT_ONCE = 1000;

/** What a job is called, of which history it is and at which revision it stands; its records come apart. */
export type Head = JobHead & { history: string; revision: number; tip: string };

/**
 * Read a job's head; null when there is none, or when it was removed.
 * @param forChange take the job's lock, so that changes to one job wait for each other
 */
export async function readHead(em: EntityManager, id: string, forChange = false): Promise<Head | null> {
  const head = await em.findOne(
    JobRow,
    { id, removedAt: null },
    { disableIdentityMap: true, lockMode: forChange ? LockMode.PESSIMISTIC_WRITE : LockMode.NONE },
  );
  if (!head) return null;
  const { history, revision, tip } = head;
  return { ...headOf(head as unknown as JobHead), history, revision, tip };
}

/** Read all records of a job, in the same transaction as its head. */
export async function readJob(em: EntityManager, head: Head): Promise<Job> {
  const job = emptyJob(head);
  await readTables(em, job, TABLE_NAMES);
  return job;
}

async function countByJob(em: EntityManager, table: TableName) {
  const rows = await em
    .createQueryBuilder(RECORD_ENTITIES[table])
    .select(['jobId', raw('count(*)::int as count')] as never)
    .groupBy('jobId' as never)
    .execute<{ jobId: string; count: number }[]>();
  return new Map(rows.map((row) => [row.jobId, row.count]));
}

/** All jobs, last changed first, each with its cabinet and its counts. @param removed those in the bin instead */
export async function listJobs(em: EntityManager, removed = false): Promise<JobListing[]> {
  const heads = await em.find(
    JobRow,
    { removedAt: removed ? { $ne: null } : null },
    { orderBy: { updatedAt: 'desc', id: 'asc' }, disableIdentityMap: true },
  );
  const runs = await countByJob(em, 'runs');
  const landed = await countByJob(em, 'landings');
  const patched = await countByJob(em, 'cords');
  const listings: JobListing[] = [];
  for (const { updatedAt, ...head } of heads) {
    const { id, name } = head;
    const cabinet = emptyJob(head as unknown as JobHead);
    await readTables(em, cabinet, ['racks', 'gear', 'placements', 'testers', 'careItems']);
    listings.push({
      id,
      name,
      updatedAt: (updatedAt as Date).toISOString(),
      runs: runs.get(id) ?? 0,
      landed: landed.get(id) ?? 0,
      patched: patched.get(id) ?? 0,
      cabinet,
    });
  }
  return listings;
}

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
export async function insertJob(em: EntityManager, job: Job, history: string): Promise<void> {
  await em.insert(JobRow, { ...headOf(job), history, revision: 0, tip: '' });
  for (const table of TABLE_NAMES) await writeRows(em, table, Object.values(rowsOf(job, table)), job);
}

/** Set a job's head to what it is at a revision. */
export async function updateHead(em: EntityManager, job: Job, revision: number, tip: string): Promise<void> {
  const { id, ...head } = headOf(job);
  await em.nativeUpdate(JobRow, { id }, { ...head, revision, tip, updatedAt: new Date() });
}

export async function jobExists(em: EntityManager, id: string): Promise<boolean> {
  return (await em.count(JobRow, { id })) > 0;
}

/** Take a job off the list, or put it back. Its rows stay. @returns whether there is such a job */
export async function setRemoved(em: EntityManager, id: string, removed: boolean): Promise<boolean> {
  return (await em.nativeUpdate(JobRow, { id }, { removedAt: removed ? new Date() : null })) > 0;
}
