import { frameWidths } from '../../base/standards/rackDimensions';
import { groupBy } from '../../base/text/groupBy';
import { refuse } from '../../base/text/refusal';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portLayout } from '../../job/gear/portLayout';
import { gearShortNames } from '../../job/gear/shortNames';
import { portKey } from '../../job/records/portKey';
import type { Run } from '../../job/records/run';
import { panelsInOrder } from '../panels/panelsInOrder';
import { outletMap } from '../power/outletMap';
import { cableKindOf } from '../runs/cableKinds';
import { LABEL_SHEETS, type LabelOptions, type LabelSheetSize } from './labelOptions';
import { runsByPlace } from './labelScheme';
import { fitText, flagLengthMm, wrapLengthMm } from './labelSize';

/** What is drawn on a page, in millimetres from its upper left corner. Text stands on its middle. */
export type Mark =
  | { kind: 'box'; x: number; y: number; width: number; height: number; dashed: boolean }
  | { kind: 'text'; x: number; y: number; sizeMm: number; text: string; bold: boolean }
  | { kind: 'code'; x: number; y: number; sizeMm: number; text: string };

export type LabelPages = {
  widthMm: number;
  heightMm: number;
  pages: Mark[][];
  /** Labels that do not fit, in words. */
  faults: string[];
};

type Area = { x: number; y: number; width: number; height: number };
type Item = { lines: [main: string, more: string]; code: string | null; diameterMm: number; runLabel: string };

const DEFAULT_DIAMETER_MM = 6;
/** A mains cord. Common practice, no source. */
const MAINS_CORD_MM = 8;
const PAD_MM = 1;
const LEAST_PRINT_MM = 8;

const sheetOf = ({ sheet, own }: LabelOptions): LabelSheetSize =>
  sheet === 'own' ? (own ?? refuse('label-sheet', 'Say the measures of your own sheet.')) : LABEL_SHEETS[sheet].size;

/** Letters at most so high, mm: of the label itself, and of the line below it. */
type Letters = { main: number; more: number };
const LARGEST: Letters = { main: 8, more: 3.2 };
const LARGEST_ON_STRIP_MM = 4.5;

/** The smallest letters of a sheet, so that all of its labels can have the same. */
function smallestOf(pages: readonly (readonly Mark[])[]): Letters {
  const sizes = (bold: boolean) =>
    pages.flat().flatMap((mark) => (mark.kind === 'text' && mark.bold === bold ? [mark.sizeMm] : []));
  return { main: Math.min(LARGEST.main, ...sizes(true)), more: Math.min(LARGEST.more, ...sizes(false)) };
}

/** Text lines in an area, the first larger and bold, with a code at the left where there is one. */
function drawText(area: Area, item: Item, marks: Mark[], letters: Letters): boolean {
  const codeMm = item.code ? Math.min(area.height, area.width / 2.5) : 0;
  if (item.code && codeMm >= 7) {
    marks.push({ kind: 'code', x: area.x, y: area.y + (area.height - codeMm) / 2, sizeMm: codeMm, text: item.code });
  }
  const left = item.code && codeMm >= 7 ? codeMm + PAD_MM : 0;
  const width = area.width - left;
  const middle = area.x + left + width / 2;
  const [main, more] = item.lines;
  const moreSize = more ? fitText(more, width, area.height * 0.3) : null;
  const mainHeight = moreSize === null ? area.height : area.height * 0.6;
  const size = fitText(main, width, mainHeight);
  if (size === null) return false;
  const mainSize = Math.min(size, letters.main);
  const block = mainSize * 1.25 + (moreSize === null ? 0 : Math.min(moreSize, letters.more) * 1.4);
  const top = area.y + Math.max(0, (area.height - block) / 2);
  marks.push({ kind: 'text', x: middle, y: top + mainSize * 0.62, sizeMm: mainSize, text: main, bold: true });
  if (moreSize !== null) {
    const small = Math.min(moreSize, letters.more);
    marks.push({
      kind: 'text',
      x: middle,
      y: top + mainSize * 1.25 + small * 0.6,
      sizeMm: small,
      text: more,
      bold: false,
    });
  }
  return true;
}

