import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './build';
import { openDatabases } from './database';
import { prepareDatabase } from './demoData';
import { root } from './root';
import { portFrom, startServer } from './server';

/** Run the browser tests against the built application, on a database of their own. @returns Playwright's exit code */
export async function runE2e(args: string[], report?: string): Promise<number> {
  if (!ensureBuild(true)) return 1;
  const databases = await openDatabases('test');
  const name = `good_shelf_e2e_${process.pid}`;
  try {
    const url = await databases.ensure(name);
    await prepareDatabase(url, false);
    const port = await portFrom(4290);
    const server = await startServer(url, port);
    try {
      return await new Promise<number>((done) => {
        const env = { ...process.env, E2E_PORT: String(port), ...(report ? { E2E_REPORT: report } : {}) };
        const command = [join(root, 'node_modules/@playwright/test/cli.js'), 'test', ...args];
        spawn(process.execPath, command, { cwd: root, stdio: 'inherit', env }).once('exit', (code) => done(code ?? 1));
      });
    } finally {
      await server.stop();
    }
  } finally {
    await databases.drop(name);
    databases.stop();
  }
}
