import { answer } from '@/server/answer';
import { getStore } from '@/server/store';

export const dynamic = 'force-dynamic';

export const GET = () => answer(async () => ({ ok: await (await getStore()).isConnected() }));
