import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { plainPicture } from './plainPicture';

/** A picture of two colours, as a telephone gives it: lying on its side, with a place in it. */
const shot = (width = 400, height = 300): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: '#406080' } })
    .composite([
      {
        input: { create: { width: width / 4, height: height / 4, channels: 3, background: '#c02020' } },
        left: 0,
        top: 0,
      },
    ])
    .jpeg()
    .withExif({ IFD0: { Copyright: 'Somebody', ImageDescription: 'back door' }, IFD3: { GPSLatitudeRef: 'N' } })
    .withMetadata({ orientation: 6 })
    .toBuffer();

describe('a photograph', () => {
  it('loses place, time and remarks, and stands upright by itself', async () => {
    const given = await shot();
    expect((await sharp(given).metadata()).exif).toBeDefined();
    const made = await plainPicture(given);
    const head = await sharp(made).metadata();
    expect([head.width, head.height, head.exif, head.orientation]).toEqual([300, 400, undefined, undefined]);
    expect(Buffer.from(made).includes('back door')).toBe(false);
    // Turned a quarter to the right: what was at the top left stands at the top right.
    const { data } = await sharp(made).extract({ left: 290, top: 5, width: 1, height: 1 }).raw().toBuffer({
      resolveWithObject: true,
    });
    expect(data[0]).toBeGreaterThan(150);
  });

  it('loses what stands behind its end', async () => {
    const words = '<script>alert(1)</script> 51.50 N 0.12 W';
    const made = await plainPicture(Buffer.concat([await shot(), Buffer.from(words)]));
    expect(Buffer.from(made).includes('script')).toBe(false);
    expect(Buffer.from(made).includes('51.50')).toBe(false);
  });

  it('that says that it is larger than can be looked at is refused', async () => {
    const given = Buffer.from(await shot());
    // ITU-T T.81, B.2.2: the start of a frame says height and width five bytes behind its marker.
    const frame = given.findIndex((byte, at) => byte === 0xff && given[at + 1] === 0xc0);
    given.writeUInt16BE(65_535, frame + 5);
    given.writeUInt16BE(65_535, frame + 7);
    await expect(plainPicture(given)).rejects.toThrow(/photograph|pixels/);
  });

  it('is made no larger than labels need', async () => {
    const made = await plainPicture(await shot(5000, 2000));
    const { width, height } = await sharp(made).metadata();
    expect([width, height]).toEqual([1638, 4096]);
  });

  it('is refused in words where it is none, or is cut off', async () => {
    const whole = await shot();
    const png = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    const bad = [new Uint8Array(), new TextEncoder().encode('<svg onload=x>'), png, whole.subarray(0, 90)];
    for (const bytes of bad) await expect(plainPicture(bytes)).rejects.toThrow('expected a picture as JPEG');
  });
});
