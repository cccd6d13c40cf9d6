import { rackDimensions } from '../../base/standards/rackDimensions';
import { escapeXml } from '../../base/text/escapeXml';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import { type Elevation, type ElevationItem, elevation } from '../../job/rack/elevation';
import { sideOf } from '../../job/records/placement';

/** Millimetres as they stand in a drawing. */
export const mmText = (mm: number): string => String(Number(mm.toFixed(2)));

const MARGIN = 40;
const GAP = 70;

/** Name, view and edge of a rack. */
export const rackFrame = (
  name: string,
  view: string,
  { widthMm: width, heightMm: height }: Pick<Elevation, 'widthMm' | 'heightMm'>,
): string[] => [
  `<text x="0" y="-14" font-size="16" font-weight="700">${escapeXml(name)}: ${view}</text>`,
  `<rect x="-12" y="-6" width="${mmText(width + 24)}" height="${mmText(height + 12)}" fill="none" stroke="#222" stroke-width="1.5"/>`,
];
export const unitNumbers = ({ units }: Elevation) =>
  units.map(
    ({ shown, y }) =>
      `<text x="-18" y="${mmText(y + rackDimensions.unitMm / 2 + 4)}" font-size="12" text-anchor="end" font-family="monospace">${shown}</text>`,
  );

/** What is seen from one side: what hangs on its rails in full, what hangs on the others as an outline. */
function face(drawing: Elevation, side: 'front' | 'rear'): string[] {
  const { rackName, widthMm, holes, items } = drawing;
  const turned = (x: number, width: number) => (side === 'front' ? x : widthMm - x - width);
  const near = (item: ElevationItem) => sideOf(item.face) === side;
  const lines = [
    ...rackFrame(rackName, side, drawing),
    ...holes.map(
      (hole) =>
        `<circle cx="${mmText(hole.x)}" cy="${mmText(hole.y)}" r="2.6" fill="none" stroke="#999" stroke-width="0.6"/>`,
    ),
    ...unitNumbers(drawing),
  ];
  for (const item of items.toSorted((a, b) => Number(near(a)) - Number(near(b)))) {
    const x = turned(item.x, item.width);
    const full = near(item);
    const style = full ? 'fill="#fff" stroke="#222"' : 'fill="none" stroke="#777" stroke-dasharray="6 4"';
    lines.push(
      `<g><title>${escapeXml(`${item.name}, ${item.place}`)}</title>`,
      `<rect x="${mmText(x)}" y="${mmText(item.y)}" width="${mmText(item.width)}" height="${mmText(item.height)}" rx="2" ${style}/>`,
      ...item.carried.map(
        (one) =>
          `<rect x="${mmText(turned(one.x, one.width))}" y="${mmText(one.y)}" width="${mmText(one.width)}" height="${mmText(one.height)}" fill="#fff" stroke="#555" stroke-width="0.8"/>`,
      ),
      ...item.ports
        .filter((port) => seenPorts(item, port.side, side))
        .map(
          (port) =>
            `<rect x="${mmText(x + port.x)}" y="${mmText(item.y + port.y)}" width="${mmText(port.width)}" height="${mmText(port.height)}" fill="#eee" stroke="#555" stroke-width="0.5"/>`,
        ),
      `<text x="${mmText(x + 28)}" y="${mmText(item.y + 14)}" font-size="11" paint-order="stroke" stroke="#fff" stroke-width="3" fill="${full ? '#222' : '#777'}">${escapeXml(`${item.shortName} ${item.name}`)}</text>`,
      '</g>',
    );
  }
  return lines;
}

/** A device on the rear rails turns its own front to the rear. */
const seenPorts = (item: ElevationItem, port: 'front' | 'rear', side: 'front' | 'rear'): boolean =>
  (sideOf(item.face) === 'front' ? port : port === 'front' ? 'rear' : 'front') === side;

/** The rack from its right: bodies, plugs before and behind them, the rear rails. */
function side({ rackName, depthMm, heightMm, items, rearRails }: Elevation): string[] {
  const rect = (x: number, y: number, width: number, height: number, style: string) =>
    `<rect x="${mmText(x)}" y="${mmText(y)}" width="${mmText(width)}" height="${mmText(height)}" ${style}/>`;
  return [
    ...rackFrame(rackName, 'side', { widthMm: depthMm, heightMm }),
    ...rearRails.map((rail) => rect(rail.depthMm - 2, rail.y, 4, rail.height, 'fill="#bbb"')),
    ...items.flatMap((item) => [
      rect(item.frontMm, item.y, item.backMm - item.frontMm, item.height, 'fill="#fff" stroke="#222"'),
      ...(item.plugFrontMm > 0 && item.face === 'front'
        ? [
            rect(
              -item.plugFrontMm,
              item.y + 6,
              item.plugFrontMm,
              Math.max(4, item.height - 12),
              'fill="none" stroke="#777" stroke-dasharray="4 3"',
            ),
          ]
        : []),
      ...(item.plugRearMm > 0 && item.face === 'front'
        ? [
            rect(
              item.backMm,
              item.y + 6,
              item.plugRearMm,
              Math.max(4, item.height - 12),
              'fill="none" stroke="#777" stroke-dasharray="4 3"',
            ),
          ]
        : []),
    ]),
  ];
}

type Part = { width: number; lines: string[]; gap?: number };

/** Parts side by side as one SVG, one user unit a millimetre, so that it prints to scale. */
function sideBySide(job: Job, title: string, partsOfRack: (drawing: Elevation) => Part[]): string {
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  let x = MARGIN + 24;
  const body: string[] = [];
  let tallest = 0;
  for (const rack of racks) {
    const drawing = elevation(job, rack);
    tallest = Math.max(tallest, drawing.heightMm);
    for (const { width, lines, gap = 0 } of partsOfRack(drawing)) {
      x += gap;
      body.push(`<g transform="translate(${mmText(x)} ${MARGIN})">`, ...lines, '</g>');
      x += width + GAP;
    }
  }
  const [width, height] = [Math.max(200, x), MARGIN * 2 + tallest];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mmText(width)}mm" height="${mmText(height)}mm" viewBox="0 0 ${mmText(width)} ${mmText(height)}" font-family="sans-serif" fill="#222">`,
    `<title>${escapeXml(`${job.name}: ${title}`)}</title>`,
    `<rect width="100%" height="100%" fill="#fff"/>`,
    ...body,
    '</svg>',
    '',
  ].join('\n');
}

/** Front, rear and side of all racks. */
export const elevationSvg = (job: Job): string =>
  sideBySide(job, 'cabinet elevation', (drawing) => [
    { width: drawing.widthMm, lines: face(drawing, 'front') },
    { width: drawing.widthMm, lines: face(drawing, 'rear') },
    {
      gap: 40,
      width: Math.max(drawing.depthMm, ...drawing.items.map((item) => item.backMm)) + 40,
      lines: side(drawing),
    },
  ]);

/** The fronts of all racks. */
export const frontSvg = (job: Job): string =>
  sideBySide(job, 'cabinet from the front', (drawing) => [{ width: drawing.widthMm, lines: face(drawing, 'front') }]);
