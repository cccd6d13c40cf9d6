import type { z } from 'zod';
import { FaultAnswer } from '@/core/exchange/wire/faultAnswer';
import { earlyAnswer } from './earlyAsk';
import { CannotBeDone, NoNetwork, Unwell } from './faults';

/** A server that hangs is given up after so long, and asked again. */
const LONGEST_MS = 15_000;
/** Browsers keep alive up to 64 KiB, all requests together; characters may take three bytes. */
const MOST_KEPT_ALIVE = 20_000;

type Asking = { method?: 'GET' | 'POST' | 'DELETE'; body?: unknown; longestMs?: number };

async function ask(
  url: string,
  { method = 'GET', body, longestMs = LONGEST_MS }: Asking,
): Promise<[Response, unknown]> {
  const plain = body === undefined || typeof body === 'string' || body instanceof Uint8Array;
  const text = plain ? (body as string | Uint8Array | undefined) : JSON.stringify(body);
  try {
    const response = await ((method === 'GET' && earlyAnswer(url)) ||
      fetch(url, {
        method,
        ...(text === undefined
          ? {}
          : {
              headers: {
                'content-type': typeof text === 'string' ? 'application/json' : 'application/octet-stream',
              },
              body: text as BodyInit,
            }),
        // On its way even when the window closes right after.
        keepalive: text !== undefined && text.length < MOST_KEPT_ALIVE,
        signal: AbortSignal.timeout(longestMs),
      }));
    return [response, await response.json().catch(() => null)];
  } catch {
    throw new NoNetwork('The server does not answer.');
  }
}

/**
 * Ask our server, with a limit of time, and check what comes back.
 * @throws NoNetwork, Unwell or CannotBeDone: the three are never mixed
 */
export async function askServer<S extends z.ZodType>(url: string, schema: S, asking: Asking = {}): Promise<z.infer<S>> {
  const [response, value] = await ask(url, asking);
  if (response.ok) {
    const read = schema.safeParse(value);
    if (read.success) return read.data;
    // Cut off on its way, or by a server of another version.
    throw new Unwell('not-understood', 'The server’s answer could not be read.');
  }
  const fault = FaultAnswer.safeParse(value);
  const code = fault.success ? fault.data.code : 'unfinished';
  const message = fault.success ? fault.data.message : `The server answered ${response.status}.`;
  // Nothing is wrong with what was asked: it waits until one has signed in again.
  if (response.status === 401) throw new Unwell('signed-out', message);
  // What stands between us and the server answers so as well.
  if (response.status >= 500 || response.status === 408 || response.status === 429) throw new Unwell(code, message);
  throw new CannotBeDone(code, message);
}
