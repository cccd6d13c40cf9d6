import type { EntityManager } from '@mikro-orm/postgresql';
import { runSql } from './runSql';

export type LoggedStep = { revision: number; at: Date; actorName: string; label: string; kind: string; reason: string };

/** Steps of a job without what they changed, latest first. */
export const listLog = (em: EntityManager, jobId: string, most: number): Promise<LoggedStep[]> =>
  em.execute<LoggedStep[]>(
    `select revision, at, actor_name as "actorName", label, kind, reason from step
      where job_id = ? order by revision desc limit ?`,
    [jobId, most],
  );

/** Why a step was done, said later. @returns whether there is such a step */
export async function setReason(em: EntityManager, jobId: string, revision: number, reason: string): Promise<boolean> {
  const [row] = await em.execute<{ revision: number }[]>(
    'select revision from step where job_id = ? and revision = ?',
    [jobId, revision],
  );
  if (!row) return false;
  await runSql(em, 'update step set reason = ? where job_id = ? and revision = ?', [reason, jobId, revision]);
  return true;
}
