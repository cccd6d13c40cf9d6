import { describe, expect, it } from 'vitest';

const files = import.meta.glob<string>('../../src/app/**/*.{ts,tsx}', {
  query: '?raw',
  import: 'default',
  eager: true,
});

describe('the door', () => {
  it('is the only way to the database for routes and pages', () => {
    expect(Object.keys(files).length).toBeGreaterThan(40);
    for (const [file, text] of Object.entries(files)) {
      expect(text, file).not.toMatch(/getStore|from '@\/store\//);
      if (/server\/(?!answer|door|pageDoor|log)\w+'/.test(text)) expect(text, file).toMatch(/\b(route|enterPage)\b/);
    }
  });
});
