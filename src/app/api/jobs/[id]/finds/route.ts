import { route } from '@/server/door';
import { findsOfOthers } from '@/server/keptFiles';

/** Faults found in other jobs of the same firm. */
export const GET = route('read', async ({ store, job }) => findsOfOthers(store, job.id));
