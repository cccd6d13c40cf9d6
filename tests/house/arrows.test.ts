import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

const root = resolve(import.meta.dirname, '../..');
const biome = join(root, 'node_modules/@biomejs/biome/bin/biome');
const folder = mkdtempSync(join(tmpdir(), 'house-'));
cpSync(join(root, 'biome.json'), join(folder, 'biome.json'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What the linter says of a file of these lines, in a house of its own with our rules. */
function lint(file: string, code: string): string {
  const path = join(folder, file);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, code);
  const args = [biome, 'lint', '--vcs-enabled=false', file];
  const run = spawnSync(process.execPath, args, { cwd: folder, encoding: 'utf8' });
  return `${run.stdout}${run.stderr}`;
}

describe('the linter keeps the arrows of the house', () => {
  it.each([
    ['src/core/job/rack/x.ts', `import React from 'react';\nexport const x = React;\n`, 'noRestrictedImports'],
    [
      'src/core/job/rack/x.ts',
      `import { JobRow } from '../../store/entities';\nexport const x = JobRow;\n`,
      'noRestrictedImports',
    ],
    [
      'src/core/job/rack/x.ts',
      `import { readFileSync } from 'node:fs';\nexport const x = readFileSync;\n`,
      'noRestrictedImports',
    ],
    ['src/core/job/rack/x.ts', 'export const x = () => new Date();\n', 'noRestrictedGlobals'],
    [
      'src/ui/kit/x.tsx',
      `import { getStore } from '@/server/store';\nexport const x = getStore;\n`,
      'noRestrictedImports',
    ],
    [
      'src/app/x.tsx',
      `import { readJob } from '@/store/jobStore';\nexport const x = readJob;\n`,
      'noRestrictedImports',
    ],
    [
      'src/store/x.ts',
      `import { getStore } from '../server/store';\nexport const x = getStore;\n`,
      'noRestrictedImports',
    ],
    [
      'src/cli/x.ts',
      `import { getStore } from '../server/store';\nexport const x = getStore;\n`,
      'noRestrictedImports',
    ],
    [
      'src/core/trade/labels/x.ts',
      `import { labelsSvg } from '../../print/labelsSvg';\nexport const x = labelsSvg;\n`,
      'noRestrictedImports',
    ],
    [
      'src/core/trade/runs/unlabelled/x.ts',
      `import { answersAt } from '../../simulators/toneSet';\nexport const x = answersAt;\n`,
      'noRestrictedImports',
    ],
    [
      'src/print/x.ts',
      `import { getStore } from '../server/store';\nexport const x = getStore;\n`,
      'noRestrictedImports',
    ],
    ['src/simulators/x.ts', `import React from 'react';\nexport const x = React;\n`, 'noRestrictedImports'],
    [
      'src/ui/runs/x.tsx',
      `import { labelsPdf } from '@/print/labelsPdf';\nexport const x = labelsPdf;\n`,
      'noRestrictedImports',
    ],
  ])('%s may not hold %j', (file, code, rule) => {
    expect(lint(file, code)).toContain(`lint/style/${rule}`);
  });

  it.each([
    ['src/core/job/rack/x.ts', `import { span } from './units';\nexport const x = span;\n`],
    ['src/server/x.ts', `import { readJob } from '../store/jobStore';\nexport const x = readJob;\n`],
    ['src/ui/runs/x.tsx', `import { answersAt } from '@/simulators/toneSet';\nexport const x = answersAt;\n`],
    ['src/server/x.ts', `import { labelsPdf } from '../print/labelsPdf';\nexport const x = labelsPdf;\n`],
    ['src/cli/x.ts', `import { labelsSvg } from '../print/labelsSvg';\nexport const x = labelsSvg;\n`],
    ['src/app/x.tsx', `import { getStore } from '@/server/store';\nexport const x = getStore;\n`],
  ])('%s may hold %j', (file, code) => {
    expect(lint(file, code)).toMatch(/Checked 1 file in .*No fixes applied/s);
  });
});
