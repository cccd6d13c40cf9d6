import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { BlockList, isIP } from 'node:net';
import next from 'next';
import { pino } from 'pino';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { root } from './build';

export type Serving = {
  host: string;
  port: number;
  /** Files of a certificate and its key; null: without TLS, on loopback or behind a proxy. */
  tls: { cert: string; key: string } | null;
  /** Addresses of proxies, single or as `10.0.0.0/8`; what they say of whom they speak for is believed. */
  proxies: readonly string[];
  /** Port on loopback for metrics and whether it is ready; null: none. */
  metricsPort: number | null;
};

/** Nobody holds a connection for long without saying something, ms. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 180_000;
const MOST_CONNECTIONS = 2_000;

const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime });

/** An address without the form that IPv4 has within IPv6. */
const plainAddress = (address: string): string => address.replace(/^::ffff:(?=\d+\.)/, '');

function listOf(proxies: readonly string[]): BlockList {
  const list = new BlockList();
  for (const one of proxies) {
    const [address = '', bits] = one.split('/');
    const family = isIP(address) === 6 ? 'ipv6' : 'ipv4';
    if (isIP(address) === 0)
      throw new Error(`--proxy: expected an address such as 127.0.0.1 or 10.0.0.0/8, found “${one}”.`);
    if (bits === undefined) list.addAddress(address, family);
    else list.addSubnet(address, Number(bits), family);
  }
  return list;
}

/** What of an address is no secret: ids, tokens and words that were sought stay out of logs and metrics. */
export function shapeOf(url: string): string {
  const [path = '/'] = url.split('?');
  if (path.startsWith('/_next/')) return '/_next';
  const parts = path.split('/').slice(1);
  const KNOWN =
    /^(api|jobs|file|demo|batches|reversals|changes|events|files|history|versions|at|compared|kept|results|log|finds|switch|simulated|removed|copy|given|shares|guests|health|sign-in|sign-out|join|reset|me|password|second|devices|firm|members|invitations|new|account|handbook|l|work|schema|meeting|pieces|sw\.js|icon\.svg|manifest\.webmanifest|runs|stack|land|patch|power|build|prove|survey|handover)$/;
  return `/${parts
    .slice(0, 6)
    .map((part) => (part === '' || KNOWN.test(part) ? part : ':x'))
    .join('/')}`;
}

/** Serve the built application to others. @returns what stops it */
export async function serveOthers(given: Serving): Promise<{ stop: () => Promise<void> }> {
  const app = next({ dev: false, dir: root, hostname: given.host, port: given.port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const trusted = listOf(given.proxies);
  const isTrusted = (address: string) => trusted.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');

  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const durations = new Histogram({
    name: 'shelf_request_seconds',
    help: 'Requests by what they ask for and how they ended',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.01, 0.03, 0.1, 0.2, 0.5, 1, 3, 10],
    registers: [registry],
  });
  const streams = new Gauge({ name: 'shelf_event_streams', help: 'Windows that listen', registers: [registry] });

  /** Whom a request comes from: the last address that no proxy of ours put there. */
  const addressOf = (request: IncomingMessage): string | null => {
    const direct = plainAddress(request.socket.remoteAddress ?? '');
    if (given.proxies.length === 0) return direct;
    if (!isTrusted(direct)) return null;
    const said = String(request.headers['x-forwarded-for'] ?? '')
      .split(',')
      .map((one) => plainAddress(one.trim()))
      .filter((one) => isIP(one) !== 0);
    return said.findLast((one) => !isTrusted(one)) ?? direct;
  };

  const listener = (request: IncomingMessage, response: ServerResponse) => {
    const began = performance.now();
    const route = shapeOf(request.url ?? '/');
    const isStream = route.endsWith('/events');
    if (isStream) streams.inc();
    response.once('close', () => {
      if (isStream) streams.dec();
      const seconds = (performance.now() - began) / 1000;
      const labels = { method: request.method ?? '', route, status: String(response.statusCode) };
      if (!isStream) durations.observe(labels, seconds);
      if (route !== '/_next') log.info({ ...labels, ms: Math.round(seconds * 1000) });
    });
    for (const name of Object.keys(request.headers)) if (name.startsWith('x-shelf-')) delete request.headers[name];
    const address = addressOf(request);
    if (address === null) {
      response.writeHead(403).end('This address answers to its proxy only.');
      return;
    }
    request.headers['x-shelf-address'] = address;
    // What the framework would believe of where we are, and what we answer for by ourselves.
    for (const name of ['x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'x-forwarded-for'])
      delete request.headers[name];
    void handle(request, response);
  };
  const server: Server = given.tls
    ? createTlsServer(
        { cert: readFileSync(given.tls.cert), key: readFileSync(given.tls.key), minVersion: 'TLSv1.2' },
        listener,
      )
    : createServer(listener);
  Object.assign(server, { headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS, maxConnections: MOST_CONNECTIONS });
  await listenAt(server, given.port, given.host);

  const watch =
    given.metricsPort === null
      ? null
      : createServer(async (request, response) => {
          if (request.url === '/metrics')
            return void response.writeHead(200, { 'content-type': registry.contentType }).end(await registry.metrics());
          if (request.url === '/alive') return void response.writeHead(200).end('alive\n');
          return void response.writeHead(404).end();
        });
  if (watch && given.metricsPort !== null) await listenAt(watch, given.metricsPort, '127.0.0.1');
  return {
    stop: async () => {
      watch?.close();
      // What is being done is done; windows that listen come back to another process.
      server.close();
      await new Promise((wait) => setTimeout(wait, 1000));
      server.closeAllConnections();
    },
  };
}

const listenAt = (server: Server, port: number, host: string): Promise<void> =>
  new Promise((done, fail) => server.once('error', fail).listen(port, host, () => done()));
