import { mkdirSync } from 'node:fs';
import { openBrowser } from './lib/browser';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { prepareDatabase } from './lib/demoData';
import { portFrom, startServer } from './lib/server';
import { readFileSync } from 'node:fs';
import { SHOTS } from './tmp-shots';

mkdirSync('/tmp/shots', { recursive: true });
ensureBuild(true);
const databases = await openDatabases('test');
const name = `good_shelf_look_${process.pid}`;
const url = await databases.ensure(name);
await prepareDatabase(url, false);
const server = await startServer(url, await portFrom(4700));
const browser = await openBrowser();
const only = process.argv.slice(2);
for (const { name: shot, path, phone, theme, prepare } of SHOTS) {
  if (only.length > 0 && !only.includes(shot)) continue;
  const page = await browser.newPage({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
  if (theme) await page.addInitScript((t) => localStorage.setItem('good-shelf-theme', t), theme);
  try {
    await page.goto(`${server.address}${path}`);
    await page.waitForTimeout(1200);
    await prepare?.(page, server.address);
    await page.waitForTimeout(600);
  } catch (fault) {
    console.log(shot, String(fault).slice(0, 300));
  }
  await page.screenshot({ path: `/tmp/shots/${shot}.png` });
  await page.close();
}
await browser.close();
await server.stop();
await databases.drop(name);
databases.stop();
process.exit(0);
