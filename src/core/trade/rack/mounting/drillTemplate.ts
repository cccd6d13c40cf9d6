import type { Mount } from '../../../job/records/mount';

export type TemplateMark = { xMm: number; yMm: number; words: string };
export type DrillTemplate = {
  widthMm: number;
  heightMm: number;
  marks: TemplateMark[];
  tiles: { column: number; row: number; xMm: number; yMm: number }[];
  columns: number;
  rows: number;
};

/** What of a sheet can be printed on, and how far tiles run over one another, millimetres. Fits A4 and Letter. */
export const tile = { widthMm: 190, heightMm: 250, overlapMm: 10 } as const;
const EDGE_MM = 30;

/** Holes of a bracket in true size, cut into sheets: y from the top fixing line down. */
export function drillTemplate(mount: Mount): DrillTemplate {
  const line = (count: number, yMm: number, words: string): TemplateMark[] =>
    Array.from({ length: count }, (_, at) => ({
      xMm: EDGE_MM + (count === 1 ? mount.bracketWidthMm / 2 : (at * mount.bracketWidthMm) / (count - 1)),
      yMm: EDGE_MM + yMm,
      words: `${words} ${at + 1}`,
    }));
  const marks = [...line(mount.topCount, 0, 'top'), ...line(mount.bottomCount, mount.lineHeightMm, 'bottom')];
  const widthMm = mount.bracketWidthMm + 2 * EDGE_MM;
  const heightMm = (mount.bottomCount > 0 ? mount.lineHeightMm : 0) + 2 * EDGE_MM;
  const steps = (length: number, size: number) =>
    Math.max(1, Math.ceil((length - tile.overlapMm) / (size - tile.overlapMm)));
  const [columns, rows] = [steps(widthMm, tile.widthMm), steps(heightMm, tile.heightMm)];
  const tiles = Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (__, column) => ({
      column,
      row,
      xMm: column * (tile.widthMm - tile.overlapMm),
      yMm: row * (tile.heightMm - tile.overlapMm),
    })),
  ).flat();
  return { widthMm, heightMm, marks, tiles, columns, rows };
}
