import { addDemoJob } from '@/server/demoJob';
import { route } from '@/server/door';
import { firmFor } from '@/server/jobs';

export const POST = route('start', async ({ store, asker }) => ({ id: await addDemoJob(store, firmFor(asker)) }));
