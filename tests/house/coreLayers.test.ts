import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { arrowsIn, LAYERS, wrongArrows } from './coreLayers';

const folder = mkdtempSync(join(tmpdir(), 'layers-'));
afterAll(() => rmSync(folder, { recursive: true }));
const write = (file: string, code: string) => {
  mkdirSync(dirname(join(folder, file)), { recursive: true });
  writeFileSync(join(folder, file), code);
};

describe('the layers of the core', () => {
  it('are kept: every import points down', () => {
    const arrows = arrowsIn('src/core');
    expect(arrows.length).toBeGreaterThan(500);
    expect(wrongArrows(arrows)).toEqual([]);
  });

  it('are all there', () => {
    const used = new Set(arrowsIn('src/core').flatMap(({ from, to }) => [from.split('/')[0], to.split('/')[0]]));
    expect([...used].sort()).toEqual([...LAYERS].sort());
  });

  it('are broken by a type, a re-export and a folder of no layer', () => {
    write('rack/a.ts', `import type { X } from '../snags/x';\nexport type A = X;\n`);
    write('job/b.ts', `export { y } from '../rack/y';\n`);
    write('elsewhere/c.ts', `import { d } from '../text/d';\nexport const c = d;\n`);
    write('snags/fine.ts', `import { e } from '../rack/e';\nexport const f = e;\n`);
    expect(wrongArrows(arrowsIn(folder)).sort()).toEqual([
      'elsewhere/c.ts: its folder has no layer',
      'job/b.ts → rack/y.ts',
      'rack/a.ts → snags/x.ts',
    ]);
  });
});
