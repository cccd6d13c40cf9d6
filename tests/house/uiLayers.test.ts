import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { arrowsIn } from './coreLayers';

/** Folders of the interface from the ground up: what a window knows, what screens are made of, the stations, and the frame around them. */
const ORDER = [
  'session',
  'kit',
  'drawing',
  'handbook',
  'survey',
  'runs',
  'stack',
  'land',
  'patch',
  'power',
  'build',
  'prove',
  'handover',
  'people',
  'jobs',
  'rack',
  'shell',
];

describe('the folders of the interface', () => {
  it('import those below them and themselves', () => {
    const place = (file: string) => ORDER.indexOf(file.split('/')[0] ?? '');
    const arrows = arrowsIn('src/ui').filter(({ to }) => !to.startsWith('..'));
    expect(arrows.length).toBeGreaterThan(500);
    expect(arrows.filter(({ from, to }) => place(to) > place(from) || place(from) < 0)).toEqual([]);
  });

  it('are all named', () => expect(readdirSync('src/ui').sort()).toEqual([...ORDER].sort()));
});
