export type Packing = {
  /** Lower left corner of each rectangle; null: left out. */
  places: ({ x: number; y: number; turned: boolean } | null)[];
  /** No arrangement holds more rectangles, or of as many more area. */
  proven: boolean;
};

type Box = { width: number; depth: number };
type Laid = { x: number; y: number; width: number; depth: number };

/** Steps after which the search stops with the best found. */
const MOST_STEPS = 60_000;

/**
 * Rectangles on a tray, upright or turned by a quarter: as many as can be, then as much area as can be.
 * Depth first over which comes next and where: any arrangement can be pushed to the left and to the front until each
 * rectangle meets the edge or another one, so that only such corners need be tried.
 */
export function packRectangles(width: number, depth: number, boxes: readonly Box[]): Packing {
  const order = boxes.map((_, at) => at).sort((a, b) => area(boxes[b]) - area(boxes[a]) || a - b);
  const places: Packing['places'] = boxes.map(() => null);
  let best = { count: -1, area: -1, places: places.slice() };
  const laid: Laid[] = [];
  let steps = 0;
  let whole = true;
  const total = boxes.reduce((sum, box) => sum + area(box), 0);

  const fits = (box: Laid) =>
    box.x + box.width <= width &&
    box.y + box.depth <= depth &&
    laid.every(
      (there) =>
        box.x >= there.x + there.width ||
        there.x >= box.x + box.width ||
        box.y >= there.y + there.depth ||
        there.y >= box.y + box.depth,
    );
  const put = (left: number[], count: number, used: number) => {
    if (count > best.count || (count === best.count && used > best.area))
      best = { count, area: used, places: places.slice() };
    if (best.count === boxes.length) return;
    const rest = left.reduce((sum, at) => sum + area(boxes[at]), 0);
    if (count + left.length < best.count || (count + left.length === best.count && used + rest <= best.area)) return;
    const xs = [...new Set([0, ...laid.map((there) => there.x + there.width)])].sort((a, b) => a - b);
    const ys = [...new Set([0, ...laid.map((there) => there.y + there.depth)])].sort((a, b) => a - b);
    for (const at of left) {
      const box = boxes[at];
      for (const turned of box.width === box.depth ? [false] : [false, true]) {
        const [w, d] = turned ? [box.depth, box.width] : [box.width, box.depth];
        for (const y of ys) {
          for (const x of xs) {
            if (best.count === boxes.length) return;
            if (steps++ > MOST_STEPS) {
              whole = false;
              return;
            }
            const there = { x, y, width: w, depth: d };
            if (!fits(there)) continue;
            laid.push(there);
            places[at] = { x, y, turned };
            put(
              left.filter((other) => other !== at),
              count + 1,
              used + area(box),
            );
            places[at] = null;
            laid.pop();
          }
        }
      }
    }
  };
  put(order, 0, 0);
  const all = best.count === boxes.length && best.area >= total - 1e-9;
  return { places: best.places, proven: all || whole };
}

const area = (box: Box | undefined): number => (box ? box.width * box.depth : 0);
