/** A curve from one stop to the next that leaves and arrives level: `[x1, y1, x2, y2]`, px. */
export type SCurve = [x1: number, y1: number, x2: number, y2: number];
/** Start, two handles and end of a piece of it, and the length of the curve before that piece. */
export type ClippedCurve = {
  points: [number, number, number, number, number, number, number, number];
  before: number;
};

/** The curve as the data of an SVG path. */
export function curvePath([x1, y1, x2, y2]: SCurve): string {
  const middle = (x1 + x2) / 2;
  return `M${x1} ${y1}C${middle} ${y1} ${middle} ${y2} ${x2} ${y2}`;
}

/** Height along the curve, 0 to 1, at a share of its way: it rises all the way, so a height is met once. */
const rise = (t: number) => t * t * (3 - 2 * t);
/** The share of the way at which a share of the height is met. */
function meet(share: number): number {
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  // The inverse of 3t² − 2t³ on 0 to 1.
  return 0.5 - Math.sin(Math.asin(1 - 2 * share) / 3);
}

const at = ([x1, y1, x2, y2]: SCurve, t: number) => {
  const u = 1 - t;
  const middle = (x1 + x2) / 2;
  return {
    x: u * u * u * x1 + 3 * u * t * middle + t * t * t * x2,
    y: y1 + (y2 - y1) * rise(t),
    dx: 3 * (u * u * (middle - x1) + t * t * (x2 - middle)),
    dy: 6 * u * t * (y2 - y1),
  };
};

/** Chords that stand for the curve when its length is taken: the pattern of a line may be off by less than a pixel. */
const CHORDS = 12;

/**
 * The piece of a curve between two heights, so that a long one costs no more to paint than what is seen of it.
 * @returns null when nothing of it is between them
 */
export function clipCurve(curve: SCurve, from: number, to: number): ClippedCurve | null {
  const [x1, y1, x2, y2] = curve;
  if (Math.max(y1, y2) < from || Math.min(y1, y2) > to) return null;
  const tall = y2 - y1;
  const share = (y: number) => (tall === 0 ? 0 : (y - y1) / tall);
  const [a, b] =
    tall === 0 ? [0, 1] : tall > 0 ? [meet(share(from)), meet(share(to))] : [meet(share(to)), meet(share(from))];
  const [start, end] = [at(curve, a), at(curve, b)];
  const third = (b - a) / 3;
  let before = 0;
  for (let step = 0; step < CHORDS && a > 0; step++) {
    const [p, q] = [at(curve, (a * step) / CHORDS), at(curve, (a * (step + 1)) / CHORDS)];
    before += Math.hypot(q.x - p.x, q.y - p.y);
  }
  const middle = (x1 + x2) / 2;
  if (a === 0 && b === 1) return { points: [x1, y1, middle, y1, middle, y2, x2, y2], before };
  return {
    points: [
      start.x,
      start.y,
      start.x + start.dx * third,
      start.y + start.dy * third,
      end.x - end.dx * third,
      end.y - end.dy * third,
      end.x,
      end.y,
    ],
    before,
  };
}
