import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { type KeptFile, type NewKeptFile, SMALL } from '../core/exchange/wire/kept';
import { runSql } from './runSql';

/** Keep a file once: the same id again changes nothing. */
export async function insertKeptFile(
  em: EntityManager,
  jobId: string,
  file: Omit<NewKeptFile, 'base64'>,
  body: Buffer,
): Promise<void> {
  const sha256 = createHash('sha256').update(body).digest('hex');
  const { id, kind, about, name, by } = file;
  await runSql(
    em,
    `insert into kept_file (job_id, id, kind, about, name, "by", sha256, bytes, body)
      values (?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict (job_id, id) do nothing`,
    [jobId, id, kind, about, name, by, sha256, body.byteLength, body],
  );
}

/** Keep a piece of a file: the same again changes nothing. */
export const insertPiece = (
  em: EntityManager,
  jobId: string,
  fileId: string,
  at: number,
  body: Buffer,
): Promise<void> =>
  runSql(em, 'insert into kept_piece (job_id, file_id, at, body) values (?, ?, ?, ?) on conflict do nothing', [
    jobId,
    fileId,
    at,
    body,
  ]);
export const listPieces = async (em: EntityManager, jobId: string, fileId: string): Promise<number[]> =>
  (
    await em.execute<{ at: number }[]>('select at from kept_piece where job_id = ? and file_id = ? order by at', [
      jobId,
      fileId,
    ])
  ).map(({ at }) => at);
/** All pieces of a file, in order; they go with it. */
export const takePieces = async (
  em: EntityManager,
  jobId: string,
  fileId: string,
): Promise<{ at: number; body: Buffer }[]> => {
  const pieces = await em.execute<{ at: number; body: Buffer }[]>(
    'select at, body from kept_piece where job_id = ? and file_id = ? order by at',
    [jobId, fileId],
  );
  await em.execute('delete from kept_piece where job_id = ? and file_id = ?', [jobId, fileId]);
  return pieces;
};
/** Octets of pieces that wait for the rest of their files; those that nobody came back for go. */
export const pieceBytes = async (em: EntityManager, jobId: string): Promise<number> => {
  await em.execute(`delete from kept_piece where made_at < now() - interval '7 days'`);
  const [row] = await em.execute<{ n: number }[]>(
    'select coalesce(sum(octet_length(body)), 0)::int as n from kept_piece where job_id = ?',
    [jobId],
  );
  return row?.n ?? 0;
};

/** Files of a job, latest first, without what is in them. */
export const listKeptFiles = async (em: EntityManager, jobId: string): Promise<KeptFile[]> =>
  (
    await em.execute<(Omit<KeptFile, 'at'> & { at: Date })[]>(
      'select id, kind, about, name, "by", at, sha256, bytes from kept_file where job_id = ? order by at desc, id',
      [jobId],
    )
  ).map((file) => ({ ...file, at: new Date(file.at).toISOString() }));

export async function readKeptFile(
  em: EntityManager,
  jobId: string,
  id: string,
): Promise<{ name: string; kind: string; body: Buffer } | null> {
  const [row] = await em.execute<{ name: string; kind: string; body: Buffer }[]>(
    'select name, kind, body from kept_file where job_id = ? and id = ?',
    [jobId, id],
  );
  return row ?? null;
}

/** Values of results by frequency, added once. */
export async function insertResultValues(
  em: EntityManager,
  jobId: string,
  results: readonly { resultId: string; values: unknown }[],
): Promise<void> {
  await runSql(
    em,
    `insert into result_value (job_id, result_id, body)
      select ?, one->>'resultId', one->'values' from jsonb_array_elements(?::jsonb) as one
      on conflict (job_id, result_id) do nothing`,
    [jobId, JSON.stringify(results)],
  );
}

export async function readResultValues(em: EntityManager, jobId: string, resultId: string): Promise<unknown[]> {
  const [row] = await em.execute<{ body: unknown[] }[]>(
    'select body from result_value where job_id = ? and result_id = ?',
    [jobId, resultId],
  );
  return row?.body ?? [];
}

/** Faults found in all other jobs of the firm that a job belongs to, counted. */
export const findsElsewhere = (em: EntityManager, exceptJob: string) =>
  em.execute<{ symptom: string; part: string; count: number }[]>(
    `select symptom, part, count(*)::int as count from mend join job on job.id = mend.job_id
      where mend.job_id <> ? and job.removed_at is null
        and job.firm_id is not distinct from (select firm_id from job where id = ?) group by symptom, part`,
    [exceptJob, exceptJob],
  );

/** Take a file away, and the small one of a photograph with it. */
export const deleteKeptFile = (em: EntityManager, jobId: string, id: string): Promise<void> =>
  runSql(em, 'delete from kept_file where job_id = ? and id in (?, ?)', [jobId, id, `${id}${SMALL}`]);
