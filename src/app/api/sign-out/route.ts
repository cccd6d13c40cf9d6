import { signOut } from '@/server/accounts';
import { route } from '@/server/door';
import { noCookie } from '@/server/signIns';

/** What a browser kept of us goes with it: jobs, pictures, the program itself. */
const WIPE = '"cache", "storage"';

export const POST = route('open', async ({ store, asker }) => {
  if (asker.kind === 'member') await signOut(store, asker);
  return Response.json({ out: true }, { headers: { 'set-cookie': noCookie(), 'clear-site-data': WIPE } });
});
