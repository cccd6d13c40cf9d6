import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { arrowsIn, FLOORS, LAYERS, layerOf, wrongArrows } from './coreLayers';

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
    const used = new Set(arrowsIn('src/core').flatMap(({ from, to }) => [layerOf(from), layerOf(to)]));
    expect([...used].sort((a, b) => a - b)).toEqual(LAYERS.map((_, layer) => layer));
  });

  it('stand on five floors', () => {
    expect(readdirSync('src/core').sort()).toEqual(Object.keys(FLOORS).sort());
  });

  it('are broken by a type, a re-export and a folder of no layer', () => {
    write('job/rack/a.ts', `import type { X } from '../../findings/snags/x';\nexport type A = X;\n`);
    write('job/document/b.ts', `export { y } from '../rack/y';\n`);
    write('elsewhere/c.ts', `import { d } from '../base/text/d';\nexport const c = d;\n`);
    write('findings/snags/fine.ts', `import { e } from '../../job/rack/e';\nexport const f = e;\n`);
    expect(wrongArrows(arrowsIn(folder)).sort()).toEqual([
      'elsewhere/c.ts: its folder has no layer',
      'job/document/b.ts → job/rack/y.ts',
      'job/rack/a.ts → findings/snags/x.ts',
    ]);
  });
});
