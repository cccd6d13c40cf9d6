import { answer } from '@/server/answer';
import { isHealthy } from '@/server/store';

export const dynamic = 'force-dynamic';

/** 503 while the database does not answer. */
export const GET = () =>
  answer(async () => {
    const ok = await isHealthy();
    return Response.json({ ok }, { status: ok ? 200 : 503 });
  });
