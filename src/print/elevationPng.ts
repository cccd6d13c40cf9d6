import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { initWasm, Resvg } from '@resvg/resvg-wasm';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import type { Job } from '../core/job/document/job';
import { fontFile } from './pdf';

let ready: Promise<void> | null = null;
/** Wide enough to read a port, narrow enough to be sent. */
const MOST_PIXELS = 8000;

/**
 * A drawing as a picture.
 * @param root folder of the program, where its fonts are
 * @param widthPx of the picture; at most two pixels a millimetre of the drawing where it is left out
 */
export async function svgPng(svg: string, root: string, widthPx?: number): Promise<Uint8Array> {
  ready ??= initWasm(readFileSync(join(root, 'node_modules/@resvg/resvg-wasm/index_bg.wasm')));
  await ready.catch((fault) => {
    // Tried again by the next one who asks.
    ready = null;
    throw fault;
  });
  // The drawing measures in millimetres; a pixel is the unit here.
  const plain = svg.replace(/width="([\d.]+)mm" height="([\d.]+)mm"/, 'width="$1" height="$2"');
  const width = Number(/ width="([\d.]+)"/.exec(plain)?.[1] ?? 1000);
  const most = Math.min(MOST_PIXELS / width, widthPx === undefined ? 2 : widthPx / width);
  const image = new Resvg(plain, {
    fitTo: { mode: 'zoom', value: most },
    font: {
      fontBuffers: [fontFile(root, '400Regular'), fontFile(root, '700Bold')],
      defaultFontFamily: 'JetBrains Mono',
      sansSerifFamily: 'JetBrains Mono',
      monospaceFamily: 'JetBrains Mono',
    },
  });
  try {
    const rendered = image.render();
    try {
      return rendered.asPng();
    } finally {
      rendered.free();
    }
  } finally {
    // It lies outside of what is collected by itself.
    image.free();
  }
}

/** The elevation as a picture, two pixels a millimetre. */
export const elevationPng = (job: Job, root: string): Promise<Uint8Array> => svgPng(elevationSvg(job), root);
