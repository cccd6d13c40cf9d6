import { describe, expect, it } from 'vitest';
import { snagTable } from '../../scripts/snagTable';
import { SNAG_RULES } from '../../src/core/findings/snags/findSnags';
import { projectText } from '../support/jobs';

describe('the table of rules', () => {
  it('says of every rule which grades it gives and why: npm run snags', () => {
    const table = snagTable(process.cwd());
    expect(projectText('docs/snags.md')).toBe(table);
    for (const { id } of SNAG_RULES) expect(table).toContain(`| \`${id}\` |`);
  });
});
