import { KeptFiles, ResultValues } from '@/core/exchange/wire/kept';
import { askServer } from '../session/wireClient';

const url = (jobId: string, rest = '') => `/api/jobs/${jobId}/${rest}`;

export const keptFilesOf = (jobId: string) => askServer(url(jobId, 'kept'), KeptFiles);
export const keptFilePath = (jobId: string, id: string): string => url(jobId, `kept/${id}`);

/** Text of a file that is kept. */
export async function keptText(jobId: string, id: string): Promise<string> {
  const answer = await fetch(keptFilePath(jobId, id));
  if (!answer.ok) throw new Error(`The server answered ${answer.status}.`);
  return answer.text();
}

export const valuesOf = (jobId: string, resultId: string) => askServer(url(jobId, `results/${resultId}`), ResultValues);

export const picturePath = (jobId: string, id: string): string => `${keptFilePath(jobId, id)}?as=picture`;

/** Take a photograph away again. */
export const forgetFile = (jobId: string, id: string) =>
  askServer(keptFilePath(jobId, id), KeptFiles, { method: 'DELETE' });
