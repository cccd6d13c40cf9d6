import { NewPiecedFile, PIECE_BYTES } from '@/core/exchange/wire/kept';
import { readBytes, readJson } from '@/server/answer';
import { nameOf } from '@/server/asked';
import { route } from '@/server/door';
import { keepPiece, keepPieced, piecesOf } from '@/server/keptFiles';

/** Which pieces of a file are there, so that it goes on where it was broken off. */
export const GET = route('work', async ({ store, job, request }) => ({
  have: await piecesOf(store, job.id, new URL(request.url).searchParams.get('file') ?? ''),
}));

/** One piece of a file; or, as JSON, what all of them make. */
export const POST = route('work', async ({ store, asker, job, request }) => {
  if (request.headers.get('content-type') === 'application/json') {
    const file = await readJson(request, NewPiecedFile);
    return keepPieced(store, job.id, { ...file, by: nameOf(asker) ?? file.by });
  }
  const words = new URL(request.url).searchParams;
  const body = Buffer.from(await readBytes(request, PIECE_BYTES));
  const at = Number(words.get('at') ?? Number.NaN);
  return { have: await keepPiece(store, job.id, { fileId: words.get('file') ?? '', at, body }) };
});
