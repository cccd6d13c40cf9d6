import { answer } from '@/server/answer';
import { fileOf, forgetPhotograph } from '@/server/keptFiles';
import { getStore } from '@/server/store';

export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/kept/[file]'>) =>
  answer(async () => {
    const { id, file } = await params;
    const { name, kind, body } = await fileOf(await getStore(), id, file);
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

export const DELETE = (_: Request, { params }: RouteContext<'/api/jobs/[id]/kept/[file]'>) =>
  answer(async () => {
    const { id, file } = await params;
    return forgetPhotograph(await getStore(), id, file);
  });
