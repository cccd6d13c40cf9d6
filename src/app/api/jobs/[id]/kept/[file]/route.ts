import { route } from '@/server/door';
import { fileOf, forgetPhotograph } from '@/server/keptFiles';
import { noteOn } from '@/server/noteOn';

export const GET = route<{ id: string; file: string }>('read', async ({ store, request, params: { id, file } }) => {
  const { name, kind, body } = await fileOf(store, id, file);
  // A photograph was looked at when it came; whatever else it is, it is taken away and never shown by the browser itself.
  const shown = kind === 'photo' && new URL(request.url).searchParams.get('as') === 'picture';
  return new Response(new Uint8Array(body), {
    headers: {
      'content-type': shown ? 'image/jpeg' : 'application/octet-stream',
      'content-disposition': shown ? 'inline' : `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': shown ? 'private, max-age=86400' : 'no-store',
    },
  });
});

export const DELETE = route<{ id: string; file: string }>('work', async ({ store, asker, params: { id, file } }) => {
  const left = await forgetPhotograph(store, id, file);
  await noteOn(store, asker, id, 'took a photograph away');
  return left;
});
