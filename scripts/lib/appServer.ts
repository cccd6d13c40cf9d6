import cluster from 'node:cluster';
import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';
import next from 'next';
import { pino } from 'pino';
import { AggregatorRegistry, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { answerHeaders, awayHeaders, awayWords, badForm, gateOf } from '../../src/server/gate';
import { buildFolder, partsFolder } from './builtParts';
import { compressing, staticFiles } from './compressing';
import { keepFromCrowding } from './crowding';
import { thisRelease } from './release';
import { root } from './root';
import { routeShapes, routesOf } from './routeShapes';
import { markUsed } from './usedBuild';

export type Serving = {
  /** Whether the sources are served as they are changed, and not what was built from them. */
  dev: boolean;
  host: string;
  port: number;
  /** Files of a certificate and its key; null: without TLS, on loopback or behind a proxy. */
  tls: { cert: string; key: string } | null;
  /** Addresses of proxies, single or as `10.0.0.0/8`; what they say of whom they speak for is believed. */
  proxies: readonly string[];
  /** Port on loopback for metrics and whether it is ready; null: none. */
  metricsPort: number | null;
  /** Whether each request is told on the standard output. */
  told: boolean;
};

/** Nobody holds a connection for long without saying something, ms. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 180_000;
/** How often it is looked for those who take longer, ms: the package's own is twice as long as heads may take. */
const LOOK_MS = 3_000;
/** Longer than balancers and browsers keep a line that is not used: who closes it first never meets a request on it. */
const IDLE_MS = 75_000;

/** Headers that nobody else can say. */
const OURS = /^x-(shelf|forwarded|nonce)/i;

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

/**
 * Serve the application: what the framework does not know of connections stands here, and all that is asked goes to the framework,
 * whose `proxy.ts` is the gate.
 * @returns what stops it
 */
export async function serveApp(given: Serving): Promise<{ stop: () => Promise<void> }> {
  // Maps of what the framework was built from take seconds to read, and nobody looks at them here.
  process.setSourceMapsEnabled(false);
  const app = next({ dev: given.dev, dir: root, hostname: given.host, port: given.port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const folder = given.dev ? await developmentParts() : buildFolder();
  process.env.SHELF_PARTS = partsFolder(folder);
  if (!given.dev && !thisRelease()) markUsed(folder);
  const gate = gateOf(process.env);
  const statics = given.dev ? null : staticFiles(folder, (path) => answerHeaders(gate, path, ''));
  const shapeOf = routeShapes(given.dev ? [] : routesOf(folder));
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
  if (cluster.isWorker) {
    // The first process asks all others.
    AggregatorRegistry.setRegistries([registry]);
    new AggregatorRegistry();
  }
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
      if (given.told && route !== '/_next') log.info({ ...labels, ms: Math.round(seconds * 1000) });
    });
    const { headers } = request;
    const form = badForm({ method: request.method ?? '', url: request.url ?? '' });
    if (form) {
      const headers = { ...answerHeaders(gate, '/api/', ''), ...awayHeaders(form), 'content-type': 'application/json' };
      response.writeHead(form.status, headers).end(JSON.stringify(awayWords(form)));
      return;
    }
    const address = addressOf(request);
    if (address === null) {
      response.writeHead(403).end('This address answers to its proxy only.');
      return;
    }
    // What would be believed of where we are and of who asks, and is for us alone to say.
    for (const name of Object.keys(headers)) if (OURS.test(name)) delete headers[name];
    headers['x-shelf-address'] = address;
    if (crowds(request, response, address) || statics?.(request, response)) return;
    // Asked with the types of a framework that it does without here.
    compressing(request as never, response as never, () => void handle(request, response));
  };
  const patience = {
    keepAliveTimeout: IDLE_MS,
    headersTimeout: HEADERS_MS,
    requestTimeout: REQUEST_MS,
    connectionsCheckingInterval: LOOK_MS,
  };
  const server: Server = given.tls
    ? createTlsServer(
        { ...patience, cert: readFileSync(given.tls.cert), key: readFileSync(given.tls.key), minVersion: 'TLSv1.2' },
        listener,
      )
    : createServer(patience, listener);
  const crowds = keepFromCrowding(server, (address) => isTrusted(plainAddress(address)));
  await listenAt(server, given.port, given.host);

  const watch = await serveMetrics(given.metricsPort, {
    contentType: registry.contentType,
    metrics: () => registry.metrics(),
  });
  return {
    stop: async () => {
      watch?.close();
      // What is being done is done; windows that listen come back to another process.
      server.close();
      await new Promise((wait) => setTimeout(wait, 1000));
      server.closeAllConnections();
      if (given.dev) await app.close();
    },
  };
}

/** What development needs of our own parts: built once, when it starts. @returns the folder of them */
async function developmentParts(): Promise<string> {
  // Only here: what serves a build has no builder beside it.
  const [{ writeServerParts }, { writeServiceWorker }] = await Promise.all([
    import('./serverParts'),
    import('./serviceWorker'),
  ]);
  const folder = join(root, '.next/dev');
  writeServerParts(folder);
  writeServiceWorker(folder, null);
  return folder;
}

/** Metrics and whether it is alive, on a port of loopback; null: none. */
export async function serveMetrics(
  port: number | null,
  { contentType, metrics }: { contentType: string; metrics: () => Promise<string> },
): Promise<Server | null> {
  if (port === null) return null;
  const watch = createServer(async (request, response) => {
    if (request.url === '/metrics') {
      // A process that is only being started says nothing yet.
      const words = await metrics().catch(() => null);
      return void response.writeHead(words === null ? 503 : 200, { 'content-type': contentType }).end(words ?? '');
    }
    if (request.url === '/alive') return void response.writeHead(200).end('alive\n');
    return void response.writeHead(404).end();
  });
  await listenAt(watch, port, '127.0.0.1');
  return watch;
}

const listenAt = (server: Server, port: number, host: string): Promise<void> =>
  new Promise((done, fail) => server.once('error', fail).listen(port, host, () => done()));
