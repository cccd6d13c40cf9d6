import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import compressible from 'compressible';
import compression from 'compression';
import sirv from 'sirv';

const STATIC = '/_next/static';
/** What gets smaller; pictures and typefaces are compressed as they are. */
const TEXTUAL = /\.(js|css|json|svg|txt|wasm|map)$/;
/** Smaller ones fit into one packet either way, bytes. */
const LEAST = 1024;

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesIn(path);
    else yield path;
  }
}

/** Compress the scripts and styles of a build, once for all who ask. @param folder of the build */
export function compressStatic(folder: string): void {
  for (const file of filesIn(join(folder, 'static'))) {
    if (!TEXTUAL.test(file)) continue;
    const bytes = readFileSync(file);
    if (bytes.byteLength < LEAST) continue;
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    // One below the most: that takes six times as long for a twentieth less.
    writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
  }
}

/**
 * Answers scripts and styles of a build, as they were compressed: the framework would send them as they are.
 * @param headersOf what is put on the answer, by its path
 * @returns whether the request is for one of them
 */
export function staticFiles(
  folder: string,
  headersOf: (path: string) => Record<string, string>,
): (request: IncomingMessage, response: ServerResponse) => boolean {
  const serve = sirv(join(folder, 'static'), { brotli: true, gzip: true, immutable: true, maxAge: 365 * 24 * 3600 });
  return (request, response) => {
    const { url = '' } = request;
    if (!url.startsWith(`${STATIC}/`)) return false;
    for (const [name, value] of Object.entries(headersOf(url))) response.setHeader(name, value);
    request.url = url.slice(STATIC.length);
    serve(request, response, () => {
      response.writeHead(404, { 'content-type': 'text/plain; charset=utf-8' }).end('There is no such file.\n');
    });
    return true;
  };
}

/** Compresses what is answered, but streams of events, each line of which is awaited. */
export const compressing = compression({
  threshold: LEAST,
  filter: (_, response) => {
    // The framework sets it as a list of one.
    const [type] = [response.getHeader('content-type')].flat();
    return typeof type === 'string' && !type.startsWith('text/event-stream') && compressible(type) === true;
  },
});
