import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { Paper } from '../core/base/standards/countries';
import { shortened } from '../core/base/text/shortened';

export const POINTS_PER_MM = 72 / 25.4;
export const A4 = { widthMm: 210, heightMm: 297 } as const;
const A3 = { widthMm: 297, heightMm: 420 } as const;
/** What a client in North America prints on instead (ANSI Y14.1: A and B, 8½ × 11 and 11 × 17 in). */
const LETTER = new Map<number, { widthMm: number; heightMm: number }>([
  [A4.heightMm, { widthMm: 215.9, heightMm: 279.4 }],
  [A3.heightMm, { widthMm: 279.4, heightMm: 431.8 }],
]);
/** How much higher what is drawn to scale begins on the shorter sheet, mm. */
const RAISED = 6;

/** The sheet that is put in for one of A4 or A3, upright or across; the same where paper is ISO or the size is another. */
function sheetFor(widthMm: number, heightMm: number, paper: Paper): { widthMm: number; heightMm: number } {
  const other = paper === 'letter' ? LETTER.get(Math.max(widthMm, heightMm)) : undefined;
  const own = [A4, A3].some(
    (one) => one.heightMm === Math.max(widthMm, heightMm) && one.widthMm === Math.min(widthMm, heightMm),
  );
  if (!other || !own) return { widthMm, heightMm };
  return heightMm > widthMm ? other : { widthMm: other.heightMm, heightMm: other.widthMm };
}

const FACES = 'node_modules/@expo-google-fonts/jetbrains-mono';
/** The whole face in one file: a document carries its own letters. */
export const fontFile = (root: string, weight: '400Regular' | '700Bold') =>
  readFileSync(join(root, FACES, weight, `JetBrainsMono_${weight}.ttf`));

/** Tables of a face that say which signs are joined or moved by what stands around them. */
const JOINS: ReadonlySet<string> = new Set(['GSUB', 'GPOS', 'GDEF']);
/**
 * The face with its letters one by one: it joins signs such as -> into one, and not every mark of its anchors can be set by the
 * PDF library. Those tables are given a name that nobody looks for. Letters that stand for themselves are also set many times
 * faster, since the library keeps each word that it has set.
 */
function plainFace(face: Buffer): Buffer {
  const plain = Buffer.from(face);
  // OpenType, table directory: a count at 4, and from 12 on records of 16 bytes that begin with the tag.
  for (let at = 0; at < plain.readUInt16BE(4); at++) {
    const record = 12 + at * 16;
    if (JOINS.has(plain.toString('latin1', record, record + 4))) plain.write('X', record + 3, 'latin1');
  }
  return plain;
}
/** Letters with their marks in one sign, where there is one: those need no anchors. */
const composed = (words: string) => words.normalize('NFC');

/** Width of a line in the face and size that are set, in the page's unit. */
export const lineWidth = (document: PDFKit.PDFDocument, words: string): number =>
  document.widthOfString(composed(words));

/** One line in the face and size that are set; `y` is its upper edge. */
export function drawLine(document: PDFKit.PDFDocument, words: string, x: number, y: number): void {
  document.text(composed(words), x, y, { lineBreak: false });
}

/** From line to line, of the size of the letters. */
const LEADING = 1.4;

export type Pdf = {
  document: PDFKit.PDFDocument;
  /**
   * A new page, measured in millimetres from its top left. On Letter what is laid out for A4 is drawn a little smaller.
   * @param toScale it is measured on the paper: drawn full size, and kept within 190 × 250 mm
   */
  page: (widthMm: number, heightMm: number, toScale?: boolean) => void;
  /** One line; `at` is its baseline. Size in millimetres. */
  text: (words: string, xMm: number, yMm: number, sizeMm: number, bold?: boolean, ink?: string) => void;
  /** Words as they fit into a width, shortened in the middle where they do not. */
  fitted: (words: string, widthMm: number, sizeMm: number, bold?: boolean) => string;
  widthOf: (words: string, sizeMm: number, bold?: boolean) => number;
  /** Words over as many lines as they need. @returns the baseline after the last line */
  lines: (words: string, xMm: number, yMm: number, widthMm: number, sizeMm: number, ink?: string) => number;
  /** Height that those lines take. */
  heightOf: (words: string, widthMm: number, sizeMm: number) => number;
  finish: () => Promise<Buffer>;
};

