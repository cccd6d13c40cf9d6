import { askedSteps } from '@/server/asked';
import { route } from '@/server/door';
import { historyOf } from '@/server/pastJobs';

export const GET = route('read', async ({ store, job, request }) => historyOf(store, job.id, askedSteps(request)));
