import { z } from 'zod';
import type { ResultValue } from '@/core/formats/previewResults';
import { KeptFiles, type NewKeptFile, ResultValues } from '@/core/wire/kept';
import { askServer } from '../job/wireClient';

const LONGEST_MS = 60_000;
const PIECE = 0x8000;

/** Octets as base64, piece by piece: one call takes only so many. */
export function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += PIECE) text += String.fromCharCode(...bytes.subarray(at, at + PIECE));
  return btoa(text);
}

const url = (jobId: string, rest = '') => `/api/jobs/${jobId}/${rest}`;

/** Keep a file beside the job, as it is. */
export const keepFile = (jobId: string, file: NewKeptFile) =>
  askServer(url(jobId, 'kept'), KeptFiles, { method: 'POST', body: file, longestMs: LONGEST_MS });

export const keptFilesOf = (jobId: string) => askServer(url(jobId, 'kept'), KeptFiles);
export const keptFilePath = (jobId: string, id: string): string => url(jobId, `kept/${id}`);

/** Text of a file that is kept. */
export async function keptText(jobId: string, id: string): Promise<string> {
  const answer = await fetch(keptFilePath(jobId, id));
  if (!answer.ok) throw new Error(`The server answered ${answer.status}.`);
  return answer.text();
}

const MOST_AT_ONCE = 1_000;

/** Keep values by frequency of results. */
export async function keepValues(
  jobId: string,
  results: readonly { resultId: string; values: readonly ResultValue[] }[],
): Promise<void> {
  for (let at = 0; at < results.length; at += MOST_AT_ONCE)
    await askServer(url(jobId, 'results'), z.object({ kept: z.number() }), {
      method: 'POST',
      body: { results: results.slice(at, at + MOST_AT_ONCE) },
      longestMs: LONGEST_MS,
    });
}

export const valuesOf = (jobId: string, resultId: string) => askServer(url(jobId, `results/${resultId}`), ResultValues);

export const picturePath = (jobId: string, id: string): string => `${keptFilePath(jobId, id)}?as=picture`;

/** Take a photograph away again. */
export const forgetFile = (jobId: string, id: string) =>
  askServer(keptFilePath(jobId, id), KeptFiles, { method: 'DELETE' });
