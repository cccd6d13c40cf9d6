import { formatLength, type Units } from '@/core/base/units/length';
import { portKey } from '@/core/job/records/portKey';
import { isLive } from '@/core/job/records/run';
import { lineDashes } from '@/core/trade/patching/networks/networkMarks';
import type { PatchPlan } from '@/core/trade/patching/planPatching';
import { alike, kept } from './kept';
import { columnsOf } from './loomColumns';
import type { Loom } from './loomLayout';
import { cordCurve, placesOf, strandOf } from './strand';

type Place = { key: string; low: number; high: number };
/** A piece of a strand. `ink` is the name of a colour of the theme. */
export type LineMark = Place & {
  what: 'line';
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  ink: string;
  wide: number;
  alpha: number;
  dashes: readonly number[];
};
/** Length of a cord, which ends at `x`. */
export type WordsMark = Place & { what: 'words'; x: number; y: number; words: string };
/** Where a landed run waits for its cord. */
export type LooseMark = Place & { what: 'loose'; x: number; y: number };
export type Mark = LineMark | WordsMark | LooseMark;

/** Height of a sheet. Sheets are painted once and then scrolled, not painted anew. */
export const SHEET_PX = 120;
/** Marks reach so far beyond where they stand. */
export const REACH_PX = 6;
export type Sheet = { top: number; marks: Mark[] };

const PROPOSED: readonly number[] = [5, 4];
const SOLID: readonly number[] = [];

/** All that is painted of a loom, in the order in which it is painted. */
function marksOf(loom: Loom, width: number, proposal: PatchPlan | null, units: Units): Mark[] {
  const places = placesOf(loom);
  const x = columnsOf(width);
  const lines: Mark[] = [];
  const words: Mark[] = [];
  const loose: Mark[] = [];
  for (const row of loom.rows) {
    const { run, network, landing, cord, cordMm } = row.trace;
    const ink = network ? `net-${network.colour}` : 'soft';
    const dashes = network ? lineDashes[network.pattern] : SOLID;
    const look = { ink, dashes, wide: cord ? 2 : 1.2, alpha: cord ? 0.85 : 0.5 };
    const { curves, cordEnd } = strandOf(row, places, width);
    for (const [at, [x1, y1, x2, y2]] of curves.entries()) {
      const place = { key: `${run.id} ${at}`, low: Math.min(y1, y2), high: Math.max(y1, y2) };
      lines.push({ what: 'line', ...place, x1, y1, x2, y2, ...look });
    }
    const single = (y: number) => ({ key: `${run.id} end`, low: y, high: y, y });
    if (cordEnd && cordMm !== null)
      words.push({ what: 'words', ...single(cordEnd.y), x: cordEnd.x - 3, words: formatLength(cordMm, units) });
    const panelY = landing && places.panel.get(portKey(landing.panelId, landing.port));
    if (panelY != null && !cord && isLive(run)) loose.push({ what: 'loose', ...single(panelY), x: x.panel + 19 });
  }
  const proposed = (proposal?.cords ?? []).flatMap((cord): Mark[] => {
    const from = places.panel.get(portKey(cord.panelId, cord.panelPort));
    const to = places.device.get(portKey(cord.switchId, cord.switchPort));
    if (from === undefined || to === undefined) return [];
    const [x1, y1, x2, y2] = cordCurve(width, from, to);
    const place = { key: `proposed ${cord.panelId} ${cord.panelPort}`, low: Math.min(y1, y2), high: Math.max(y1, y2) };
    return [{ what: 'line', ...place, x1, y1, x2, y2, ink: 'act', wide: 2.4, alpha: 1, dashes: PROPOSED }];
  });
  return [...lines, ...proposed, ...words, ...loose];
}

/**
 * The sheets of a loom with what is painted on each.
 * @param before the sheets there were: one on which nothing changed stays the same, so that it is not painted anew
 */
export function strandSheets(
  before: readonly Sheet[],
  loom: Loom,
  width: number,
  proposal: PatchPlan | null,
  units: Units,
): Sheet[] {
  const former = before.flatMap(({ marks }) => marks);
  const marks = kept<Mark>(former, marksOf(loom, width, proposal, units), ({ key }) => key, alike);
  const now: Sheet[] = [];
  for (let top = 0; top < loom.height; top += SHEET_PX) {
    const [from, to] = [top - REACH_PX, top + SHEET_PX + REACH_PX];
    now.push({ top, marks: marks.filter(({ low, high }) => high >= from && low <= to) });
  }
  const same = (a: Sheet, b: Sheet) =>
    a.marks.length === b.marks.length && a.marks.every((mark, at) => mark === b.marks[at]);
  return kept(before, now, ({ top }) => String(top), same);
}
