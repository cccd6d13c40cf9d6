import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';

/** Connections at the same time: of all, and of one address. An office behind one address has some six for each person. */
const MOST_CONNECTIONS = 4_000;
const MOST_FROM_ONE = 400;
/** Requests of one address whose bodies are not here yet. */
const MOST_UNFINISHED = 40;
/** A body that does not go on for so long is given up, ms. */
const STALLED_MS = 20_000;
const AGAIN_S = 5;

/** Counts by address that vanish where they are nothing. */
function counts() {
  const by = new Map<string, number>();
  return {
    of: (key: string) => by.get(key) ?? 0,
    add: (key: string, more: 1 | -1) => {
      const now = (by.get(key) ?? 0) + more;
      if (now > 0) by.set(key, now);
      else by.delete(key);
    },
  };
}

/**
 * Keep one address from taking all the places there are.
 * @param mayCrowd whether an address speaks for many: a proxy, whose own clients it keeps apart itself
 * @returns whether a request is answered here, since its address sends too many at once; by the address that it comes from
 */
export function keepFromCrowding(
  server: Server,
  mayCrowd: (address: string) => boolean,
): (request: IncomingMessage, response: ServerResponse, address: string) => boolean {
  server.maxConnections = MOST_CONNECTIONS;
  const connections = counts();
  server.on('connection', (socket: Socket) => {
    const address = socket.remoteAddress ?? '';
    if (mayCrowd(address)) return;
    if (connections.of(address) >= MOST_FROM_ONE) {
      socket.destroy();
      return;
    }
    connections.add(address, 1);
    socket.once('close', () => connections.add(address, -1));
  });
  const unfinished = counts();
  return (request, response, address) => {
    const { headers } = request;
    const brings = headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
    if (!brings) return false;
    if (unfinished.of(address) >= MOST_UNFINISHED) {
      const words = { code: 'busy', message: 'Too many uploads from your address at once. Try again.', at: null };
      response
        .writeHead(503, { 'content-type': 'application/json', 'retry-after': String(AGAIN_S), connection: 'close' })
        .end(JSON.stringify(words), () => request.destroy());
      return true;
    }
    unfinished.add(address, 1);
    request.setTimeout(STALLED_MS, () => request.destroy());
    let open = true;
    const done = () => {
      if (!open) return;
      open = false;
      unfinished.add(address, -1);
      request.setTimeout(0);
    };
    request.once('end', done).once('close', done);
    return false;
  };
}
