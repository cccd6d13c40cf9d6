import { answer } from '@/server/answer';
import { fileOf } from '@/server/keptFiles';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/kept/[file]'>) =>
  answer(async () => {
    const { id, file } = await params;
    const { name, body } = await fileOf(await getStore(), id, file);
    return new Response(new Uint8Array(body), {
      headers: {
        // Whatever it is: it is taken away, and never shown by the browser itself.
        'content-type': 'application/octet-stream',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        'cache-control': 'no-store',
      },
    });
  });
