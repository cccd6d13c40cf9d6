import { escapeXml } from '../../base/text/escapeXml';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import { mmText } from './elevationSvg';

const MARGIN_MM = 600;
const NAME_MM = 320;
const MARKS = {
  cabinet: '■',
  'cable-entry': '▲',
  internet: '◆',
  mains: '⚡',
  outlet: '●',
} as const;

export type FloorPlan = { name: string; svg: string };

/** A plan of each floor that has rooms, with its outlets and what runs end there; lowest floor first. */
export function floorPlanSvgs(job: Job): FloorPlan[] {
  const floors = Object.values(job.floors).sort((a, b) => a.level - b.level || naturalOrder(a.name, b.name));
  return floors.flatMap((floor) => {
    const rooms = Object.values(job.rooms).filter(({ floorId }) => floorId === floor.id);
    const places = Object.values(job.places).filter(({ floorId }) => floorId === floor.id);
    if (rooms.length === 0) return [];
    const right = Math.max(...rooms.map(({ xMm, widthMm }) => xMm + widthMm), ...places.map(({ xMm }) => xMm));
    const below = Math.max(...rooms.map(({ yMm, depthMm }) => yMm + depthMm), ...places.map(({ yMm }) => yMm));
    const left = Math.min(...rooms.map(({ xMm }) => xMm), ...places.map(({ xMm }) => xMm));
    const top = Math.min(...rooms.map(({ yMm }) => yMm), ...places.map(({ yMm }) => yMm));
    const labels = new Map<string, string[]>();
    for (const { room, outlet, floor: on, label } of Object.values(job.runs))
      if (on === floor.name) labels.set(`${room}/${outlet}`, [...(labels.get(`${room}/${outlet}`) ?? []), label]);
    const roomAt = (x: number, y: number) =>
      rooms.find((one) => x >= one.xMm && x <= one.xMm + one.widthMm && y >= one.yMm && y <= one.yMm + one.depthMm);
    const text = (x: number, y: number, size: number, words: string, more = '') =>
      `<text x="${mmText(x)}" y="${mmText(y)}" font-size="${mmText(size)}"${more}>${escapeXml(words)}</text>`;
    const body = [
      ...rooms.flatMap(({ xMm, yMm, widthMm, depthMm, name }) => {
        // As large as the room's width lets the name be.
        const size = Math.min(NAME_MM, (widthMm - 160) / Math.max(1, name.length * 0.62));
        return [
          `<rect x="${xMm}" y="${yMm}" width="${widthMm}" height="${depthMm}" fill="#fff" stroke="#222" stroke-width="40"/>`,
          text(xMm + 80, yMm + size + 40, size, name),
        ];
      }),
      ...places.flatMap(({ kind, name, xMm, yMm }) => {
        const room = kind === 'outlet' ? roomAt(xMm, yMm) : undefined;
        const runs = room ? (labels.get(`${room.name}/${name}`) ?? []) : [];
        const words =
          kind === 'outlet' ? runs.slice(0, 6).join(' ') + (runs.length > 6 ? ` +${runs.length - 6}` : '') : name;
        return [
          text(xMm, yMm + 90, 260, MARKS[kind], ' text-anchor="middle"'),
          ...(words ? [text(xMm + 150, yMm + 90, 200, words, ' font-family="monospace"')] : []),
        ];
      }),
    ];
    const [width, height] = [right - left + 2 * MARGIN_MM, below - top + 2 * MARGIN_MM];
    const svg = [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${mmText(width / 50)}mm" height="${mmText(height / 50)}mm" viewBox="${mmText(left - MARGIN_MM)} ${mmText(top - MARGIN_MM)} ${mmText(width)} ${mmText(height)}" font-family="sans-serif" fill="#222">`,
      `<title>${escapeXml(`${job.name}: plan of ${floor.name}`)}</title>`,
      ...body,
      '</svg>',
      '',
    ].join('\n');
    return [{ name: floor.name, svg }];
  });
}
