import sharp from 'sharp';
import { refuse } from '../core/base/text/refusal';

/** Width times height of a photograph, at most: a telephone's own are below this. */
const MOST_PIXELS = 50_000_000;
/** The longer side of what is kept, pixels: small words on a label can be read at it. */
const LONGEST = 4096;
const QUALITY = 85;

/**
 * A photograph as it is kept: read and written anew, so that nothing but the picture is in it: no place, no time, no remarks, and
 * nothing behind its end. It stands upright by itself.
 * @throws Refusal when it is no JPEG, is broken, or is larger than can be looked at
 */
export async function plainPicture(bytes: Uint8Array): Promise<Uint8Array> {
  const wrong = (): never => refuse('photograph', 'It is no photograph: expected a picture as JPEG that is whole.');
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return wrong();
  const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true });
  const head = await picture.metadata().catch(() => wrong());
  if (head.format !== 'jpeg') return wrong();
  if (head.width * head.height > MOST_PIXELS)
    refuse('photograph', `The picture has ${head.width} × ${head.height} pixels: expected at most 50 million.`);
  const made = await picture
    .autoOrient()
    .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: QUALITY, mozjpeg: false })
    .toBuffer()
    .catch(() => wrong());
  return new Uint8Array(made);
}
