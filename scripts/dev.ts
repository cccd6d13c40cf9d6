import { serveApp } from './lib/appServer';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { faultWords, givenDatabase } from './lib/faultWords';
import { portFrom } from './lib/server';

/* Serves the sources as they are changed, with demo data, by the server that serves a build. */

const DEFAULT_PORT = 4170;

async function main() {
  const databases = await openDatabases('demo');
  const url = givenDatabase() ?? (await databases.ensure('good_shelf_dev'));
  await prepareDatabase(url, false);
  Object.assign(process.env, {
    DATABASE_URL: url,
    NODE_ENV: 'development',
    NEXT_TELEMETRY_DISABLED: '1',
    SHELF_SIMULATED: '1',
  });
  const port = await portFrom(DEFAULT_PORT);
  const serving = await serveApp({
    dev: true,
    host: '127.0.0.1',
    port,
    tls: null,
    proxies: [],
    metricsPort: null,
    told: false,
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, async () => {
      await serving.stop();
      databases.stop();
      process.exit(0);
    });
  console.log(`Good Shelf is at http://127.0.0.1:${port}, and follows what is changed. Stop it with Ctrl-C.`);
}

try {
  await main();
} catch (fault) {
  console.error(faultWords(fault));
  process.exit(2);
}
