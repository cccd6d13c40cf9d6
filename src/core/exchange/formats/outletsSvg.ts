import { escapeXml } from '../../base/text/escapeXml';
import { groupBy } from '../../base/text/groupBy';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import { isUpright } from '../../job/gear/body';
import { type Elevation, elevation } from '../../job/rack/elevation';
import type { Gear } from '../../job/records/gear';
import { outletsOf } from '../../job/records/mainsSockets';
import { seatedPlugs } from '../../trade/power/coveredOutlets';
import { type OutletRow, outletMap } from '../../trade/power/outletMap';
import { mmText, rackFrame, unitNumbers } from './elevationSvg';

type Box = { x: number; y: number; width: number; height: number };
type FeedBox = Box & { gear: Gear };

const MARGIN = 40;
const LIST_MM = 460;
const LINE_MM = 15;
const MOST_OUTLET_MM = 26;

/** Every rack from behind with its mains outlets and plugs to scale, what is in each beside it; walls and what stands in no rack below. */
export function outletsSvg(job: Job): string {
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  const rows = groupBy(outletMap(job), ({ feedId }) => feedId);
  const drawn = new Set<string>();
  const body: string[] = [];
  let [x, lowest] = [MARGIN + 84, MARGIN];
  for (const rack of racks) {
    const drawing = elevation(job, rack);
    const feeds = feedBoxes(job, drawing);
    body.push(
      `<g transform="translate(${mmText(x)} ${MARGIN})">`,
      ...rackFrame(drawing.rackName, 'outlets from behind', drawing),
    );
    body.push(...unitNumbers(drawing), ...outlines(drawing));
    let y = 0;
    for (const feed of feeds) {
      drawn.add(feed.gear.id);
      body.push(...outletBoxes(job, feed));
      const list = listOf(feed.gear.name, rows.get(feed.gear.id) ?? []);
      y = Math.max(y, feed.y + 10);
      body.push(...textLines(list, drawing.widthMm + 90, y));
      y += (list.length + 0.6) * LINE_MM;
    }
    body.push('</g>');
    lowest = Math.max(lowest, MARGIN + drawing.heightMm, MARGIN + y);
    x += drawing.widthMm + 90 + LIST_MM;
  }
  let column = MARGIN;
  let tall = 0;
  for (const [id, of] of rows) {
    if (drawn.has(id)) continue;
    const list = listOf(of[0]?.feed ?? '', of);
    body.push(...textLines(list, column, lowest + 40));
    tall = Math.max(tall, 40 + list.length * LINE_MM);
    column += LIST_MM;
  }
  const note =
    'On which face outlets are is not entered: they are drawn in their order, middle to middle to scale. New outlets: a licensed electrician, by local code.';
  const height = lowest + tall + 60;
  const width = Math.max(x, column, 900);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mmText(width)}mm" height="${mmText(height)}mm" viewBox="0 0 ${mmText(width)} ${mmText(height)}" font-family="sans-serif" fill="#222">`,
    `<title>${escapeXml(job.name)}: mains outlets</title>`,
    '<rect width="100%" height="100%" fill="#fff"/>',
    ...body,
    ...textLines([note], MARGIN, height - 16),
    '</svg>',
    '',
  ].join('\n');
}

/** Boxes of what has outlets, from behind, highest first. */
function feedBoxes(job: Job, { items, widthMm }: Elevation): FeedBox[] {
  const behind = (box: Box): Box => ({ ...box, x: widthMm - box.x - box.width });
  return items
    .flatMap((item) => [
      { id: item.gearId, box: behind(item) },
      ...item.carried.map((one) => ({ id: one.gearId, box: behind(one) })),
    ])
    .flatMap(({ id, box: { x, y, width, height } }) => {
      const gear = job.gear[id];
      return gear && gear.outlets.length > 0 ? { gear, x, y, width, height } : [];
    })
    .sort((a, b) => a.y - b.y);
}

