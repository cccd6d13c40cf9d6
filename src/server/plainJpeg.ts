import { refuse } from '../core/text/refusal';

/** Segments of a picture that say where, when and with what it was taken, and remarks: all that is no picture. */
const isRemark = (marker: number): boolean => (marker >= 0xe1 && marker <= 0xef) || marker === 0xfe;

/**
 * A JPEG picture without anything but the picture: places, times and remarks are left out.
 * @throws Refusal when it is no such picture
 */
export function plainJpeg(bytes: Uint8Array): Uint8Array {
  const wrong = (): never => refuse('photograph', 'It is no photograph: expected a picture as JPEG.');
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return wrong();
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return wrong();
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xff) {
      at += 1;
      continue;
    }
    const size = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    if (size < 2 || at + 2 + size > bytes.length) return wrong();
    if (!isRemark(marker)) kept.push(bytes.subarray(at, at + 2 + size));
    at += 2 + size;
    // What comes behind the start of the scan is the picture itself.
    if (marker === 0xda) {
      kept.push(bytes.subarray(at));
      return new Uint8Array(Buffer.concat(kept));
    }
  }
  return wrong();
}
