/** Longest side of a photograph, and of the small one that lists and the hand-over file show, pixels. */
const SIDES = { whole: 1600, small: 320 } as const;
const QUALITY = { whole: 0.8, small: 0.7 } as const;

export type SizeName = keyof typeof SIDES;

/**
 * A picture drawn anew as JPEG, no larger than it has to be: what the camera wrote beside it, such as the place, is not in it.
 * @throws Error when the browser cannot read it
 */
export async function smallPicture(file: Blob, size: SizeName): Promise<Uint8Array<ArrayBuffer>> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  try {
    const scale = Math.min(1, SIDES[size] / Math.max(picture.width, picture.height));
    const [width, height] = [
      Math.max(1, Math.round(picture.width * scale)),
      Math.max(1, Math.round(picture.height * scale)),
    ];
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')?.drawImage(picture, 0, 0, width, height);
    const made = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY[size] });
    return new Uint8Array(await made.arrayBuffer());
  } finally {
    picture.close();
  }
}
