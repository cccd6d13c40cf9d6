import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root';

export type BuildResult = { asked: number; failed: number };

/** Scripts that a page asks for. */
async function scriptsOf(address: string, path: string): Promise<string[]> {
  const html = await (await fetch(`${address}${path}`)).text();
  return [...new Set([...html.matchAll(/\/_next\/static\/[^"'\\ ]+\.(?:js|css)/g)].map(([script]) => script))];
}

/** Another build is made in the folder of the program: does every script of the one that is served arrive meanwhile? */
export async function trialBuild(address: string): Promise<BuildResult> {
  const scripts = [...(await scriptsOf(address, '/jobs/quillback/runs')), ...(await scriptsOf(address, '/rack'))];
  const salt = `trial ${Date.now()}`;
  const words = `import('./scripts/lib/build.ts').then((m) => { const ok = m.ensureBuild(true, ${JSON.stringify(salt)}); console.log(process.env.SHELF_BUILD); process.exit(ok ? 0 : 1); })`;
  const child = spawn(process.execPath, ['--import', 'tsx', '-e', words], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let name = '';
  child.stdout.on('data', (data: Buffer) => {
    name += data.toString();
  });
  let ended = false;
  child.once('exit', () => {
    ended = true;
  });
  const result = { asked: 0, failed: 0 };
  while (!ended) {
    for (const script of scripts) {
      const answer = await fetch(`${address}${script}`);
      await answer.arrayBuffer();
      result.asked += 1;
      if (answer.status !== 200) result.failed += 1;
    }
    await new Promise((done) => setTimeout(done, 500));
  }
  if (/^\.next-[0-9a-f]{12}$/.test(name.trim())) rmSync(join(root, name.trim()), { recursive: true, force: true });
  return result;
}
