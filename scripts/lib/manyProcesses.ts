import cluster, { type Worker } from 'node:cluster';
import { AggregatorRegistry } from 'prom-client';
import { type Serving, serveMetrics } from './appServer';
import { buildFolder, partIn } from './builtParts';

/** A process that ended is started again after so long. */
const AGAIN_MS = 1000;

/** Serve with several processes on one port, which share the work. @returns what stops them */
export async function serveMany(given: Serving, count: number): Promise<{ stop: () => Promise<void> }> {
  // Each takes its own connections: one that was handed to a process which died meanwhile would hang for ever.
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  cluster.setupPrimary({
    exec: partIn(buildFolder(), 'appProcess'),
    args: [JSON.stringify({ ...given, metricsPort: null } satisfies Serving)],
    execArgv: [],
  });
  let ending = false;
  const start = (): Promise<Worker> => {
    const worker = cluster.fork();
    return new Promise((done, fail) => {
      let listens = false;
      worker.once('listening', () => {
        listens = true;
        done(worker);
      });
      worker.once('exit', () => {
        if (!listens) fail(new Error('A process ended before it served.'));
        else if (!ending) again();
      });
    });
  };
  const again = () => setTimeout(() => void (ending || start().catch(again)), AGAIN_MS);
  await Promise.all(Array.from({ length: count }, start));

  const registry = new AggregatorRegistry();
  const watch = await serveMetrics(given.metricsPort, {
    contentType: registry.contentType,
    metrics: () => registry.clusterMetrics(),
  });
  return {
    stop: async () => {
      ending = true;
      watch?.close();
      const workers = Object.values(cluster.workers ?? {}).flatMap((worker) => worker ?? []);
      await Promise.all(
        workers.map((worker) => {
          const ended = new Promise((done) => worker.once('exit', done));
          worker.process.kill('SIGTERM');
          return ended;
        }),
      );
    },
  };
}
