import { answer } from '@/server/answer';
import { addDemoJob } from '@/server/demoJob';
import { getStore } from '@/server/store';

export const POST = () => answer(async () => ({ id: await addDemoJob(await getStore()) }));