const outlines = ({ items, widthMm }: Elevation): string[] =>
  items.flatMap((item) => [
    `<rect x="${mmText(widthMm - item.x - item.width)}" y="${mmText(item.y)}" width="${mmText(item.width)}" height="${mmText(item.height)}" rx="2" fill="none" stroke="#999" stroke-dasharray="6 4"/>`,
    `<text x="${mmText(widthMm - item.x - item.width + 6)}" y="${mmText(item.y + 12)}" font-size="9" fill="#777">${escapeXml(item.shortName)}</text>`,
  ]);

/** Outlets of a device in its box with the plugs in them; a row that is longer than its box is broken. */
function outletBoxes(job: Job, { gear, x, y, width, height }: FeedBox): string[] {
  const all = outletsOf(gear);
  const tall = isUpright(gear);
  const room = Math.max((tall ? height : width) - 2, MOST_OUTLET_MM);
  const plugs = new Map(seatedPlugs(job, { feed: gear }).map((one) => [one.outlet.number, one]));
  const lines: (typeof all)[] = [];
  let start = 0;
  for (const outlet of all) {
    const line = lines.at(-1);
    if (!line || outlet.xMm - start + MOST_OUTLET_MM > room) {
      lines.push([outlet]);
      start = outlet.xMm;
    } else line.push(outlet);
  }
  const across = (tall ? width : height) / lines.length;
  const size = Math.min(MOST_OUTLET_MM, across - 4);
  const shapes = [
    `<rect x="${mmText(x)}" y="${mmText(y)}" width="${mmText(width)}" height="${mmText(height)}" rx="2" fill="#f6f6f6" stroke="#222"/>`,
  ];
  lines.forEach((line, at) => {
    const [first, last] = [line[0]?.xMm ?? 0, line.at(-1)?.xMm ?? 0];
    const begin = ((tall ? height : width) - (last - first)) / 2;
    const other = across * (at + 0.5);
    for (const outlet of line) {
      const along = begin + outlet.xMm - first;
      const [middleX, middleY] = tall ? [x + other, y + along] : [x + along, y + other];
      const plug = plugs.get(outlet.number);
      const wide = plug ? plug.widthMm : size;
      const [w, h] = tall ? [size, wide] : [wide, size];
      shapes.push(
        `<g><title>${escapeXml(`${gear.name} outlet ${outlet.number}: ${plug ? plug.gear.name : 'free'}`)}</title>`,
        `<rect x="${mmText(middleX - w / 2)}" y="${mmText(middleY - h / 2)}" width="${mmText(w)}" height="${mmText(h)}" rx="4" fill="${plug ? '#ddd' : '#fff'}" stroke="${plug && plug.meets.length > 0 ? '#b00' : '#222'}"${outlet.backing === 'battery' ? ' stroke-width="2.2"' : ''}/>`,
        `<text x="${mmText(middleX)}" y="${mmText(middleY + 4)}" font-size="11" text-anchor="middle" font-family="monospace"${plug ? ' font-weight="700"' : ''}>${outlet.number}</text>`,
        '</g>',
      );
    }
  });
  return shapes;
}

const listOf = (name: string, rows: readonly OutletRow[]): string[] => [
  name,
  ...rows.map(
    ({ outlet, device, inlet, backing }) =>
      `${outlet.number}  ${device === '' ? 'free' : device}${inlet !== null && inlet > 1 ? `, inlet ${inlet}` : ''}${backing === '' ? '' : ` (${backing})`}`,
  ),
];

const textLines = (lines: readonly string[], x: number, y: number): string[] =>
  lines.map(
    (words, at) =>
      `<text x="${mmText(x)}" y="${mmText(y + at * LINE_MM)}" font-size="12"${at === 0 && lines.length > 1 ? ' font-weight="700"' : ''}>${escapeXml(words)}</text>`,
  );
