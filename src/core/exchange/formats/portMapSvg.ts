import { escapeXml } from '../../base/text/escapeXml';
import type { Gathering } from '../../findings/wiring/gatherRuns';
import { type LoomMark, loomSheets } from '../../findings/wiring/loomSheets';
import type { Job } from '../../job/document/job';

const n = (mm: number): string => String(Number(mm.toFixed(2)));
const GAP_MM = 6;
const LINES = {
  none: 'stroke="none"',
  thin: 'stroke="#222" stroke-width="0.2"',
  thick: 'stroke="#222" stroke-width="0.6"',
};

function markSvg(mark: LoomMark): string {
  if (mark.kind === 'text')
    return `<text x="${n(mark.x)}" y="${n(mark.y)}" font-size="${n(mark.sizeMm)}" text-anchor="${mark.anchor}"${mark.bold ? ' font-weight="700"' : ''}>${escapeXml(mark.text)}</text>`;
  if (mark.kind === 'box')
    return `<rect x="${n(mark.x)}" y="${n(mark.y)}" width="${n(mark.width)}" height="${n(mark.height)}" rx="0.4" fill="#fff" ${LINES[mark.line]}/>`;
  if (mark.kind === 'rule')
    return `<path d="M${n(mark.x1)} ${n(mark.y1)}L${n(mark.x2)} ${n(mark.y2)}" stroke="#222" stroke-width="0.3"/>`;
  const { x1, y1, x2, y2, ink, dashesMm, widthMm } = mark;
  const middle = n((x1 + x2) / 2);
  const dashes = dashesMm.length > 0 ? ` stroke-dasharray="${dashesMm.map(n).join(' ')}"` : '';
  return `<path d="M${n(x1)} ${n(y1)}C${middle} ${n(y1)} ${middle} ${n(y2)} ${n(x2)} ${n(y2)}" fill="none" stroke="${ink}" stroke-width="${widthMm}"${dashes}/>`;
}

/** The port map as one drawing in millimetres: its sheets one below the other. */
export function portMapSvg(job: Job, gathering: Gathering): string {
  const { widthMm, heightMm, sheets } = loomSheets(job, gathering);
  const height = sheets.length * (heightMm + GAP_MM) - GAP_MM;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(height)}mm" viewBox="0 0 ${n(widthMm)} ${n(height)}" font-family="monospace" dominant-baseline="central">`,
    `<title>${escapeXml(`Port map of ${job.name}`)}</title>`,
    ...sheets.flatMap((marks, at) => [
      `<g transform="translate(0 ${n(at * (heightMm + GAP_MM))})">`,
      `<rect width="${n(widthMm)}" height="${n(heightMm)}" fill="#fff"/>`,
      ...marks.map(markSvg),
      '</g>',
    ]),
    '</svg>',
    '',
  ].join('\n');
}