/** One label on its place of the sheet. @returns what is wrong with it, in words, or null */
function drawLabel(kind: LabelOptions['kind'], area: Area, item: Item, marks: Mark[], letters: Letters): string | null {
  const inner = {
    x: area.x + PAD_MM,
    y: area.y + PAD_MM,
    width: area.width - 2 * PAD_MM,
    height: area.height - 2 * PAD_MM,
  };
  marks.push({ kind: 'box', ...area, dashed: true });
  const tooSmall = `${item.runLabel}: “${item.lines[0]}” does not fit.`;
  if (kind === 'wrap') {
    // Printed at the upper edge, as high as the clear rest that is wound over it allows.
    const printMm = Math.max(LEAST_PRINT_MM, Math.min(area.height / 2, area.height - wrapLengthMm(0, item.diameterMm)));
    const needMm = wrapLengthMm(printMm, item.diameterMm);
    marks.push({ kind: 'box', x: area.x, y: area.y, width: area.width, height: printMm, dashed: false });
    if (!drawText({ ...inner, height: printMm - 2 * PAD_MM }, item, marks, letters)) return tooSmall;
    if (needMm > area.height + 1e-6)
      return `A cable of ${item.diameterMm} mm wants a label ${needMm.toFixed(1)} mm long; these are ${area.height} mm.`;
    return null;
  }
  if (kind === 'flag' || kind === 'mains') {
    const turn = flagLengthMm(0, item.diameterMm);
    const flagMm = (area.width - turn) / 2;
    if (flagMm < 8)
      return `A turn round a cable of ${item.diameterMm} mm leaves flags of ${flagMm.toFixed(1)} mm only.`;
    const fits = [area.x, area.x + flagMm + turn].map((x) => {
      marks.push({ kind: 'box', x, y: area.y, width: flagMm, height: area.height, dashed: false });
      return drawText({ ...inner, x: x + PAD_MM, width: flagMm - 2 * PAD_MM }, item, marks, letters);
    });
    return fits.every(Boolean) ? null : tooSmall;
  }
  return drawText(inner, item, marks, letters) ? null : tooSmall;
}

function itemsOf(job: Job, runs: Run[], { kind, codeFor }: LabelOptions): Item[] {
  const code = (label: string) => (codeFor ? `${codeFor}${encodeURIComponent(label)}` : null);
  const one = (run: Run, more: string): Item => ({
    lines: [run.label, more],
    code: code(run.label),
    diameterMm: cableKindOf(job, run.cable)?.diameterMm ?? DEFAULT_DIAMETER_MM,
    runLabel: run.label,
  });
  if (kind === 'faceplate') {
    const plates = new Map<string, Run[]>();
    for (const run of runs) {
      const key = run.outlet ? [run.floor, run.room, run.outlet].join(':') : run.id;
      plates.set(key, [...(plates.get(key) ?? []), run]);
    }
    return [...plates.values()].map((members) => {
      const [first] = members as [Run];
      const item = one(first, [first.room, first.outlet].filter(Boolean).join(' '));
      return { ...item, lines: [members.map((run) => run.label).join('  '), item.lines[1]] };
    });
  }
  // Both ends of a cable carry the same text.
  return runs.flatMap((run) => {
    const item = one(run, [run.room, run.outlet].filter(Boolean).join(' '));
    return [item, item];
  });
}

/** Strips in true size, one above the other: a field under each port with the label of the run that lands there. */
function stripPages(job: Job, only: ReadonlySet<string> | null): LabelPages {
  const { landingAtPort } = indexJob(job);
  const [widthMm, heightMm, fieldMm] = [frameWidths['19-inch'].panelMm + 20, 297, 9];
  const faults: string[] = [];
  const marks: Mark[][] = [[]];
  let y = 12;
  for (const panel of panelsInOrder(job)) {
    const boxes = portLayout(panel);
    const rows = [...new Set(boxes.map((box) => box.y))].sort((a, b) => a - b);
    for (const [at, row] of rows.entries()) {
      if (y + fieldMm + 8 > heightMm - 10) {
        marks.push([]);
        y = 12;
      }
      const page = marks.at(-1) as Mark[];
      const name = `${gearShortNames(job).get(panel.id)} · ${panel.name}${rows.length > 1 ? `, row ${at + 1}` : ''}`;
      page.push({ kind: 'text', x: 10 + name.length, y: y - 3, sizeMm: 3, text: name, bold: false });
      const ports = boxes.filter((box) => box.y === row).sort((a, b) => a.x - b.x);
      for (const [one, port] of ports.entries()) {
        const middle = 10 + port.x + port.width / 2;
        const next = ports[one + 1] ?? ports[one - 1];
        const width = Math.min(next ? Math.abs(next.x - port.x) : port.width, port.width + 8);
        page.push({ kind: 'box', x: middle - width / 2, y, width, height: fieldMm, dashed: false });
        const landing = landingAtPort.get(portKey(panel.id, port.number));
        const run = landing && job.runs[landing.runId];
        if (!run || (only && !only.has(run.id))) continue;
        const size = fitText(run.label, width - 1, fieldMm - 1);
        if (size === null)
          faults.push(`${run.label}: does not fit on the strip of ${panel.name}, ${width.toFixed(1)} mm a port.`);
        else
          page.push({
            kind: 'text',
            x: middle,
            y: y + fieldMm / 2,
            sizeMm: Math.min(size, LARGEST_ON_STRIP_MM),
            text: run.label,
            bold: true,
          });
      }
      y += fieldMm + 10;
    }
  }
  const { main } = smallestOf(marks);
  const level = (mark: Mark): Mark => (mark.kind === 'text' && mark.bold ? { ...mark, sizeMm: main } : mark);
  return { widthMm, heightMm, pages: marks.map((page) => page.map(level)), faults };
}

