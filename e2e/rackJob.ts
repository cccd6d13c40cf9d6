import { randomUUID } from 'node:crypto';
import type { APIRequestContext } from '@playwright/test';
import { writeJobFile } from '../src/core/exchange/formats/jobFile';
import { quillback } from '../tests/support/jobs';

export const JOB = 'Heronbeck House';

/** A job of its own for a test at the rack. @returns its id */
export async function makeJob(request: APIRequestContext): Promise<string> {
  const data = writeJobFile({ ...quillback(), id: `rack-${randomUUID()}`, name: JOB });
  const answer = await request.post('/api/jobs/file', { data, headers: { 'content-type': 'application/json' } });
  if (!answer.ok()) throw new Error(await answer.text());
  return ((await answer.json()) as { id: string }).id;
}
