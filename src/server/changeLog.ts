import Papa from 'papaparse';
import { csvCell } from '../core/base/text/csvCell';
import { refuse } from '../core/base/text/refusal';
import type { LogLine } from '../core/exchange/handover/about';
import type { NewReason } from '../core/exchange/wire/handover';
import { listLog, setReason } from '../store/changeLog';
import type { Store } from '../store/openStore';

const KIND: Record<string, string> = { undo: 'Undone: ', redo: 'Done again: ' };

/** What was done, latest first, in words. */
export async function logOf(store: Store, jobId: string, most: number): Promise<(LogLine & { revision: number })[]> {
  return (await listLog(store.em.fork(), jobId, most)).map(({ revision, at, actorName, label, kind, reason }) => ({
    revision,
    at: new Date(at).toISOString(),
    who: actorName,
    what: `${KIND[kind] ?? ''}${label}`,
    why: reason,
  }));
}

/** Why a step was done. @throws Refusal when there is no such step */
export async function sayWhy(store: Store, jobId: string, { revision, reason }: NewReason): Promise<void> {
  if (!(await setReason(store.em.fork(), jobId, revision, reason)))
    refuse('no-revision', `The job has no step ${revision}.`);
}

const MOST = 100_000;

/** The change log as CSV. */
export const logCsv = async (store: Store, jobId: string): Promise<string> =>
  `${Papa.unparse(
    {
      fields: ['revision', 'at', 'who', 'what', 'why'],
      data: (await logOf(store, jobId, MOST)).map(({ revision, at, who, what, why }) =>
        [String(revision), at, who, what, why].map(csvCell),
      ),
    },
    { newline: '\n' },
  )}\n`;
