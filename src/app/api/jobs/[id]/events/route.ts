import { answer } from '@/server/answer';
import { listen } from '@/server/changes';
import { jobName } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { getStore } from '@/server/store';

export const dynamic = 'force-dynamic';

const BEAT_MS = 25_000;

/** Server-sent events: one line for each new revision of the job, or `gap` when some may have been missed. */
export const GET = (request: Request, { params }: RouteContext<'/api/jobs/[id]/events'>) =>
  answer(async () => {
    const { id } = await params;
    if ((await jobName(await getStore(), id)) === null) return noJob();
    const encoder = new TextEncoder();
    let close = () => {};
    const stream = new ReadableStream({
      start(controller) {
        const send = (text: string) => controller.enqueue(encoder.encode(text));
        const deaf = listen(id, (revision) => send(`data: ${revision}\n\n`));
        const beat = setInterval(() => send(': beat\n\n'), BEAT_MS);
        close = () => {
          deaf();
          clearInterval(beat);
          close = () => {};
        };
        const gone = () => {
          close();
          try {
            controller.close();
          } catch {
            // It was closed by the one who read it.
          }
        };
        // It may be gone before we begin.
        if (request.signal.aborted) return gone();
        request.signal.addEventListener('abort', gone);
        send(': here\n\n');
      },
      cancel: () => close(),
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
    });
  });
