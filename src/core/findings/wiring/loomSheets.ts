import { naturalOrder } from '../../base/text/naturalOrder';
import { shortened } from '../../base/text/shortened';
import { formatLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { gearShortNames, shortPort } from '../../job/gear/shortNames';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { isLive } from '../../job/records/run';
import { textWidthMm } from '../../trade/labels/labelSize';
import { cordColour } from '../../trade/patching/cordList';
import { lineDashes, paperInk } from '../../trade/patching/networks/networkMarks';
import { type Fork, type GatheredRuns, type Gathering, gatherRuns } from './gatherRuns';

/** What is drawn on a sheet, mm from its upper left corner. Text stands on its middle height. */
export type LoomMark =
  | {
      kind: 'text';
      x: number;
      y: number;
      sizeMm: number;
      text: string;
      bold: boolean;
      anchor: 'start' | 'middle' | 'end';
    }
  | { kind: 'box'; x: number; y: number; width: number; height: number; line: 'none' | 'thin' | 'thick' }
  | { kind: 'rule'; x1: number; y1: number; x2: number; y2: number }
  /** Leaves and arrives level. */
  | {
      kind: 'strand';
      x1: number;
      y1: number;
      x2: number;
      y2: number;
      ink: string;
      dashesMm: number[];
      widthMm: number;
    };
export type LoomSheets = { widthMm: number; heightMm: number; sheets: LoomMark[][] };

/** A4 laid across. */
const SHEET = { widthMm: 297, heightMm: 210 } as const;
const MARGIN = 12;
const TOP = 30;
const BOTTOM = SHEET.heightMm - MARGIN;
const ROW = 4.1;
const GAP = 1.5;
const TYPE = 2.5;
const CORD_TYPE = 1.9;
const ROOM = BOTTOM - TOP;
/** Columns, mm: edges and middles. */
const X = {
  group: 12,
  device: 48,
  outlet: 112,
  run: 126,
  runWidth: 15,
  panel: 173,
  switch: 231,
  stop: 34,
  network: 268,
};
const SOFT = '#57534e';

/** A column of ports, of which only those stand on a sheet that a strand of it goes through. */
type Stop = { gear: Gear; port: number };

function fitted(text: string, widthMm: number, sizeMm = TYPE): string {
  const most = Math.floor(widthMm / textWidthMm('x', sizeMm));
  return shortened(text, (one) => one.length <= most);
}

/** A group is begun at the foot of a sheet only when so many rows of it, or all, stand there. */
const LEAST_ROWS = 8;

/** Groups dealt over sheets; one that does not fit goes on on the next. */
function deal(groups: GatheredRuns[]): GatheredRuns[][] {
  const sheets: GatheredRuns[][] = [];
  let left = 0;
  const most = Math.floor(ROOM / ROW);
  const turn = () => {
    sheets.push([]);
    left = ROOM;
  };
  for (const group of groups) {
    // An outlet with more runs than a sheet has rows is cut like a group.
    const forks = group.forks.flatMap((fork) =>
      Array.from({ length: Math.ceil(fork.length / most) }, (_, at) => fork.slice(at * most, (at + 1) * most) as Fork),
    );
    if (left < Math.min(LEAST_ROWS, group.forks.flat().length) * ROW) turn();
    let part: GatheredRuns = { ...group, forks: [] };
    sheets.at(-1)?.push(part);
    for (const fork of forks) {
      if (fork.length * ROW > left) {
        turn();
        part = { ...group, forks: [] };
        sheets.at(-1)?.push(part);
      }
      part.forks.push(fork);
      left -= fork.length * ROW;
    }
    left -= GAP;
  }
  return sheets.map((sheet) => sheet.filter(({ forks }) => forks.length > 0)).filter((sheet) => sheet.length > 0);
}

// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a sheet is drawn from top to bottom, each mark where the last one ended
function sheetOf(job: Job, groups: GatheredRuns[], title: string, at: number, of: number): LoomMark[] {
  const marks: LoomMark[] = [];
  const text = (
    words: string,
    x: number,
    y: number,
    {
      anchor = 'start',
      bold = false,
      sizeMm = TYPE,
    }: { anchor?: 'start' | 'middle' | 'end'; bold?: boolean; sizeMm?: number } = {},
  ) => words !== '' && marks.push({ kind: 'text', x, y, sizeMm, text: words, bold, anchor });
  text(title, MARGIN, 15, { bold: true, sizeMm: 4.5 });
  text(`sheet ${at} of ${of}`, SHEET.widthMm - MARGIN, 15, { anchor: 'end' });
  const heads = [
    ['Device', X.device, 'start'],
    ['Outlet', X.outlet, 'end'],
    ['Run', X.run, 'middle'],
    ['Panel port', X.panel, 'middle'],
    ['Cord', (X.panel + X.switch) / 2 + 4, 'middle'],
    ['Switch port', X.switch, 'middle'],
    ['Network', X.network, 'start'],
  ] as const;
  for (const [words, x, anchor] of heads) text(words, x, 23, { anchor, bold: true });
  marks.push({ kind: 'rule', x1: MARGIN, y1: 26, x2: SHEET.widthMm - MARGIN, y2: 26 });

  const traces = groups.flatMap(({ forks }) => forks.flat());
  const rank = new Map(indexJob(job).gearInOrder.map((gear, place) => [gear.id, place]));
  const column = (stops: Stop[]) => {
    const ordered = [...new Map(stops.map((stop) => [portKey(stop.gear.id, stop.port), stop])).values()].sort(
      (a, b) => (rank.get(a.gear.id) ?? 0) - (rank.get(b.gear.id) ?? 0) || a.port - b.port,
    );
    const pitch = Math.min(ROW * 1.3, ROOM / Math.max(1, ordered.length));
    return new Map(
      ordered.map((stop, place) => [portKey(stop.gear.id, stop.port), { ...stop, y: TOP + pitch * (place + 0.5) }]),
    );
  };
  const panels = column(
    traces.flatMap(({ panel, landing }) => (panel && landing ? { gear: panel, port: landing.port } : [])),
  );
  const switches = column(
    traces.flatMap(({ device, cord }) => (device && cord ? { gear: device, port: cord.switchPort } : [])),
  );
  const networks = [
    ...new Map(traces.flatMap(({ network, cord }) => (network && cord ? [[network.id, network]] : []))).values(),
  ].sort((a, b) => naturalOrder(a.name, b.name));
  const tall = Math.max(traces.length * ROW, ...[panels, switches].map((places) => places.size * ROW));
  const apart = Math.min(ROOM, tall) / Math.max(1, networks.length);
  const networkY = new Map(networks.map((network, place) => [network.id, TOP + apart * (place + 0.5)]));

  const strand = (x1: number, y1: number, x2: number, y2: number, { network, cord }: Fork[0]) => {
    const widthMm = cord ? 0.5 : 0.3;
    const dashesMm = network ? lineDashes[network.pattern].map((one) => (one * 0.5) / 2) : [];
    marks.push({ kind: 'strand', x1, y1, x2, y2, ink: network ? paperInk[network.colour] : SOFT, dashesMm, widthMm });
  };
  const lengths: { y: number; words: string }[] = [];
  let y = TOP;
  for (const group of groups) {
    const rows = group.forks.flat().length;
    text(fitted(group.words, X.device - X.group - 4), X.group, y + (rows * ROW) / 2, { bold: true });
    marks.push({ kind: 'rule', x1: X.device - 2.5, y1: y + 0.4, x2: X.device - 2.5, y2: y + rows * ROW - 0.4 });
    for (const fork of group.forks) {
      const outletY = y + (fork.length * ROW) / 2;
      const { outlet } = fork[0].run;
      const outletWords = fitted(outlet, 30);
      text(outletWords, X.outlet, outletY, { anchor: 'end' });
      for (const trace of fork) {
        const { run, landing, panel, cord, cordMm, device } = trace;
        const middle = y + ROW / 2;
        const room = X.outlet - X.device - textWidthMm(outletWords, TYPE) - 3;
        text(fitted(isLive(run) ? run.device : 'spare', room), X.device, middle);
        if (outlet) strand(X.outlet + 1, outletY, X.run - X.runWidth / 2, middle, trace);
        marks.push({
          kind: 'box',
          x: X.run - X.runWidth / 2,
          y: middle - 1.7,
          width: X.runWidth,
          height: 3.4,
          line: run.critical ? 'thick' : 'thin',
        });
        text(fitted(run.label, X.runWidth - 1), X.run, middle, { anchor: 'middle', bold: true });
        y += ROW;
        const panelAt = panel && landing && panels.get(portKey(panel.id, landing.port));
        if (!panelAt) continue;
        strand(X.run + X.runWidth / 2, middle, X.panel - X.stop / 2, panelAt.y, trace);
        const switchAt = device && cord && switches.get(portKey(device.id, cord.switchPort));
        if (!switchAt) continue;
        strand(X.panel + X.stop / 2, panelAt.y, X.switch - X.stop / 2, switchAt.y, trace);
        const length = cordMm === null ? '' : formatLength(cordMm, job.units);
        lengths.push({ y: switchAt.y, words: `${length} ${cordColour(job, cord)}`.trim() });
        const toY = networkY.get(trace.network?.id ?? '');
        if (toY !== undefined) strand(X.switch + X.stop / 2, switchAt.y, X.network - 1, toY, trace);
      }
    }
    y += GAP;
  }
  for (const { y: middle, words } of lengths) {
    const right = X.switch - X.stop / 2 - 1.5;
    const width = textWidthMm(words, CORD_TYPE) + 1;
    marks.push({
      kind: 'box',
      x: right - width + 0.5,
      y: middle - CORD_TYPE / 2,
      width,
      height: CORD_TYPE,
      line: 'none',
    });
    text(words, right, middle, { anchor: 'end', sizeMm: CORD_TYPE });
  }
  const stops = (places: typeof panels, x: number) => {
    for (const { gear, port, y: middle } of places.values()) {
      const words = shortPort(job, gear.id, port);
      marks.push({ kind: 'box', x: x - X.stop / 2, y: middle - 1.7, width: X.stop, height: 3.4, line: 'thin' });
      // Short and whole; the long names stand at the head of the sheet.
      text(words, x, middle, { anchor: 'middle' });
    }
  };
  stops(panels, X.panel);
  stops(switches, X.switch);
  // What the short names stand for, in as much room as each has.
  const named = [...new Map([...panels.values(), ...switches.values()].map(({ gear }) => [gear.id, gear])).values()];
  const each = (SHEET.widthMm - 2 * MARGIN) / Math.max(1, named.length) - 3;
  named.forEach((gear, at) => {
    const words = `${gearShortNames(job).get(gear.id)} = ${gear.name}`;
    text(fitted(words, each, CORD_TYPE), MARGIN + at * (each + 3), 19.5, { sizeMm: CORD_TYPE });
  });
  for (const network of networks)
    text(
      fitted(`${network.code} ${network.name}`, SHEET.widthMm - MARGIN - X.network),
      X.network,
      networkY.get(network.id) ?? 0,
      { bold: true },
    );
  return marks;
}

/**
 * The loom on paper: every sheet has some groups of runs, and of the panel and switch ports those that they go to, so
 * that each can be read by itself.
 */
export function loomSheets(job: Job, gathering: Gathering): LoomSheets {
  const dealt = deal(gatherRuns(job, gathering));
  const pages = dealt.length > 0 ? dealt : [[]];
  return {
    ...SHEET,
    sheets: pages.map((groups, at) => sheetOf(job, groups, `Port map: ${job.name}`, at + 1, pages.length)),
  };
}
