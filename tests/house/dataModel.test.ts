import { describe, expect, it } from 'vitest';
import { dataModel } from '../../scripts/dataModel';
import { TABLE_NAMES } from '../../src/core/job/document/tables';
import { projectText } from '../support/jobs';

describe('the page of the data model', () => {
  it('shows every table as it is now: npm run data-model', () => {
    const page = dataModel();
    expect(projectText('docs/data-model.md')).toBe(page);
    for (const name of TABLE_NAMES) expect(page).toContain(`| \`${name}\` (`);
  });
});
