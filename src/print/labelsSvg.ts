import { escapeXml } from '../core/base/text/escapeXml';
import type { LabelPages, Mark } from '../core/trade/labels/labelPages';
import { textWidthMm } from '../core/trade/labels/labelSize';
import { codeMatrix, QUIET_MODULES } from './codeMatrix';

const n = (value: number) => String(Number(value.toFixed(3)));

function markSvg(mark: Mark): string {
  if (mark.kind === 'box') {
    const dash = mark.dashed ? ' stroke-dasharray="1 1"' : '';
    return `<rect x="${n(mark.x)}" y="${n(mark.y)}" width="${n(mark.width)}" height="${n(mark.height)}" fill="none" stroke="#888" stroke-width="0.1"${dash}/>`;
  }
  if (mark.kind === 'text') {
    const width = textWidthMm(mark.text, mark.sizeMm);
    return `<text x="${n(mark.x)}" y="${n(mark.y)}" font-size="${n(mark.sizeMm)}" font-weight="${mark.bold ? 700 : 400}" textLength="${n(width)}" lengthAdjust="spacingAndGlyphs">${escapeXml(mark.text)}</text>`;
  }
  const rows = codeMatrix(mark.text);
  const module = mark.sizeMm / (rows.length + 2 * QUIET_MODULES);
  const path = rows.flatMap((row, y) =>
    row.flatMap((dark, x) =>
      dark
        ? [
            `M${n(mark.x + (x + QUIET_MODULES) * module)} ${n(mark.y + (y + QUIET_MODULES) * module)}h${n(module)}v${n(module)}h-${n(module)}z`,
          ]
        : [],
    ),
  );
  return `<path d="${path.join('')}" fill="#000"/>`;
}

/** All pages of labels in one drawing, one below the other, in true size; or one of them, counted from 1. */
export function labelsSvg({ widthMm, heightMm, pages: all }: LabelPages, only?: number): string {
  const pages = only === undefined ? all : all.slice(only - 1, only);
  const gap = 5;
  const height = Math.max(1, pages.length) * (heightMm + gap) - gap;
  const body = pages.map(
    (marks, at) => `<g transform="translate(0 ${n(at * (heightMm + gap))})">
<rect width="${n(widthMm)}" height="${n(heightMm)}" fill="#fff"/>
${marks.map(markSvg).join('\n')}
</g>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(height)}mm" viewBox="0 0 ${n(widthMm)} ${n(height)}" font-family="'JetBrains Mono', monospace" text-anchor="middle" dominant-baseline="central">
${body.join('\n')}
</svg>
`;
}
