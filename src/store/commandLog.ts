import type { EntityManager } from '@mikro-orm/postgresql';
import type { Patch } from '../core/job/apply';
import type { Command } from '../core/job/commands';
import { asJson } from './asJson';
import { LogRow } from './entities';

export type LogEntry = {
  jobId: string;
  revision: number;
  batchId: string;
  kind: 'do' | 'undo' | 'redo';
  target: number | null;
  label: string;
  commands: Command[];
  patches: Patch[];
  inverse: Patch[];
};

/** What another window needs to catch up. */
export type Missed = Pick<LogEntry, 'revision' | 'batchId' | 'label' | 'patches'>;

const plain = { disableIdentityMap: true } as const;
const asEntry = (row: LogRow): LogEntry => row as LogEntry;

export async function appendLog(em: EntityManager, entry: LogEntry): Promise<void> {
  const json = { commands: asJson(entry.commands), patches: asJson(entry.patches), inverse: asJson(entry.inverse) };
  await em.insert(LogRow, { ...entry, standing: 'done', ...json } as unknown as LogRow);
}

export async function findBatch(em: EntityManager, jobId: string, batchId: string): Promise<LogEntry | null> {
  const row = await em.findOne(LogRow, { jobId, batchId }, plain);
  return row && asEntry(row);
}

/** Everything after a revision, in order. */
export async function logSince(em: EntityManager, jobId: string, revision: number): Promise<Missed[]> {
  const rows = await em.find(
    LogRow,
    { jobId, revision: { $gt: revision } },
    { ...plain, orderBy: { revision: 'asc' }, fields: ['revision', 'batchId', 'label', 'patches'] },
  );
  return rows.map(({ revision: at, batchId, label, patches }) => ({
    revision: at,
    batchId,
    label,
    patches,
  }));
}

/** The change that an undo would take back: the latest one that stands. */
export async function nextUndo(em: EntityManager, jobId: string): Promise<LogEntry | null> {
  const row = await em.findOne(
    LogRow,
    { jobId, kind: 'do', standing: 'done' },
    { ...plain, orderBy: { revision: 'desc' } },
  );
  return row && asEntry(row);
}

/** The change that a redo would bring back: the earliest of those undone, since it was undone last. */
export async function nextRedo(em: EntityManager, jobId: string): Promise<LogEntry | null> {
  const row = await em.findOne(
    LogRow,
    { jobId, kind: 'do', standing: 'undone' },
    { ...plain, orderBy: { revision: 'asc' } },
  );
  return row && asEntry(row);
}

export async function setStanding(
  em: EntityManager,
  jobId: string,
  revision: number,
  standing: 'done' | 'undone',
): Promise<void> {
  await em.nativeUpdate(LogRow, { jobId, revision }, { standing });
}

/** Something new was done: what was undone before can no longer be redone. */
export async function dropUndone(em: EntityManager, jobId: string): Promise<void> {
  await em.nativeUpdate(LogRow, { jobId, kind: 'do', standing: 'undone' }, { standing: 'dropped' });
}

const NEXT_LABELS = `select
  (select label from command_log where job_id = ? and kind = 'do' and standing = 'done'
    order by revision desc limit 1) as undo,
  (select label from command_log where job_id = ? and kind = 'do' and standing = 'undone'
    order by revision asc limit 1) as redo`;

/** Labels of the next undo and redo. One question, since every change asks it. */
export async function undoLabels(
  em: EntityManager,
  jobId: string,
): Promise<{ undo: string | null; redo: string | null }> {
  const [labels] = await em.execute<{ undo: string | null; redo: string | null }[]>(NEXT_LABELS, [jobId, jobId]);
  return { undo: labels?.undo ?? null, redo: labels?.redo ?? null };
}
