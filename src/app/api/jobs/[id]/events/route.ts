import { type Heard, listen, listenAccess } from '@/server/changes';
import { enter, route } from '@/server/door';
import { jobRevision } from '@/server/jobs';
import { oneMoreStream } from '@/server/limits';
import { noJob } from '@/server/noJob';

export const dynamic = 'force-dynamic';

/** So that a window knows that its line stands; it gives up on one that is silent for twice as long. */
const BEAT_MS = 25_000;
/** Lines that wait for a slow reader. */
const MOST_UNREAD = 200;

/** What is heard, as lines of events. */
const wordsOf = (heard: Heard): string =>
  typeof heard === 'object' ? `event: meeting\ndata: ${JSON.stringify(heard)}\n\n` : `data: ${heard}\n\n`;

/** Server-sent events: one line for the revision of the job and for each new one, or `gap` when some may have been missed. */
export const GET = route('read', async ({ store, asker, job: { id }, request }) => {
  if ((await jobRevision(store, id)) === null) return noJob();
  const oneLess = oneMoreStream(asker, request);
  const encoder = new TextEncoder();
  let close = () => {};
  const stream = new ReadableStream({
    start(controller) {
      // Who does not read what is sent holds nobody up: they come back and ask.
      const send = (text: string) =>
        (controller.desiredSize ?? 0) < -MOST_UNREAD ? gone() : controller.enqueue(encoder.encode(text));
      let listening = true;
      const deaf = listen(id, (heard) => send(wordsOf(heard)));
      // Who was signed out, or may not read it any more, hears no more of it: asked when somebody says so, and on each beat.
      const ask = () => {
        enter('read', request.headers.get('cookie'), id).then(
          () => listening && send('event: beat\ndata: beat\n\n'),
          () => gone(),
        );
      };
      const beat = setInterval(ask, BEAT_MS);
      const barred = [asker.kind === 'member' ? asker.accountId : null, id].flatMap((of) =>
        of === null ? [] : listenAccess(of, ask),
      );
      close = () => {
        listening = false;
        deaf();
        for (const stop of barred) stop();
        oneLess();
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
      // Where it stands, read once we listen: whoever has that already need not ask.
      void jobRevision(store, id).then(
        (revision) => listening && send(`data: ${revision ?? 'gap'}\n\n`),
        () => listening && send('data: gap\n\n'),
      );
    },
    cancel: () => close(),
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
});
