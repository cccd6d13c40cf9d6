import type { IncomingMessage, ServerResponse } from 'node:http';
import { pathToFileURL } from 'node:url';
import type { mayHaveShell as May, SHELLS as Those } from '../../src/server/shells';
import { builtPart } from './builtParts';

type Shells = { SHELLS: typeof Those; mayHaveShell: typeof May };
/** A page as the framework made it for the first who asked, by the nonce of its scripts then. */
type KeptShell = { text: string; nonce: string; headers: [string, string | string[]][] };

/** Of the headers that stood on it, those that the framework put there. */
const ITS_OWN = /^(content-type|vary|link)$/;

/**
 * Pages that hold nothing of anybody are made by the framework once and kept, since making one costs several times what the rest of a
 * request does; each who asks is still asked whether they may, and is given a nonce of their own.
 * @returns answers a request, from what is kept or by `make`
 */
export async function keptShells(): Promise<
  (request: IncomingMessage, response: ServerResponse, nonce: string, make: () => void) => void
> {
  const { SHELLS, mayHaveShell } = (await import(pathToFileURL(builtPart('routes')).href)) as Shells;
  const kept = new Map<string, KeptShell>();

  /** Listen to what is answered, and keep it when it is a whole page. */
  function keepWhatIsMade(path: string, request: IncomingMessage, response: ServerResponse, nonce: string) {
    // Packed, it could not be read here.
    delete request.headers['accept-encoding'];
    const parts: Buffer[] = [];
    const { write, end } = response;
    const take = (part: unknown) => {
      if (typeof part === 'string' || part instanceof Uint8Array) parts.push(Buffer.from(part));
    };
    // Both take their arguments in several orders, which no one type says: they are handed on as they came.
    response.write = (...given: unknown[]) => {
      take(given[0]);
      return write.apply(response, given as never);
    };
    response.end = (...given: unknown[]) => {
      take(given[0]);
      const text = Buffer.concat(parts).toString('utf8');
      const headers = Object.entries(response.getHeaders()).flatMap(([name, value]): KeptShell['headers'] =>
        ITS_OWN.test(name) && value !== undefined ? [[name, Array.isArray(value) ? value : String(value)]] : [],
      );
      const isPage = String(response.getHeader('content-type')).startsWith('text/html') && text.includes('</html>');
      if (response.statusCode === 200 && isPage && text.includes(nonce)) kept.set(path, { text, nonce, headers });
      return end.apply(response, given as never);
    };
  }

  return (request, response, nonce, make) => {
    const { method, url = '/', headers } = request;
    // What the framework's own scripts ask for is no page.
    if (method !== 'GET' || !SHELLS.has(url) || 'rsc' in headers) return make();
    const shell = kept.get(url);
    if (!shell) {
      keepWhatIsMade(url, request, response, nonce);
      return make();
    }
    void mayHaveShell(url, headers.cookie ?? null).then((may) => {
      if (!may) return make();
      for (const [name, value] of shell.headers) response.setHeader(name, value);
      response.end(shell.text.replaceAll(shell.nonce, nonce));
    });
  };
}
