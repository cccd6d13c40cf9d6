import { memo, useEffect, useRef } from 'react';
import { useThemeName } from '../kit/theme';
import { paintLater } from './paintLater';
import { clipCurve } from './sCurve';
import { type LineMark, type LooseMark, REACH_PX, SHEET_PX, type Sheet, type WordsMark } from './strandSheets';

export const LENGTH_PX = 10;

type Ink = (name: string) => string;

function line(context: OffscreenCanvasRenderingContext2D, mark: LineMark, top: number, ink: Ink) {
  const { x1, y1, x2, y2, wide, alpha, dashes } = mark;
  const clipped = clipCurve([x1, y1, x2, y2], top - REACH_PX, top + SHEET_PX + REACH_PX);
  if (!clipped) return;
  const [ax, ay, bx, by, cx, cy, dx, dy] = clipped.points;
  context.globalAlpha = alpha;
  context.lineWidth = wide;
  context.strokeStyle = ink(mark.ink);
  context.setLineDash([...dashes]);
  context.lineDashOffset = dashes.length > 0 ? clipped.before : 0;
  context.beginPath();
  context.moveTo(ax, ay);
  context.bezierCurveTo(bx, by, cx, cy, dx, dy);
  context.stroke();
}

function words(context: OffscreenCanvasRenderingContext2D, { x, y, words }: WordsMark, ink: Ink, family: string) {
  context.font = `${LENGTH_PX}px ${family}`;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  const wide = context.measureText(words).width;
  context.globalAlpha = 1;
  context.fillStyle = ink('paper');
  context.fillRect(x - wide - 2, y - LENGTH_PX / 2, wide + 3, LENGTH_PX);
  context.fillStyle = ink('soft');
  context.fillText(words, x, y);
}

function loose(context: OffscreenCanvasRenderingContext2D, { x, y }: LooseMark, ink: Ink) {
  context.globalAlpha = 1;
  context.setLineDash([]);
  context.lineWidth = 2;
  context.strokeStyle = ink('bite');
  context.fillStyle = ink('paper');
  context.beginPath();
  context.arc(x, y, 3.4, 0, 2 * Math.PI);
  context.fill();
  context.stroke();
}

function paint(context: OffscreenCanvasRenderingContext2D, { top, marks }: Sheet, ink: Ink, family: string) {
  for (const mark of marks) {
    if (mark.what === 'line') line(context, mark, top, ink);
    else if (mark.what === 'words') words(context, mark, ink, family);
    else loose(context, mark, ink);
  }
}

/** A piece of the loom's height with its strands painted on. What is not in view is painted a little later. */
export const StrandSheet = memo(function StrandSheet({ sheet, width }: { sheet: Sheet; width: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useThemeName();
  useEffect(() => {
    const element = canvas.current;
    const shown = element?.getContext('bitmaprenderer');
    if (!element || !shown) return;
    // The theme is read with the colours.
    void theme;
    const work = () => {
      const scale = window.devicePixelRatio || 1;
      // Painted apart and shown as a picture: a canvas that is drawn on is made anew at each frame of scrolling.
      const painted = new OffscreenCanvas(Math.round(width * scale), Math.round(SHEET_PX * scale));
      const context = painted.getContext('2d');
      if (!context) return;
      const style = getComputedStyle(element);
      const inks = new Map<string, string>();
      const ink = (name: string) => {
        const known = inks.get(name) ?? style.getPropertyValue(`--${name}`).trim();
        inks.set(name, known);
        return known;
      };
      context.setTransform(scale, 0, 0, scale, 0, -sheet.top * scale);
      paint(context, sheet, ink, style.fontFamily);
      shown.transferFromImageBitmap(painted.transferToImageBitmap());
    };
    const { top, bottom } = element.getBoundingClientRect();
    if (bottom < 0 || top > window.innerHeight) return paintLater(work);
    work();
  }, [sheet, width, theme]);
  return (
    <canvas
      ref={canvas}
      className="pointer-events-none absolute left-0 block"
      style={{ top: sheet.top, width, height: SHEET_PX }}
    />
  );
});
