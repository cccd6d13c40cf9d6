import { frameWidths, rackDimensions } from '../../../base/standards/rackDimensions';
import { fromMemory, published } from '../../../base/standards/source';
import type { Mount } from '../../../job/records/mount';
import type { Rack } from '../../../job/records/rack';

export const boardThicknessSource = published('ANSI/TIA-569: backboard of 19 mm (3/4 in) plywood');
export const boardDetailsSource = fromMemory('ANSI/TIA-569: void-free A-C grade, fire-retardant, fixed to structure');

/** Common practice, no source: board beyond the bracket on each side, rows of screws, and the sheet it is cut from. */
const MARGIN_MM = 100;
const ROW_MM = 300;
const SHEET = { widthMm: 2440, heightMm: 1220 } as const;

export type Backboard = {
  needed: boolean;
  why: string;
  widthMm: number;
  heightMm: number;
  thicknessMm: number;
  studs: number;
  rows: number;
  screws: { xMm: number; yMm: number }[];
  cuts: { words: string; widthMm: number; heightMm: number }[];
};

/** Whether every fixing of a line can meet a stud, with 10 mm of wood beside it at least. */
export function meetsStuds({ bracketWidthMm, topCount, bottomCount, studSpacingMm, studFaceMm }: Mount): boolean {
  const play = Math.max(0, studFaceMm / 2 - 10);
  return [topCount, bottomCount].every((count) => {
    if (count < 2) return true;
    const step = bracketWidthMm / (count - 1);
    const spans = Math.round(step / studSpacingMm);
    // Fixings run away from the studs a little more with each step.
    return spans >= 1 && Math.abs(step - spans * studSpacingMm) * (count - 1) <= play;
  });
}

/** A board over the studs for a bracket whose holes do not meet them: its size, its screws, and how it is cut. */
export function backboard(rack: Rack, mount: Mount): Backboard {
  const outer = rack.outerWidthMm ?? frameWidths[rack.frame].panelMm + 120;
  const tall = rack.outerHeightMm ?? rack.units * rackDimensions.unitMm + 80;
  const wanted = Math.max(outer, mount.bracketWidthMm + 2 * MARGIN_MM);
  const spans = Math.max(1, Math.ceil(wanted / mount.studSpacingMm));
  const widthMm = Math.round(spans * mount.studSpacingMm + mount.studFaceMm);
  const heightMm = Math.round(Math.max(tall, mount.bracketHeightMm) + 2 * MARGIN_MM);
  const rows = Math.max(3, Math.ceil((heightMm - 100) / ROW_MM) + 1);
  const studs = spans + 1;
  const screws = Array.from({ length: studs }, (_, stud) =>
    Array.from({ length: rows }, (__, row) => ({
      xMm: Math.round(mount.studFaceMm / 2 + stud * mount.studSpacingMm),
      yMm: Math.round(50 + (row * (heightMm - 100)) / (rows - 1)),
    })),
  ).flat();
  const needed = mount.wall === 'plasterboard' || (mount.wall === 'studs' && !meetsStuds(mount));
  return {
    needed,
    why:
      mount.wall === 'masonry'
        ? 'On masonry the bracket can go straight to the wall.'
        : needed
          ? 'Not every fixing of the bracket meets a stud: a board over the studs takes it anywhere.'
          : 'All fixings of the bracket can meet studs: no board is needed.',
    widthMm,
    heightMm,
    thicknessMm: mount.boardMm,
    studs,
    rows,
    screws,
    cuts: cutsOf(widthMm, heightMm),
  };
}

/** Pieces from sheets: one where it can be had in one, else strips that meet on studs or between rows. */
function cutsOf(widthMm: number, heightMm: number): Backboard['cuts'] {
  const fits = (width: number, height: number) =>
    (width <= SHEET.widthMm && height <= SHEET.heightMm) || (height <= SHEET.widthMm && width <= SHEET.heightMm);
  const parts = fits(widthMm, heightMm) ? 1 : Math.ceil(heightMm / SHEET.heightMm);
  return Array.from({ length: parts }, (_, at) => ({
    words: parts === 1 ? 'Board' : `Board ${at + 1} of ${parts}`,
    widthMm,
    heightMm: Math.round(heightMm / parts),
  }));
}
