import { listen } from '@/server/changes';

export const dynamic = 'force-dynamic';

const BEAT_MS = 25_000;

/** Server-sent events: one line for each new revision of the job. */
export async function GET(request: Request, { params }: RouteContext<'/api/jobs/[id]/events'>) {
  const { id } = await params;
  const encoder = new TextEncoder();
  const stream = new ReadableStream({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      const deaf = listen(id, (revision) => send(`data: ${revision}\n\n`));
      const beat = setInterval(() => send(': beat\n\n'), BEAT_MS);
      send(': here\n\n');
      request.signal.addEventListener('abort', () => {
        deaf();
        clearInterval(beat);
        controller.close();
      });
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
}
