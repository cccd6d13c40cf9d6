import type { z } from 'zod';
import { Refusal, refuse } from '../core/base/text/refusal';
import { issueWords, parseJson } from '../core/exchange/formats/jobFile';
import { updating } from '../store/upgrading';
import { Later } from './later';
import { log } from './log';

const STATUS: Record<string, number> = {
  'no-job': 404,
  'no-file': 404,
  'no-version': 404,
  'no-revision': 404,
  'not-json': 400,
  'bad-request': 400,
  'too-large': 413,
  'no-link': 404,
  'signed-out': 401,
  'not-yours': 403,
  prove: 403,
  'too-many': 429,
  busy: 503,
  'too-long': 503,
  'database-away': 503,
  updating: 503,
};

/** How a refusal is answered: what cannot be done, whoever asks again, is 422. */
export const statusOf = ({ code }: Refusal): number => STATUS[code] ?? 422;

/** A database that is away or busy is asked again after so long, seconds. */
const AGAIN_S = 3;

/** How much a request may bring, bytes: a whole job, or a step of one. */
export const MOST_BYTES = { file: 64 * 1024 * 1024, step: 32 * 1024 * 1024, small: 64 * 1024 } as const;

const tooLarge = (most: number): never =>
  refuse('too-large', `Expected at most ${Math.round(most / 1024 / 1024) || 1} MB.`);

/** Octets of a request. What is over the limit is not read to its end. @throws Refusal */
export async function readBytes(request: Request, most: number): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > most) tooLarge(most);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body ?? []) {
    size += chunk.byteLength;
    if (size > most) tooLarge(most);
    chunks.push(chunk);
  }
  return new Uint8Array(Buffer.concat(chunks));
}

/** Text of a request. @throws Refusal */
export async function readBody(request: Request, most: number): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await readBytes(request, most));
  } catch (fault) {
    if (fault instanceof TypeError) refuse('bad-request', 'The request is not text in UTF-8.');
    throw fault;
  }
}

/** Body of a request, checked. @throws Refusal that names the field */
export async function readJson<S extends z.ZodType>(
  request: Request,
  schema: S,
  most: number = MOST_BYTES.small,
  renew: (sent: unknown) => unknown = (sent) => sent,
): Promise<z.infer<S>> {
  return checked(schema, renew(parseJson(await readBody(request, most), 'The request')));
}

/** What a request says, checked. @throws Refusal that names the field */
export function checked<S extends z.ZodType>(schema: S, value: unknown): z.infer<S> {
  const read = schema.safeParse(value);
  return read.success ? read.data : refuse('bad-request', `${issueWords(read.error).join('; ')}.`);
}

/** The state of a fault of the database (SQLSTATE), or of the way to it. */
function codeOf(fault: unknown): string {
  for (let at = fault, depth = 0; at instanceof Error && depth < 5; at = at.cause, depth++) {
    const { code } = at as { code?: unknown };
    if (typeof code === 'string') return code;
  }
  return '';
}

const AWAY = /^(ECONN|ENOTFOUND|EPIPE|ETIMEDOUT|08|57P0[123]|53300)/;
/** Tables or columns that are not there. */
const UPGRADED = /^(42P01|42703)$/;
const BUSY = /^(55P03|57014|40001|40P01|25P03)$/;

/**
 * What a fault of the database means for the one who asked: what breaks a rule of it is refused in words, what is away or
 * busy is to be tried again. Null for a fault of our own.
 */
export function refusalOf(fault: unknown): Refusal | null {
  if (fault instanceof Refusal) return fault;
  const code = codeOf(fault);
  const text = fault instanceof Error ? `${fault.name} ${fault.message}` : '';
  if (code.startsWith('23')) {
    const { constraint } = fault as { constraint?: string };
    const which = constraint ? ` (${constraint})` : '';
    return new Refusal('constraint', `The database does not keep that: it breaks one of its rules${which}.`);
  }
  if (UPGRADED.test(code)) {
    log.warn({ err: fault }, 'the tables are not those of this version of the program');
    return updating();
  }
  if (code.startsWith('22')) return new Refusal('bad-request', 'The database cannot hold a value of that request.');
  if (BUSY.test(code)) return new Refusal('busy', 'The database is busy with this job: try again in a moment.');
  const noConnection =
    /Connection terminated|is not queryable|Transaction query already complete|timeout exceeded when trying to connect|TimeoutError|Unable to acquire/;
  if (AWAY.test(code) || noConnection.test(text))
    return new Refusal('database-away', 'The database does not answer. What was saved is safe; it is tried again.');
  return null;
}

/** Whether it is the database that does not answer, or is being upgraded. */
export const isDatabase = ({ code }: Refusal): boolean => ['database-away', 'busy', 'updating'].includes(code);

/** Run a use case and answer with its value; a Refusal becomes an answer in words. What does not say how long it is kept is not kept. */
export async function answer(work: () => Promise<Response | object>): Promise<Response> {
  const response = await work().then(
    (value) => (value instanceof Response ? value : Response.json(value)),
    answerToFault,
  );
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  return response;
}

function answerToFault(fault: unknown): Response {
  const refusal = refusalOf(fault);
  if (refusal) {
    const { code, message, at } = refusal;
    const status = statusOf(refusal);
    // Who is to come again is told when.
    const seconds = refusal instanceof Later ? refusal.seconds : status === 503 ? AGAIN_S : null;
    const headers: HeadersInit = seconds === null ? {} : { 'retry-after': String(seconds) };
    return Response.json({ code, message, at }, { status, headers });
  }
  log.error({ err: fault }, 'unfinished');
  const message = 'The server could not finish this. Nothing was changed; it is safe to try again.';
  return Response.json({ code: 'unfinished', message }, { status: 500 });
}
