import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { runE2e } from './lib/e2e';
import { root } from './lib/root';

type Count = { passed: number; failed: number };

const reports = join(root, '.data/reports');
const bin = (name: string) => join(root, 'node_modules', name);
const started = Date.now();

function say(step: string) {
  console.log(`\n— ${step} (${Math.round((Date.now() - started) / 1000)} s)`);
}

const run = (args: string[]) => spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status === 0;
const one = (ok: boolean): Count => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });

/** Counts of a report; a run that left none, or that failed without a failed test, counts as one failure. */
function read(file: string, ok: boolean, count: (report: never) => Count): Count {
  try {
    const result = count(JSON.parse(readFileSync(join(reports, file), 'utf8')) as never);
    return ok || result.failed > 0 ? result : { ...result, failed: 1 };
  } catch {
    return one(false);
  }
}

async function main(): Promise<Count[]> {
  rmSync(reports, { recursive: true, force: true });
  mkdirSync(reports, { recursive: true });
  // Kept open over all steps, so that none of them starts and stops it again.
  const databases = await openDatabases('test');
  try {
    const counts: Count[] = [];
    say('lint and format');
    counts.push(one(run([bin('@biomejs/biome/bin/biome'), 'ci', '.'])));
    say('nothing that nobody uses');
    counts.push(one(run([bin('knip/bin/knip.js'), '--no-progress', '--no-config-hints'])));
    say('types');
    counts.push(one(run([bin('next/dist/bin/next'), 'typegen']) && run([bin('typescript/bin/tsc'), '-b'])));
    say('core, command line and store');
    const json = join(reports, 'vitest.json');
    const unit = run([
      bin('vitest/vitest.mjs'),
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${json}`,
    ]);
    counts.push(
      read(
        'vitest.json',
        unit,
        ({ numPassedTests, numFailedTests }: { numPassedTests: number; numFailedTests: number }) => ({
          passed: numPassedTests,
          failed: numFailedTests,
        }),
      ),
    );
    say('build');
    const built = ensureBuild(true);
    counts.push(one(built));
    if (built) {
      say('browser');
      const code = await runE2e([], join(reports, 'e2e.json'));
      counts.push(
        read(
          'e2e.json',
          code === 0,
          ({ stats }: { stats: { expected: number; unexpected: number; flaky: number } }) => ({
            passed: stats.expected,
            failed: stats.unexpected + stats.flaky,
          }),
        ),
      );
    }
    return counts;
  } finally {
    databases.stop();
  }
}

const counts = await main();
const total = (field: keyof Count) => counts.reduce((sum, count) => sum + count[field], 0);
console.log(`\nin ${Math.round((Date.now() - started) / 1000)} s`);
console.log(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
