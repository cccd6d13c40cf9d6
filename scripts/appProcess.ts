import { type Serving, serveApp } from './lib/appServer';
import { serveMany } from './lib/manyProcesses';

/* Serves the built application. How it does is its first word, as JSON; by how many processes the second, where there is one. */
const given = JSON.parse(process.argv[2] ?? '') as Serving;
const count = Number(process.argv[3] ?? 1);
const serving = count > 1 ? await serveMany(given, count) : await serveApp(given);
let ending = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    void serving.stop().then(() => process.exit(0));
  });
