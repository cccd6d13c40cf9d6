import { createHash } from 'node:crypto';
import { refuse } from '../core/base/text/refusal';
import { type KeptFile, MOST_PIECES, type NewKeptFile, type NewPiecedFile } from '../core/exchange/wire/kept';
import { readHead } from '../store/jobStore';
import {
  deleteKeptFile,
  findsElsewhere,
  insertKeptFile,
  insertPiece,
  insertResultValues,
  listKeptFiles,
  listPieces,
  pieceBytes,
  readKeptFile,
  readResultValues,
  takePieces,
} from '../store/keptFiles';
import type { Store } from '../store/openStore';
import { noJob } from './noJob';
import { inThread } from './workPool';

/** What files of testers and of switches may take, all of one job together, bytes and count. */
const MOST = { bytes: 256 * 1024 * 1024, files: 2_000, photo: 4 * 1024 * 1024 };

/** Keep a file as it is. @throws Refusal when the job is not there, or has as many as it may */
export async function keepFile(store: Store, jobId: string, file: NewKeptFile): Promise<KeptFile[]> {
  const given = Buffer.from(file.base64, 'base64');
  const body = file.kind === 'photo' ? Buffer.from(await inThread('picture', { bytes: new Uint8Array(given) })) : given;
  return store.em.fork().transactional(async (em) => {
    if (!(await readHead(em, jobId))) return noJob();
    const there = await listKeptFiles(em, jobId);
    if (file.kind === 'photo' && body.byteLength > MOST.photo)
      refuse('too-large', `A photograph has at most ${MOST.photo / 1024 / 1024} MB.`);
    const size = there.reduce((sum, { bytes }) => sum + bytes, 0) + body.byteLength;
    if (there.length >= MOST.files || size > MOST.bytes)
      refuse('too-many-files', `A job keeps at most ${MOST.files} files, ${MOST.bytes / 1024 / 1024} MB together.`);
    await insertKeptFile(em, jobId, file, body);
    return listKeptFiles(em, jobId);
  });
}

/** Pieces of one job that wait, octets. */
const MOST_WAITING = 64 * 1024 * 1024;

/** Keep a piece of a file that comes in pieces. @returns which pieces are there */
export async function keepPiece(
  store: Store,
  jobId: string,
  piece: { fileId: string; at: number; body: Buffer },
): Promise<number[]> {
  const { fileId, at, body } = piece;
  const em = store.em.fork();
  if (!/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/.test(fileId)) refuse('bad-request', 'file: expected the id of a file.');
  if (!(at < MOST_PIECES)) refuse('bad-request', `at: expected 0 to ${MOST_PIECES - 1}.`);
  if (body.byteLength === 0) refuse('bad-request', 'The piece is empty.');
  if ((await pieceBytes(em, jobId)) + body.byteLength > MOST_WAITING)
    refuse('too-many-files', 'Too many pieces of this job wait for the rest of their files.');
  await insertPiece(em, jobId, fileId, at, body);
  return listPieces(em, jobId, fileId);
}

export const piecesOf = async (store: Store, jobId: string, fileId: string): Promise<number[]> =>
  listPieces(store.em.fork(), jobId, fileId);

/**
 * Make a file of its pieces and keep it. A file that is kept already is not kept again.
 * @throws Refusal where a piece is missing, or they are not what was sent
 */
export async function keepPieced(store: Store, jobId: string, file: NewPiecedFile): Promise<KeptFile[]> {
  const { pieces: count, sha256, ...meta } = file;
  const em = store.em.fork();
  if (await readKeptFile(em, jobId, file.id)) return filesOf(store, jobId);
  const have = await listPieces(em, jobId, file.id);
  const missing = Array.from({ length: count }, (_, at) => at).filter((at) => !have.includes(at));
  if (missing.length > 0) refuse('pieces-missing', `Pieces ${missing.join(', ')} of this file are not here.`);
  const pieces = await em.transactional((inside) => takePieces(inside, jobId, file.id));
  const body = Buffer.concat(pieces.slice(0, count).map((piece) => piece.body));
  if (createHash('sha256').update(body).digest('hex') !== sha256)
    refuse('pieces-wrong', 'The pieces do not make the file that was sent: send it anew.');
  return keepFile(store, jobId, { ...meta, base64: body.toString('base64') });
}

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
