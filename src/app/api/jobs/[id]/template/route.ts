import { NewTemplate } from '@/core/exchange/wire/newJobs';
import { readJson } from '@/server/answer';
import { route } from '@/server/door';
import { makeTemplate, templateNews } from '@/server/templates';

/** Whether this is the job that new ones start from, and what that one has otherwise. */
export const GET = route('edit', async ({ store, job }) => templateNews(store, job.id));

export const POST = route('edit', async ({ store, job, request }) =>
  makeTemplate(store, job.id, (await readJson(request, NewTemplate)).is),
);
