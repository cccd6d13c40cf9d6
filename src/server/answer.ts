import type { z } from 'zod';
import { issueWords, parseJson } from '../core/formats/jobFile';
import { Refusal, refuse } from '../core/job/refusal';

const MOST_BYTES = 50 * 1024 * 1024;
const STATUS: Record<string, number> = { 'no-job': 404, 'not-json': 400, 'bad-request': 400, 'too-large': 413 };

/** Text of a request, with a limit. */
export async function readBody(request: Request): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) refuse('too-large', 'Expected at most 50 MB.');
  const text = await request.text();
  return text.length > MOST_BYTES ? refuse('too-large', 'Expected at most 50 MB.') : text;
}

/** Body of a request, checked. @throws Refusal that names the field */
export async function readJson<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  const checked = schema.safeParse(parseJson(await readBody(request), 'The request'));
  return checked.success ? checked.data : refuse('bad-request', `${issueWords(checked.error).join('; ')}.`);
}

/** Run a use case and answer with its value; a Refusal becomes an answer in words. */
export async function answer(work: () => Promise<Response | object>): Promise<Response> {
  try {
    const value = await work();
    return value instanceof Response ? value : Response.json(value);
  } catch (fault) {
    if (fault instanceof Refusal) {
      const { code, message, at } = fault;
      return Response.json({ code, message, at }, { status: STATUS[code] ?? 422 });
    }
    console.error(fault);
    const message = 'The server could not finish this. Nothing was changed; it is safe to try again.';
    return Response.json({ code: 'unfinished', message }, { status: 500 });
  }
}
