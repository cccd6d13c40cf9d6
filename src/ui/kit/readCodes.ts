import { BarcodeDetector, prepareZXingModule } from 'barcode-detector/ponyfill';

/** The reader's own file, served by us: nothing is fetched from elsewhere. */
const WASM = new URL('zxing-wasm/reader/zxing_reader.wasm', import.meta.url).href;
let detector: BarcodeDetector | null = null;

/** Codes in a picture, as text. */
export async function readCodes(picture: ImageBitmapSource): Promise<string[]> {
  if (!detector) {
    prepareZXingModule({ overrides: { locateFile: () => WASM } });
    detector = new BarcodeDetector({ formats: ['qr_code'] });
  }
  return (await detector.detect(picture)).map(({ rawValue }) => rawValue).filter(Boolean);
}
