import { LockMode, raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { emptyJob, type Job, TABLE_NAMES, type TableName } from '../core/job/job';
import type { JobListing } from '../core/job/jobListing';
import { CordRow, JobRow, LandingRow, RunRow } from './entities';
import { readRecords, STORED, toRow } from './tables';

const ROWS_AT_ONCE = 1000;

async function readTables(em: EntityManager, job: Job, tables: readonly TableName[]): Promise<void> {
  for (const table of tables) {
    const records: Record<string, unknown> = job[table];
    for (const record of await readRecords(em, table, job.id)) records[record.id] = record;
  }
}

/** What a job is called and at which revision it stands; its records come apart. */
export type Head = Pick<Job, 'id' | 'name' | 'units'> & { revision: number };

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
  return head && { id: head.id, name: head.name, units: head.units as Job['units'], revision: head.revision };
}

/** Read all records of a job, in the same transaction as its head. */
export async function readJob(em: EntityManager, { id, name, units }: Head): Promise<Job> {
  const job = emptyJob({ id, name, units });
  await readTables(em, job, TABLE_NAMES);
  return job;
}

async function countByJob(em: EntityManager, entity: typeof RunRow | typeof LandingRow | typeof CordRow) {
  const rows = await em
    .createQueryBuilder(entity as typeof RunRow)
    .select(['jobId', raw('count(*)::int as count')])
    .groupBy('jobId')
    .execute<{ jobId: string; count: number }[]>();
  return new Map(rows.map((row) => [row.jobId, row.count]));
}

/** All jobs, last changed first, each with its cabinet and its counts. */
export async function listJobs(em: EntityManager): Promise<JobListing[]> {
  const heads = await em.find(
    JobRow,
    { removedAt: null },
    { orderBy: { updatedAt: 'desc', id: 'asc' }, disableIdentityMap: true },
  );
  const runs = await countByJob(em, RunRow);
  const landed = await countByJob(em, LandingRow);
  const patched = await countByJob(em, CordRow);
  const listings: JobListing[] = [];
  for (const { id, name, units, updatedAt } of heads) {
    const cabinet = emptyJob({ id, name, units: units as Job['units'] });
    await readTables(em, cabinet, ['racks', 'gear', 'placements']);
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

/** Write what differs between two versions of a job, and nothing else. The versions share the records that are alike. */
export async function writeChanges(em: EntityManager, before: Job, after: Job): Promise<void> {
  for (const table of TABLE_NAMES) await writeTable(em, table, before, after);
}

async function writeTable<T extends TableName>(em: EntityManager, table: T, before: Job, after: Job): Promise<void> {
  const [was, is] = [before[table], after[table]];
  // A placement's row holds the height of its gear, so that it also changes with the gear.
  const gearChanged = table === 'placements' && before.gear !== after.gear;
  if (was === is && !gearChanged) return;
  const { entity } = STORED[table];
  const gone = Object.keys(was).filter((id) => !is[id]);
  if (gone.length > 0) await em.nativeDelete(entity, { jobId: after.id, id: { $in: gone } });
  const changed = Object.values(is).filter((record) => was[record.id] !== record || gearChanged);
  for (let at = 0; at < changed.length; at += ROWS_AT_ONCE) {
    const rows = changed.slice(at, at + ROWS_AT_ONCE).map((record) => toRow(table, record, after));
    await em.createQueryBuilder(entity).insert(rows).onConflict(['job_id', 'id']).merge().execute();
  }
}

/** Keep a new job at revision 0. */
export async function insertJob(em: EntityManager, job: Job): Promise<void> {
  await em.insert(JobRow, { id: job.id, name: job.name, units: job.units, revision: 0 });
  await writeChanges(em, emptyJob(job), job);
}

/** Set a job's head to what it is at a revision. */
export async function updateHead(em: EntityManager, job: Job, revision: number): Promise<void> {
  await em.nativeUpdate(JobRow, { id: job.id }, { name: job.name, units: job.units, revision, updatedAt: new Date() });
}

export async function jobExists(em: EntityManager, id: string): Promise<boolean> {
  return (await em.count(JobRow, { id })) > 0;
}

/** Take a job off the list, or put it back. Its rows stay. @returns whether there is such a job */
export async function setRemoved(em: EntityManager, id: string, removed: boolean): Promise<boolean> {
  return (await em.nativeUpdate(JobRow, { id }, { removedAt: removed ? new Date() : null })) > 0;
}
