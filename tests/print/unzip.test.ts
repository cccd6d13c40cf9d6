import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { unzip } from '../../src/print/unzip';

const MB = 1024 * 1024;
const limits = { bytes: 8 * MB, files: 10 };

/** Says in every header that nothing is larger than a few bytes. */
function liedAbout(zip: Uint8Array): Uint8Array {
  const lying = zip.slice();
  const view = new DataView(lying.buffer);
  for (let at = 0; at + 30 < lying.length; at++) {
    // PKWARE APPNOTE 4.3.7 and 4.3.12: the size unpacked stands 22 bytes behind the start of a file, 24 behind that of its line in the list.
    if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 9, true);
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 9, true);
  }
  return lying;
}

describe('an archive', () => {
  it('gives its files, those that are wanted', () => {
    const zip = zipSync({
      'a.txt': strToU8('first'),
      'b/c.txt': [strToU8('second'), { level: 0 }],
      empty: strToU8(''),
    });
    const all = unzip(zip, limits);
    expect([...(all ?? [])].map(([name, body]) => [name, new TextDecoder().decode(body)])).toEqual([
      ['a.txt', 'first'],
      ['b/c.txt', 'second'],
      ['empty', ''],
    ]);
    expect([...(unzip(zip, limits, (name) => name === 'a.txt')?.keys() ?? [])]).toEqual(['a.txt']);
  });

  it.each([
    ['as it says', (zip: Uint8Array) => zip],
    ['whatever it says', liedAbout],
  ])('that holds too much is refused before it is unpacked: %s', (_, change) => {
    const bomb = change(zipSync({ zeros: new Uint8Array(300 * MB) }));
    const before = process.memoryUsage().arrayBuffers;
    const began = performance.now();
    expect(() => unzip(bomb, limits)).toThrow(/more than 8 MB/);
    expect(performance.now() - began).toBeLessThan(2000);
    expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(100 * MB);
  });

  it('of very many files is refused', () => {
    const many = zipSync(Object.fromEntries(Array.from({ length: 12 }, (_, at) => [`f${at}`, strToU8('x')])));
    expect(() => unzip(many, limits)).toThrow(/10 files/);
  });

  it('that is cut or none at all is null', () => {
    const zip = zipSync({ a: strToU8('first '.repeat(1000)) });
    for (const bytes of [new Uint8Array(), strToU8('PK\u0003\u0004 and nothing'), zip.subarray(0, zip.length - 5)])
      expect(unzip(bytes, limits)).toBeNull();
  });
});
