import fc from 'fast-check';
import { expect, test } from 'vitest';
import { clipCurve, type SCurve } from '../../src/ui/patch/sCurve';

const place = fc.double({ min: 0, max: 5000, noNaN: true });
const curves = fc.tuple(place, place, place, place);

/** A point of a cubic curve with its four points written out. */
function cubic([x1, y1, x2, y2, x3, y3, x4, y4]: number[], t: number) {
  const u = 1 - t;
  const at = (a = 0, b = 0, c = 0, d = 0) => u ** 3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t ** 3 * d;
  return { x: at(x1, x2, x3, x4), y: at(y1, y2, y3, y4) };
}

test('a clipped piece lies between the heights, and on the whole curve', () => {
  fc.assert(
    fc.property(curves, place, fc.double({ min: 1, max: 400, noNaN: true }), (curve, from, tall) => {
      const clipped = clipCurve(curve as SCurve, from, from + tall);
      const [x1, y1, x2, y2] = curve;
      if (!clipped) {
        expect(Math.max(y1, y2) < from || Math.min(y1, y2) > from + tall).toBe(true);
        return;
      }
      const middle = (x1 + x2) / 2;
      const whole = [x1, y1, middle, y1, middle, y2, x2, y2];
      for (const t of [0, 0.3, 0.7, 1]) {
        const { x, y } = cubic(clipped.points, t);
        expect(y).toBeGreaterThan(from - 0.01);
        expect(y).toBeLessThan(from + tall + 0.01);
        // The share of the way at which the whole curve is at that height, by halving.
        if (Math.abs(y2 - y1) < 1) continue;
        let [low, high] = [0, 1];
        for (let step = 0; step < 60; step++) {
          const half = (low + high) / 2;
          if (cubic(whole, half).y < y === y1 < y2) low = half;
          else high = half;
        }
        // Where the curve is level a small height is a wide way along it.
        if (low > 0.05 && low < 0.95) expect(Math.abs(cubic(whole, low).x - x)).toBeLessThan(1);
      }
    }),
  );
});

test('what lies all between the heights is left whole', () => {
  expect(clipCurve([0, 10, 100, 50], 0, 60)).toEqual({ points: [0, 10, 50, 10, 50, 50, 100, 50], before: 0 });
});

test('the pattern goes on where the sheet above left it', () => {
  const [above, below] = [clipCurve([0, 0, 0, 1000], 0, 400), clipCurve([0, 0, 0, 1000], 400, 1000)];
  expect(above?.before).toBe(0);
  expect(below?.before).toBeCloseTo(400, 6);
});