/** Both ends of each mains cord: the outlet, and below it the device. */
const mainsItems = (job: Job): Item[] =>
  outletMap(job)
    .filter(({ device }) => device !== '')
    .flatMap(({ feedShort, outlet, device, deviceShort, inlet }) => {
      const item: Item = {
        lines: [`${feedShort} ${outlet.number}`, inlet !== null && inlet > 1 ? `${deviceShort} ${inlet}` : deviceShort],
        code: null,
        diameterMm: MAINS_CORD_MM,
        runLabel: device,
      };
      return [item, item];
    });

/** Strips in true size: a field over each mains outlet with its number and what is in it. */
function outletPages(job: Job): LabelPages {
  const [fieldMm, gapMm, marginMm] = [11, 10, 12];
  const rows = groupBy(outletMap(job), ({ feed }) => feed);
  const longest = Math.max(150, ...[...rows.values()].map((row) => row.at(-1)?.outlet.xMm ?? 0));
  const [widthMm, heightMm] = [longest + 80, 297];
  const pages: Mark[][] = [[]];
  const faults: string[] = [];
  let y = marginMm;
  for (const [feed, row] of rows) {
    if (y + fieldMm + gapMm > heightMm - marginMm) {
      pages.push([]);
      y = marginMm;
    }
    const page = pages.at(-1) as Mark[];
    page.push({ kind: 'text', x: 10 + feed.length, y: y - 3, sizeMm: 3, text: feed, bold: false });
    row.forEach(({ outlet, deviceShort }, at) => {
      const next = row[at + 1] ?? row[at - 1];
      const width = next ? Math.abs(next.outlet.xMm - outlet.xMm) : 40;
      const middle = 30 + outlet.xMm;
      page.push({ kind: 'box', x: middle - width / 2, y, width, height: fieldMm, dashed: false });
      page.push({ kind: 'text', x: middle, y: y + 3.4, sizeMm: 3, text: String(outlet.number), bold: false });
      if (deviceShort === '') return;
      const size = fitText(deviceShort, width - 1, fieldMm - 6);
      if (size === null) faults.push(`${deviceShort}: does not fit over outlet ${outlet.number} of ${feed}.`);
      else
        page.push({
          kind: 'text',
          x: middle,
          y: y + 7.6,
          sizeMm: Math.min(size, LARGEST_ON_STRIP_MM),
          text: deviceShort,
          bold: true,
        });
    });
    y += fieldMm + gapMm;
  }
  const { main } = smallestOf(pages);
  const level = (mark: Mark): Mark => (mark.kind === 'text' && mark.bold ? { ...mark, sizeMm: main } : mark);
  return { widthMm, heightMm, pages: pages.map((page) => page.map(level)), faults };
}

/** The sheets of labels of a job as marks on pages, ready to be drawn in any format. Runs in the order of a walk through the site. */
export function labelPages(job: Job, options: LabelOptions): LabelPages {
  const only = options.runIds ? new Set(options.runIds) : null;
  if (options.kind === 'strip') return stripPages(job, only);
  if (options.kind === 'outlets') return outletPages(job);
  const size = sheetOf(options);
  const runs = runsByPlace(job).filter((run) => !only || only.has(run.id));
  const items = options.kind === 'mains' ? mainsItems(job) : itemsOf(job, runs, options);
  const [across, down] = [size.labelWidthMm + size.gapXMm, size.labelHeightMm + size.gapYMm];
  const used = {
    width: size.leftMm + size.columns * across - size.gapXMm,
    height: size.topMm + size.rows * down - size.gapYMm,
  };
  if (used.width > size.pageWidthMm + 0.1 || used.height > size.pageHeightMm + 0.1) {
    refuse(
      'label-sheet',
      `The labels take ${used.width.toFixed(1)} × ${used.height.toFixed(1)} mm and the page has ${size.pageWidthMm} × ${size.pageHeightMm} mm: fewer or smaller ones fit.`,
    );
  }
  const perPage = size.columns * size.rows;
  const faults = new Set<string>();
  const lay = (letters: Letters): Mark[][] => {
    const pages: Mark[][] = [];
    items.forEach((item, at) => {
      const place = at % perPage;
      if (place === 0) pages.push([]);
      const area = {
        x: size.leftMm + (place % size.columns) * across,
        y: size.topMm + Math.floor(place / size.columns) * down,
        width: size.labelWidthMm,
        height: size.labelHeightMm,
      };
      const fault = drawLabel(options.kind, area, item, pages.at(-1) as Mark[], letters);
      if (fault) faults.add(fault);
    });
    return pages;
  };
  // The longest text says how large the letters of all of them are.
  const pages = lay(smallestOf(lay(LARGEST)));
  return { widthMm: size.pageWidthMm, heightMm: size.pageHeightMm, pages, faults: [...faults] };
}
