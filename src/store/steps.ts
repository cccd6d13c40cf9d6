import type { EntityManager } from '@mikro-orm/postgresql';
import type { Change } from '../core/job/document/change';
import type { JobHead } from '../core/job/document/jobHead';
import { type Actor, readChanges, SCHEMA_VERSION, type Step } from '../core/job/document/step';
import { StepRow } from './entities';
import { runSql } from './runSql';
import { lastKnown, NEWER, refuseToUpgrade } from './upgrading';

const plain = { disableIdentityMap: true } as const;

function asStep(row: StepRow, strict = false): Step {
  const { revision, batchId, label, actorId, actorName, seen, at, schema, changes } = row;
  return {
    revision,
    batchId,
    kind: row.kind as Step['kind'],
    label,
    actor: { id: actorId, name: actorName },
    seen,
    at: new Date(at as Date).toISOString(),
    changes: readChanges(changes as Change[], { version: schema, strict }),
  };
}

/** What becomes of steps that stand before a new one: what its maker undid cannot be redone, or one is undone or done again. */
export type Earlier = { drop: 'undone' } | { revision: number; state: 'done' | 'undone' };

/**
 * Write the head of a job with the step that made its revision, and tell all processes: in one question, since every change asks
 * it.
 * @param channel on which id and revision are told once the transaction holds
 */
export async function writeStep(
  em: EntityManager,
  { id, name, units, rules, country }: JobHead,
  { revision, batchId, kind, target, label, actor, seen, changes }: Omit<Step, 'at'> & { target: number | null },
  earlier: Earlier,
  channel: string,
): Promise<void> {
  const [which, values] =
    'drop' in earlier
      ? [
          "state = 'dropped' where job_id = ? and actor_id in (?, '') and kind = 'do' and state = 'undone'",
          [id, actor.id],
        ]
      : ['state = ? where job_id = ? and revision = ?', [earlier.state, id, earlier.revision]];
  await runSql(
    em,
    `with head as (update job set name = ?, units = ?, rules = ?, country = ?, revision = ?, tip = ?, updated_at = clock_timestamp(), care = null
        where id = ?),
      earlier as (update step set ${which}),
      made as (insert into step
        (job_id, revision, batch_id, kind, target, state, label, actor_id, actor_name, seen, schema, changes)
        values (?, ?, ?, ?, ?, 'done', ?, ?, ?, ?, ?, ?::jsonb))
    select pg_notify(?, ?)`,
    [
      ...[name, units, rules, country, revision, batchId, id],
      ...values,
      ...[id, revision, batchId, kind, target, label, actor.id, actor.name, seen, SCHEMA_VERSION],
      ...[JSON.stringify(changes), channel, `${id} ${revision}`],
    ],
  );
}

/**
 * The step that a batch made, where it was taken before. Asked first in every change, by a transaction that keeps upgrades away.
 * @throws Refusal `updating` when a newer version of the program has upgraded the database: this one writes nothing into it
 */
export async function findBatch(em: EntityManager, jobId: string, batchId: string): Promise<Step | null> {
  // Hardly ever there: that it is not is told without the ORM.
  const [known] = await em.execute<{ revision: number | null; newer: boolean }[]>(
    `select (select revision from step where job_id = ? and batch_id = ?) as revision, exists (${NEWER}) as newer`,
    [jobId, batchId, lastKnown(em)],
  );
  if (known?.newer) refuseToUpgrade();
  const row = known?.revision != null ? await em.findOne(StepRow, { jobId, batchId }, plain) : null;
  return row && asStep(row);
}

/** Batch id of the step that made a revision. */
export async function batchAt(em: EntityManager, jobId: string, revision: number): Promise<string | null> {
  const row = await em.findOne(StepRow, { jobId, revision }, { ...plain, fields: ['batchId'] });
  return row?.batchId ?? null;
}

/** Steps after a revision, in order, up to and with another. */
export async function stepsBetween(em: EntityManager, jobId: string, after: number, upTo: number): Promise<Step[]> {
  const rows = await em.find(
    StepRow,
    { jobId, revision: { $gt: after, $lte: upTo } },
    { ...plain, orderBy: { revision: 'asc' } },
  );
  return rows.map((row) => asStep(row));
}

