import { describe, expect, it } from 'vitest';
import { api, apiText } from '../../scripts/api';
import { projectText } from '../support/jobs';

describe('the page of the HTTP interface', () => {
  it('shows every route as it is now: npm run api', async () => {
    expect(projectText('docs/openapi.json')).toBe(await apiText());
  });

  it('has every way of every route, with the schema of what it is sent', async () => {
    const { paths } = (await api('1')) as { paths: Record<string, Record<string, { requestBody?: object }>> };
    const sources = import.meta.glob('../../src/app/{api,schema}/**/route.ts', {
      query: '?raw',
      import: 'default',
      eager: true,
    });
    const texts = Object.values(sources) as string[];
    const count = (of: RegExp) => texts.reduce((sum, text) => sum + (text.match(of)?.length ?? 0), 0);
    const ways = Object.values(paths).flatMap((path) => Object.values(path));
    expect(ways).toHaveLength(count(/export const (GET|POST|DELETE|PUT|PATCH)\b/g));
    expect(ways.filter(({ requestBody }) => requestBody)).toHaveLength(count(/readJson\(/g));
  });
});
