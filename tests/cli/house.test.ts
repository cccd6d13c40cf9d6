import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const root = resolve(import.meta.dirname, '../..');
const biome = join(root, 'node_modules/@biomejs/biome/bin/biome');

/** What the linter says of a line of code, were it in this file. */
function lint(file: string, code: string): string {
  const run = spawnSync(process.execPath, [biome, 'lint', `--stdin-file-path=${file}`], {
    cwd: root,
    input: code,
    encoding: 'utf8',
  });
  return `${run.stdout}${run.stderr}`;
}

describe('the linter keeps the arrows of the house', () => {
  it.each([
    ['src/core/rack/x.ts', `import React from 'react';\nexport const x = React;\n`, 'noRestrictedImports'],
    [
      'src/core/rack/x.ts',
      `import { JobRow } from '../../store/entities';\nexport const x = JobRow;\n`,
      'noRestrictedImports',
    ],
    [
      'src/core/rack/x.ts',
      `import { readFileSync } from 'node:fs';\nexport const x = readFileSync;\n`,
      'noRestrictedImports',
    ],
    ['src/core/rack/x.ts', 'export const x = () => new Date();\n', 'noRestrictedGlobals'],
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
  ])('%s may not hold %j', (file, code, rule) => {
    expect(lint(file, code)).toContain(rule);
  });

  it('and lets core use core', () => {
    expect(lint('src/core/rack/x.ts', `import { span } from './units';\nexport const x = span;\n`)).not.toContain(
      'lint/',
    );
  });
});