/** Steps from before it was recorded who made them are everybody's. */
const whoseOf = (actor: Actor): string[] => [actor.id, ''];

/** The step that an undo of this person takes back, or a redo brings back; its changes as today's schemas have them. */
export async function nextReversal(
  em: EntityManager,
  jobId: string,
  actor: Actor,
  direction: 'undo' | 'redo',
): Promise<Step | null> {
  const undo = direction === 'undo';
  // What was undone last is the earliest of those undone.
  const row = await em.findOne(
    StepRow,
    { jobId, actorId: { $in: whoseOf(actor) }, kind: 'do', state: undo ? 'done' : 'undone' },
    { ...plain, orderBy: { revision: undo ? 'desc' : 'asc' } },
  );
  return row && asStep(row, true);
}

export type Reversals = { undo: string | null; redo: string | null };

/** Columns of a question about a job: what a person's next undo and redo are called. Takes the person twice. */
export const REVERSALS = `
  (select label from step where job_id = job.id and actor_id in (?, '') and kind = 'do' and state = 'done'
    order by step.revision desc limit 1) as undo,
  (select label from step where job_id = job.id and actor_id in (?, '') and kind = 'do' and state = 'undone'
    order by step.revision asc limit 1) as redo`;

/** What a person's next undo and redo are called. One question, since every change asks it. */
export async function reversalsOf(em: EntityManager, jobId: string, actor: Actor): Promise<Reversals> {
  const [labels] = await em.execute<Reversals[]>(`select ${REVERSALS} from job where job.id = ?`, [
    actor.id,
    actor.id,
    jobId,
  ]);
  return { undo: labels?.undo ?? null, redo: labels?.redo ?? null };
}

/** Whose step touched any of these records or fields last, after a revision. */
export async function lastTouching(
  em: EntityManager,
  jobId: string,
  after: number,
  touched: readonly Change[],
): Promise<Step | null> {
  const sought = touched.map(({ table, id }) => ({ table, id }));
  const [row] = await em.execute<{ revision: number }[]>(
    `select revision from step where job_id = ? and revision > ? and exists (
      select 1 from jsonb_array_elements(changes) as one, jsonb_array_elements(?::jsonb) as sought
      where one -> 'table' = sought -> 'table' and one -> 'id' = sought -> 'id')
    order by revision desc limit 1`,
    [jobId, after, JSON.stringify(sought)],
  );
  if (!row) return null;
  const step = await em.findOne(StepRow, { jobId, revision: row.revision }, plain);
  return step && asStep(step);
}

/** Which steps are listed: of one person, of tables, of one record, before a revision. */
export type StepFilter = { actorId?: string; tables?: string[]; table?: string; id?: string; before?: number };

/** Steps of a job, latest first. */
export async function listSteps(em: EntityManager, jobId: string, filter: StepFilter, most: number): Promise<Step[]> {
  const where = ['job_id = ?'];
  const values: unknown[] = [jobId];
  const add = (condition: string, ...more: unknown[]) => {
    where.push(condition);
    values.push(...more);
  };
  if (filter.actorId !== undefined) add('actor_id = ?', filter.actorId);
  if (filter.before !== undefined) add('revision < ?', filter.before);
  const one = "exists (select 1 from jsonb_array_elements(changes) as one where one ->> 'table'";
  if (filter.tables) add(`${one} in (select jsonb_array_elements_text(?::jsonb)))`, JSON.stringify(filter.tables));
  if (filter.table !== undefined) add(`${one} = ? and one ->> 'id' = ?)`, filter.table, filter.id ?? '');
  const found = await em.execute<{ revision: number }[]>(
    `select revision from step where ${where.join(' and ')} order by revision desc limit ${Math.trunc(most)}`,
    values,
  );
  const rows = await em.find(
    StepRow,
    { jobId, revision: { $in: found.map((row) => row.revision) } },
    { ...plain, orderBy: { revision: 'desc' } },
  );
  return rows.map((row) => asStep(row));
}

/** Everybody who did something in a job, by the name used last. */
export async function actorsOf(em: EntityManager, jobId: string): Promise<Actor[]> {
  return em.execute<Actor[]>(
    `select distinct on (actor_id) actor_id as id, actor_name as name from step
    where job_id = ? order by actor_id, revision desc`,
    [jobId],
  );
}
