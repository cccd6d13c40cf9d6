import { route } from '@/server/door';
import { valuesOf } from '@/server/keptFiles';

export const GET = route<{ id: string; result: string }>('read', async ({ store, params: { id, result } }) =>
  valuesOf(store, id, result),
);
