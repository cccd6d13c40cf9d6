import type { Job } from '../job/job';
import { type Elevation, elevation } from '../rack/elevation';
import { rackDimensions } from '../standards/rackDimensions';
import { naturalOrder } from '../text/naturalOrder';

const escapeXml = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
const round = (mm: number): string => String(Number(mm.toFixed(2)));

const MARGIN = 40;
const GAP = 60;

function oneRack({ rackName, widthMm, heightMm, units, holes, items }: Elevation, x: number): string {
  const lines = [
    `<g transform="translate(${round(x)} ${MARGIN})">`,
    `<text x="0" y="-14" font-size="16" font-weight="700">${escapeXml(rackName)}</text>`,
    `<rect x="-12" y="-6" width="${round(widthMm + 24)}" height="${round(heightMm + 12)}" fill="none" stroke="#222" stroke-width="1.5"/>`,
    ...holes.map(
      (hole) =>
        `<circle cx="${round(hole.x)}" cy="${round(hole.y)}" r="2.6" fill="none" stroke="#999" stroke-width="0.6"/>`,
    ),
    ...units.map(
      ({ shown, y }) =>
        `<text x="-18" y="${round(y + rackDimensions.unitMm / 2 + 4)}" font-size="12" text-anchor="end" font-family="monospace">${shown}</text>`,
    ),
  ];
  for (const item of items) {
    lines.push(
      `<g><title>${escapeXml(`${item.name}, ${item.place}`)}</title>`,
      `<rect x="${round(item.x)}" y="${round(item.y)}" width="${round(item.width)}" height="${round(item.height)}" rx="2" fill="#fff" stroke="#222"/>`,
      ...item.ports.map(
        (port) =>
          `<rect x="${round(item.x + port.x)}" y="${round(item.y + port.y)}" width="${round(port.width)}" height="${round(port.height)}" fill="#eee" stroke="#555" stroke-width="0.5"/>`,
      ),
      `<text x="${round(item.x + 28)}" y="${round(item.y + 14)}" font-size="11" paint-order="stroke" stroke="#fff" stroke-width="3">${escapeXml(item.name)}</text>`,
      '</g>',
    );
  }
  lines.push('</g>');
  return lines.join('\n');
}

/** The fronts of all racks as one SVG, one user unit a millimetre, so that it prints to scale. */
export function elevationSvg(job: Job): string {
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  const fronts = racks.map((rack) => elevation(job, rack));
  const width = MARGIN * 2 + fronts.reduce((sum, front) => sum + front.widthMm + GAP, 0);
  const height = MARGIN * 2 + Math.max(0, ...fronts.map((front) => front.heightMm));
  const body = fronts.map((front, at) => oneRack(front, MARGIN + 24 + at * (front.widthMm + GAP)));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}mm" height="${round(height)}mm" viewBox="0 0 ${round(width)} ${round(height)}" font-family="sans-serif" fill="#222">`,
    `<title>${escapeXml(job.name)}: cabinet elevation</title>`,
    `<rect width="100%" height="100%" fill="#fff"/>`,
    ...body,
    '</svg>',
    '',
  ].join('\n');
}
