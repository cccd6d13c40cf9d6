import { route } from '@/server/door';
import { isHealthy } from '@/server/store';

export const dynamic = 'force-dynamic';

/** 503 while the database does not answer. */
export const GET = route('open', async () => {
  const ok = await isHealthy();
  return Response.json({ ok }, { status: ok ? 200 : 503 });
});
