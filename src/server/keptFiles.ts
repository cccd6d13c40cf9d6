import { refuse } from '../core/text/refusal';
import type { KeptFile, NewKeptFile } from '../core/wire/kept';
import { readHead } from '../store/jobStore';
import {
  deleteKeptFile,
  findsElsewhere,
  insertKeptFile,
  insertResultValues,
  listKeptFiles,
  readKeptFile,
  readResultValues,
} from '../store/keptFiles';
import type { Store } from '../store/openStore';
import { noJob } from './noJob';
import { plainJpeg } from './plainJpeg';

/** What files of testers and of switches may take, all of one job together, bytes and count. */
const MOST = { bytes: 256 * 1024 * 1024, files: 2_000, photo: 4 * 1024 * 1024 };

/** Keep a file as it is. @throws Refusal when the job is not there, or has as many as it may */
export const keepFile = (store: Store, jobId: string, file: NewKeptFile): Promise<KeptFile[]> =>
  store.em.fork().transactional(async (em) => {
    if (!(await readHead(em, jobId))) return noJob();
    const there = await listKeptFiles(em, jobId);
    const given = Buffer.from(file.base64, 'base64');
    const body = file.kind === 'photo' ? Buffer.from(plainJpeg(given)) : given;
    if (file.kind === 'photo' && body.byteLength > MOST.photo)
      refuse('too-large', `A photograph has at most ${MOST.photo / 1024 / 1024} MB.`);
    const size = there.reduce((sum, { bytes }) => sum + bytes, 0) + body.byteLength;
    if (there.length >= MOST.files || size > MOST.bytes)
      refuse('too-many-files', `A job keeps at most ${MOST.files} files, ${MOST.bytes / 1024 / 1024} MB together.`);
    await insertKeptFile(em, jobId, file, body);
    return listKeptFiles(em, jobId);
  });

export const filesOf = async (store: Store, jobId: string): Promise<KeptFile[]> =>
  listKeptFiles(store.em.fork(), jobId);

/** @throws Refusal when it is not there */
export const fileOf = async (
  store: Store,
  jobId: string,
  id: string,
): Promise<{ name: string; kind: string; body: Buffer }> =>
  (await readKeptFile(store.em.fork(), jobId, id)) ?? refuse('no-file', 'There is no such file in this job.');

/** Take a photograph away; what testers and switches gave stays. @returns what is left */
export const forgetPhotograph = (store: Store, jobId: string, id: string): Promise<KeptFile[]> =>
  store.em.fork().transactional(async (em) => {
    const file = await readKeptFile(em, jobId, id);
    if (!file) return refuse('no-file', 'There is no such file in this job.');
    if (file.kind !== 'photo') refuse('kept', 'Files of testers and readings of switches are only added.');
    await deleteKeptFile(em, jobId, id);
    return listKeptFiles(em, jobId);
  });

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
