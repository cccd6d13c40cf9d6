import { refuse } from '../core/text/refusal';
import type { KeptFile, NewKeptFile } from '../core/wire/kept';
import { readHead } from '../store/jobStore';
import {
  findsElsewhere,
  insertKeptFile,
  insertResultValues,
  listKeptFiles,
  readKeptFile,
  readResultValues,
} from '../store/keptFiles';
import type { Store } from '../store/openStore';
import { noJob } from './noJob';

/** What files of testers and of switches may take, all of one job together, bytes and count. */
const MOST = { bytes: 128 * 1024 * 1024, files: 1_000 };

/** Keep a file as it is. @throws Refusal when the job is not there, or has as many as it may */
export const keepFile = (store: Store, jobId: string, file: NewKeptFile): Promise<KeptFile[]> =>
  store.em.fork().transactional(async (em) => {
    if (!(await readHead(em, jobId))) return noJob();
    const there = await listKeptFiles(em, jobId);
    const size = there.reduce((sum, { bytes }) => sum + bytes, 0) + file.base64.length * 0.75;
    if (there.length >= MOST.files || size > MOST.bytes)
      refuse('too-many-files', `A job keeps at most ${MOST.files} files, ${MOST.bytes / 1024 / 1024} MB together.`);
    await insertKeptFile(em, jobId, file);
    return listKeptFiles(em, jobId);
  });

export const filesOf = async (store: Store, jobId: string): Promise<KeptFile[]> =>
  listKeptFiles(store.em.fork(), jobId);

/** @throws Refusal when it is not there */
export const fileOf = async (store: Store, jobId: string, id: string): Promise<{ name: string; body: Buffer }> =>
  (await readKeptFile(store.em.fork(), jobId, id)) ?? refuse('no-file', 'There is no such file in this job.');

/** Keep values of results by frequency. */
export const keepValues = (
  store: Store,
  jobId: string,
  results: readonly { resultId: string; values: unknown }[],
): Promise<void> =>
  store.em.fork().transactional(async (em) => {
    if (!(await readHead(em, jobId))) return noJob();
    await insertResultValues(em, jobId, results);
  });

export const valuesOf = async (store: Store, jobId: string, resultId: string): Promise<unknown[]> =>
  readResultValues(store.em.fork(), jobId, resultId);

/** Faults found in other jobs, by what was seen and by part. */
export async function findsOfOthers(store: Store, jobId: string): Promise<Record<string, Record<string, number>>> {
  const finds: Record<string, Record<string, number>> = {};
  for (const { symptom, part, count } of await findsElsewhere(store.em.fork(), jobId))
    finds[symptom] = { ...finds[symptom], [part]: count };
  return finds;
}
