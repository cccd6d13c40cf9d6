import type { APIRequestContext } from '@playwright/test';
import type { OpenJob } from '../src/core/exchange/wire/wire';
import type { Job } from '../src/core/job/document/job';

/** A job and where it stands, as the server gives it. */
export async function openedJob(request: APIRequestContext, id: string): Promise<OpenJob> {
  return (await request.get(`/api/jobs/${id}`)).json();
}
export const jobOf = async (request: APIRequestContext, id: string): Promise<Job> => (await openedJob(request, id)).job;

/** A client in small: applies commands as one step, from where the job stands. */
export async function sendBatch(
  request: APIRequestContext,
  id: string,
  commands: object[],
  more: object = {},
): Promise<{ status: number; body: { message: string; point?: { revision: number } } }> {
  const { point } = await openedJob(request, id);
  const batchId = `batch-${Math.random().toString(36).slice(2)}`;
  const data = { batchId, base: point, seen: point.revision, actor: { id: 'client', name: '' }, commands, ...more };
  const answer = await request.post(`/api/jobs/${id}/batches`, { data });
  return { status: answer.status(), body: await answer.json() };
}