/**
 * A document in millimetres.
 * @param root folder of the program, where its fonts are
 * @param paper what the client prints on
 * @param bufferPages pages are kept until the end, so that what is only known then can be written on them
 */
export function openPdf(title: string, root: string, paper: Paper = 'a4', bufferPages = false): Pdf {
  const document = new PDFDocument({ margin: 0, autoFirstPage: false, bufferPages, info: { Title: title } });
  document.registerFont('plain', plainFace(fontFile(root, '400Regular')));
  document.registerFont('bold', plainFace(fontFile(root, '700Bold')));
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
  });
  const text: Pdf['text'] = (words, xMm, yMm, sizeMm, bold = false, ink = '#000') => {
    document
      .font(bold ? 'bold' : 'plain')
      .fontSize(sizeMm)
      .fillColor(ink);
    drawLine(document, words, xMm, yMm - sizeMm);
  };
  /** Words over lines; a word wider than a line goes over several. */
  const wrapped = (words: string, widthMm: number, sizeMm: number): string[] => {
    document.font('plain').fontSize(sizeMm);
    const fits = (part: string) => lineWidth(document, part) <= widthMm;
    const lines: string[] = [];
    let line = '';
    for (const word of words.split(' ')) {
      const longer = line === '' ? word : `${line} ${word}`;
      if (fits(longer)) {
        line = longer;
        continue;
      }
      if (line !== '') lines.push(line);
      line = '';
      for (const letter of word) {
        if (line !== '' && !fits(line + letter)) {
          lines.push(line);
          line = '';
        }
        line += letter;
      }
    }
    return [...lines, line];
  };
  return {
    document,
    text,
    page: (widthMm, heightMm, toScale = false) => {
      const sheet = sheetFor(widthMm, heightMm, paper);
      document.addPage({ size: [sheet.widthMm * POINTS_PER_MM, sheet.heightMm * POINTS_PER_MM], margin: 0 });
      document.scale(POINTS_PER_MM);
      if (sheet.heightMm === heightMm && sheet.widthMm === widthMm) return;
      const share = toScale ? 1 : Math.min(sheet.widthMm / widthMm, sheet.heightMm / heightMm);
      document.translate(
        (sheet.widthMm - widthMm * share) / 2,
        toScale ? -RAISED : (sheet.heightMm - heightMm * share) / 2,
      );
      document.scale(share);
    },
    fitted: (words, widthMm, sizeMm, bold = false) => {
      document.font(bold ? 'bold' : 'plain').fontSize(sizeMm);
      return shortened(words, (text) => lineWidth(document, text) <= widthMm);
    },
    widthOf: (words, sizeMm, bold = false) => {
      document.font(bold ? 'bold' : 'plain').fontSize(sizeMm);
      return lineWidth(document, words);
    },
    lines: (words, xMm, yMm, widthMm, sizeMm, ink) => {
      let y = yMm;
      for (const line of wrapped(words, widthMm, sizeMm)) {
        text(line, xMm, y, sizeMm, false, ink);
        y += sizeMm * LEADING;
      }
      return y;
    },
    heightOf: (words, widthMm, sizeMm) => wrapped(words, widthMm, sizeMm).length * sizeMm * LEADING,
    finish: () => {
      document.end();
      return done;
    },
  };
}

/** A page with one remark, where there is nothing else to print. */
export function notePage(pdf: Pdf, words: string): void {
  pdf.page(A4.widthMm, A4.heightMm);
  pdf.lines(words, 14, 24, A4.widthMm - 28, 4);
}
