import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuild } from './lib/build';
import { openDatabases } from './lib/database';
import { runE2e } from './lib/e2e';
import { root } from './lib/root';

/** `failures`: names of what failed, told again at the end, where a long output is cut. */
type Count = { passed: number; failed: number; failures: string[] };

const reports = join(root, '.data/reports');
const bin = (name: string) => join(root, 'node_modules', name);
const started = Date.now();

function say(step: string) {
  console.log(`\n— ${step} (${Math.round((Date.now() - started) / 1000)} s)`);
}

const run = (args: string[]) => spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status === 0;
const one = (ok: boolean, name: string): Count => ({
  passed: ok ? 1 : 0,
  failed: ok ? 0 : 1,
  failures: ok ? [] : [name],
});

/** Counts of a report; a run that left none, or that failed without a failed test, counts as one failure. */
function read<R>(file: string, ok: boolean, count: (report: R) => Count): Count {
  try {
    const result = count(JSON.parse(readFileSync(join(reports, file), 'utf8')) as R);
    return ok || result.failed > 0
      ? result
      : { ...result, failed: 1, failures: [`${file}: failed without a failed test`] };
  } catch {
    return one(false, `${file}: no report`);
  }
}

type UnitReport = {
  numPassedTests: number;
  numFailedTests: number;
  testResults: { name: string; assertionResults: { status: string; fullName: string }[] }[];
};
const unitCount = ({ numPassedTests, numFailedTests, testResults }: UnitReport): Count => ({
  passed: numPassedTests,
  failed: numFailedTests,
  failures: testResults.flatMap(({ name, assertionResults }) =>
    assertionResults
      .filter((test) => test.status === 'failed')
      .map(({ fullName }) => `${relative(root, name)}: ${fullName}`),
  ),
});

type BrowserSuite = { suites?: BrowserSuite[]; specs: { ok: boolean; file: string; title: string }[] };
type BrowserReport = { suites: BrowserSuite[]; stats: { expected: number; unexpected: number; flaky: number } };
const failedIn = ({ suites = [], specs }: BrowserSuite): string[] => [
  ...specs.filter(({ ok }) => !ok).map(({ file, title }) => `e2e/${file}: ${title}`),
  ...suites.flatMap(failedIn),
];
const browserCount = ({ suites, stats }: BrowserReport): Count => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky,
  failures: suites.flatMap(failedIn),
});

async function main(): Promise<Count[]> {
  rmSync(reports, { recursive: true, force: true });
  mkdirSync(reports, { recursive: true });
  // Kept open over all steps, so that none of them starts and stops it again.
  const databases = await openDatabases('test');
  try {
    const counts: Count[] = [];
    say('lint and format');
    counts.push(one(run([bin('@biomejs/biome/bin/biome'), 'ci', '.']), 'lint and format'));
    say('nothing that nobody uses');
    counts.push(one(run([bin('knip/bin/knip.js'), '--no-progress', '--no-config-hints']), 'unused code'));
    say('types');
    counts.push(one(run([bin('next/dist/bin/next'), 'typegen']) && run([bin('typescript/bin/tsc'), '-b']), 'types'));
    say('core, command line and store');
    const json = join(reports, 'vitest.json');
    const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${json}`];
    counts.push(read('vitest.json', run([bin('vitest/vitest.mjs'), 'run', ...reporters]), unitCount));
    say('build');
    const built = ensureBuild(true);
    counts.push(one(built, 'build'));
    if (built) {
      say('browser');
      const code = await runE2e([], join(reports, 'e2e.json'));
      counts.push(read('e2e.json', code === 0, browserCount));
    }
    return counts;
  } finally {
    databases.stop();
  }
}

const counts = await main();
const total = (field: 'passed' | 'failed') => counts.reduce((sum, count) => sum + count[field], 0);
console.log(`\nin ${Math.round((Date.now() - started) / 1000)} s`);
for (const name of counts.flatMap(({ failures }) => failures)) console.log(`failed: ${name}`);
console.log(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
