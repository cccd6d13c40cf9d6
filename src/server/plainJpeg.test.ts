import { describe, expect, it } from 'vitest';
import { plainJpeg } from './plainJpeg';

const segment = (marker: number, words: string): number[] => {
  const body = [...Buffer.from(words)];
  return [0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255, ...body];
};
const picture = (...more: number[][]): Uint8Array =>
  new Uint8Array([
    0xff,
    0xd8,
    ...segment(0xe0, 'JFIF'),
    ...more.flat(),
    ...segment(0xdb, 'table'),
    ...segment(0xda, 'scan'),
    1,
    2,
    3,
    0xff,
    0xd9,
  ]);

describe('a photograph', () => {
  it('loses place, time and remarks, and keeps the picture octet by octet', () => {
    const made = plainJpeg(picture(segment(0xe1, 'Exif GPS 51.5 N'), segment(0xed, 'more'), segment(0xfe, 'a remark')));
    expect(made).toEqual(picture());
    expect(Buffer.from(made).includes('GPS')).toBe(false);
    expect(plainJpeg(picture())).toEqual(picture());
  });

  it('is refused in words where it is none, or is cut off', () => {
    const bad = [
      new Uint8Array(),
      new TextEncoder().encode('<svg onload=x>'),
      picture().slice(0, 9),
      new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0xff, 0xff]),
    ];
    for (const bytes of bad) expect(() => plainJpeg(bytes)).toThrow('expected a picture as JPEG');
  });
});
