import { paperOf } from '../core/base/standards/countries';
import { groupBy } from '../core/base/text/groupBy';
import { frontSvg } from '../core/exchange/formats/elevationSvg';
import type { About } from '../core/exchange/handover/about';
import { type PathLine, pathLines } from '../core/exchange/handover/pathLine';
import type { Job } from '../core/job/document/job';
import { drawCode } from './codeMatrix';
import { svgPng } from './elevationPng';
import { A4, openPdf, type Pdf } from './pdf';

const A3 = { widthMm: 420, heightMm: 297 } as const;
const MARGIN = 12;
const TOP = 34;
/** Up to so many lines a sheet of A4 is read at arm's length; beyond it is laid on A3. */
const MOST_ON_A4 = 56;
/** Letters, mm: as large as there is room for. */
const SIZES = [4.6, 4.2, 3.8, 3.4, 3, 2.7, 2.4, 2.1, 1.9];
const LINE = 1.34;
/** Narrowest column, in letters of its size. */
const LETTERS_A_COLUMN = 24;
const CODE_MM = 24;

type Line = { words: string; head: boolean };

const lineOf = (line: PathLine): string =>
  [
    line['panel port'].padStart(2),
    line.label,
    line.switch ? `> ${line.switch} ${line['switch port']}` : 'not patched',
    line.room,
  ]
    .filter(Boolean)
    .join('  ');

/** Panel by panel the ports with what is on them, then what is cabled inside. */
function linesOf(job: Job): Line[] {
  const all = pathLines(job);
  const landed = all.filter(({ panel }) => panel !== '');
  const port = (line: PathLine) => Number(line['panel port']);
  const panels = [...groupBy(landed, ({ panel }) => panel)].flatMap(([panel, lines]): Line[] => [
    { words: panel, head: true },
    ...lines.sort((a, b) => port(a) - port(b)).map((line) => ({ words: lineOf(line), head: false })),
  ]);
  const inside = all.filter(({ label, device }) => label === '' && device !== '');
  return inside.length === 0
    ? panels
    : [
        ...panels,
        { words: 'Inside the cabinet', head: true },
        ...inside.map(({ device, outlet, switch: host, 'switch port': at }) => ({
          words: `${device} ${outlet}  > ${host} ${at}`,
          head: false,
        })),
      ];
}

/** The cabinet's front and its port map on one page for its door, with a code that leads to the job. */
export async function doorPdf(job: Job, root: string, about: About): Promise<Buffer> {
  const lines = linesOf(job);
  const paper = lines.length <= MOST_ON_A4 ? A4 : A3;
  const pdf = openPdf(`Door sheet of ${job.name}`, root, paperOf(job));
  const { document } = pdf;
  pdf.page(paper.widthMm, paper.heightMm);
  const wide = paper.widthMm - 2 * MARGIN;
  pdf.text(pdf.fitted(job.name, wide - CODE_MM - 4, 9, true), MARGIN, 20, 9, true);
  pdf.text(pdf.fitted(`${about.version}, ${about.at.slice(0, 10)}`, wide - CODE_MM - 4, 3.4), MARGIN, 27, 3.4);
  if (about.address) drawCode(document, about.address, paper.widthMm - MARGIN - CODE_MM, 6, CODE_MM);
  const left = await drawFront(pdf, job, root, paper === A4 ? wide * 0.36 : wide * 0.24, paper.heightMm - TOP - MARGIN);
  drawLines(pdf, lines, {
    x: MARGIN + left,
    width: wide - left,
    height: paper.heightMm - TOP - MARGIN,
  });
  return pdf.finish();
}

/** @returns the width that it takes */
async function drawFront(pdf: Pdf, job: Job, root: string, widthMm: number, heightMm: number): Promise<number> {
  if (Object.keys(job.racks).length === 0) return 0;
  const svg = frontSvg(job);
  const found = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg);
  const [width, height] = [Number(found?.[1] ?? 1), Number(found?.[2] ?? 1)];
  const scale = Math.min(widthMm / width, heightMm / height);
  const png = await svgPng(svg, root, width * scale * 8);
  pdf.document.image(Buffer.from(png), MARGIN, TOP, { width: width * scale, height: height * scale });
  return width * scale + 6;
}

type Room = { x: number; width: number; height: number };

function drawLines(pdf: Pdf, lines: readonly Line[], { x, width, height }: Room): void {
  const laid = (size: number) => {
    const rows = Math.floor(height / (size * LINE));
    const columns = Math.max(1, Math.ceil(lines.length / rows));
    return { size, rows, columns, enough: width / columns >= size * 0.6 * LETTERS_A_COLUMN };
  };
  const { size, rows, columns, enough } = SIZES.map(laid).find((one) => one.enough) ?? laid(SIZES.at(-1) ?? 2);
  const most = enough ? columns : Math.max(1, Math.floor(width / (size * 0.6 * LETTERS_A_COLUMN)));
  const room = most * rows;
  const shown = lines.length <= room ? lines : lines.slice(0, room - 1);
  const each = width / most;
  const put = (words: string, at: number, bold: boolean) => {
    const left = x + Math.floor(at / rows) * each;
    const down = TOP + size + (at % rows) * size * LINE;
    pdf.text(pdf.fitted(words, each - 3, size, bold), left, down, size, bold);
  };
  for (const [at, { words, head }] of shown.entries()) put(words, at, head);
  if (shown.length < lines.length) put(`and ${lines.length - shown.length} more: see the port map`, shown.length, true);
  if (lines.length === 0) put('Nothing is landed yet.', 0, false);
}
