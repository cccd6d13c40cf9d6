import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shortened } from './shortened';

describe('a text where there is little room', () => {
  const to = (text: string, most: number) => shortened(text, (one) => Array.from(one).length <= most);

  it('keeps its beginning and its end', () => {
    expect(to('Patch panel, keystone, 24', 25)).toBe('Patch panel, keystone, 24');
    expect(to('Patch panel, keystone, 24', 12)).toBe('Patch…ne, 24');
    expect(to('Empfangstresen', 5)).toBe('Em…en');
  });

  it('is never longer than it may be, and never cut where it fits', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), fc.integer({ min: 1, max: 50 }), (text, most) => {
        const made = to(text, most);
        expect(Array.from(made).length).toBeLessThanOrEqual(Math.max(1, most));
        if (Array.from(text).length <= most) expect(made).toBe(text);
        else expect(made).toContain('…');
      }),
    );
  });
});
