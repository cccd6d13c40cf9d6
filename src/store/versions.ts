import type { EntityManager } from '@mikro-orm/postgresql';
import { type Actor, SCHEMA_VERSION } from '../core/job/document/step';
import { SnapshotRow, VersionRow } from './entities';
import { runSql } from './runSql';

/** A revision of a job with a name. */
export type Version = {
  id: string;
  revision: number;
  name: string;
  note: string;
  actor: Actor;
  /** ISO 8601, UTC. */
  at: string;
};

export async function insertVersion(em: EntityManager, jobId: string, version: Omit<Version, 'at'>): Promise<void> {
  const { actor, ...rest } = version;
  await em.insert(VersionRow, { ...rest, jobId, actorId: actor.id, actorName: actor.name, at: new Date() });
}

/** Named versions, latest first. */
export async function listVersions(em: EntityManager, jobId: string): Promise<Version[]> {
  const rows = await em.find(
    VersionRow,
    { jobId },
    { orderBy: { revision: 'desc', at: 'desc' }, disableIdentityMap: true },
  );
  return rows.map(({ id, revision, name, note, actorId, actorName, at }) => ({
    id,
    revision,
    name,
    note,
    actor: { id: actorId, name: actorName },
    at: new Date(at as Date).toISOString(),
  }));
}

export async function deleteVersion(em: EntityManager, jobId: string, id: string): Promise<boolean> {
  return (await em.nativeDelete(VersionRow, { jobId, id })) > 0;
}

/** Keep a job as it is at a revision, so that later ones are near it. @param body the job as the text of its JSON */
export async function insertSnapshot(em: EntityManager, jobId: string, revision: number, body: string): Promise<void> {
  const sql =
    'insert into snapshot (job_id, revision, schema, body) values (?, ?, ?, ?) on conflict (job_id, revision) do nothing';
  await runSql(em, sql, [jobId, revision, SCHEMA_VERSION, body]);
}

export type Snapshot = { revision: number; schema: number; body: string };

/** The snapshot nearest to a revision on either side, without its body; null where there is none. */
export async function nearestSnapshot(em: EntityManager, jobId: string, revision: number): Promise<number | null> {
  const [row] = await em.execute<{ revision: number }[]>(
    'select revision from snapshot where job_id = ? order by abs(revision - ?) limit 1',
    [jobId, revision],
  );
  return row?.revision ?? null;
}

export async function readSnapshot(em: EntityManager, jobId: string, revision: number): Promise<Snapshot | null> {
  const row = await em.findOne(SnapshotRow, { jobId, revision }, { disableIdentityMap: true });
  return row && { revision: row.revision, schema: row.schema, body: row.body };
}
