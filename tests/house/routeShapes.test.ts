import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';
import { OTHER, routeShapes } from '../../scripts/lib/routeShapes';

/** Routes and pages as the folders of the application say them. */
function* routesIn(folder: string, at = ''): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.isDirectory())
      yield* routesIn(join(folder, entry.name), /^\(.*\)$/.test(entry.name) ? at : `${at}/${entry.name}`);
    else if (/^(route|page)\.tsx?$/.test(entry.name)) yield at || '/';
  }
}
const routes = [...routesIn(resolve(import.meta.dirname, '../../src/app'))];

describe('the shape of an address', () => {
  const shapeOf = routeShapes(routes);

  it('is known of every route and page, and tells nothing that stands in its place', () => {
    expect(routes.length).toBeGreaterThan(50);
    for (const route of routes) {
      const asked = route.replace(/\[\[?(\.\.\.)?\w+\]?\]/g, 'SECRET');
      const shape = shapeOf(`${asked}?words=SECRET`);
      expect(shape, route).not.toBe(OTHER);
      expect(shape, route).not.toContain('SECRET');
    }
  });

  it('takes words before names, and what is no route for nothing', () => {
    expect(shapeOf('/api/jobs/file')).toBe('/api/jobs/file');
    expect(shapeOf('/api/jobs/quillback/events')).toBe('/api/jobs/:id/events');
    expect(shapeOf('/jobs/quillback/runs/import')).toBe('/jobs/:id/:view');
    expect(shapeOf('/jobs/quillback')).toBe('/jobs/:id/:view');
    expect(shapeOf('/jobs/quillback/rack/photo')).toBe('/jobs/:id/rack/:view');
    expect(shapeOf('/')).toBe('/');
    expect(shapeOf('/_next/static/a.js')).toBe('/_next');
    for (const path of ['/l/', '/secret-token', '/api/secret', '/api/jobs/a/b/c/d']) expect(shapeOf(path)).toBe(OTHER);
  });
});
