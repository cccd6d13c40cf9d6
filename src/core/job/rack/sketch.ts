import type { Job } from '../document/job';
import type { Sketch } from '../document/jobListing';
import type { Rack } from '../records/rack';
import { elevation } from './elevation';

/** Millimetres by which gaps between like ports may differ and still be one row: they are rounded. */
const SAME_MM = 1;

/** Boxes that stand side by side at one pitch, a row each: x, y, width, height, pitch, count. */
function rowsOf(boxes: readonly (readonly [number, number, number, number])[]): number[][] {
  const rows: number[][] = [];
  for (const [x, y, width, height] of boxes) {
    const last = rows.at(-1);
    if (last) {
      const [fromX = 0, lastY, lastWidth, lastHeight, pitch = 0, count = 0] = last;
      const like = lastY === y && lastWidth === width && lastHeight === height;
      if (like && count === 1 && x > fromX) {
        last[4] = x - fromX;
        last[5] = 2;
        continue;
      }
      if (like && Math.abs(x - (fromX + pitch * count)) <= SAME_MM) {
        last[5] = count + 1;
        // The mean of all gaps, so that rounding does not add up.
        last[4] = (x - fromX) / count;
        continue;
      }
    }
    rows.push([x, y, width, height, 0, 1]);
  }
  return rows.map((row) => row.map((one) => Math.round(one * 10) / 10));
}

/** The front of a rack as few numbers, for a drawing the size of a thumb. */
export function sketchOf(job: Job, rack: Rack): Sketch {
  const { widthMm, heightMm, items } = elevation(job, rack);
  const front = items.filter(({ face }) => face === 'front');
  const ports = front.flatMap(({ x, y, ports: some }) =>
    some.map(
      (port) => [x + port.x, y + port.y, port.width, port.height].map(Math.round) as [number, number, number, number],
    ),
  );
  return {
    name: rack.name,
    units: rack.units,
    widthMm,
    heightMm,
    boxes: front.map(({ x, y, width, height }) => [x, y, width, height].map(Math.round)),
    // Ports are numbered down and across; here rows are wanted.
    ports: rowsOf(ports.toSorted((a, b) => a[1] - b[1] || a[0] - b[0])),
  };
}
