import fc from 'fast-check';
import { expect, test } from 'vitest';
import { drawnFor, drawnMore, MOST_PX, type Span } from '../../src/ui/patch/drawnSpan';

const VIEW_PX = 560;
const nothing: Span = { from: 0, to: 0 };
const viewAt = (top: number): Span => ({ from: top, to: top + VIEW_PX });
/** A height of a loom, and where its view is scrolled to in turn. */
const scrolled = fc.integer({ min: VIEW_PX, max: 4 * MOST_PX }).chain((height) =>
  fc.record({
    height: fc.constant(height),
    tops: fc.array(fc.tuple(fc.integer({ min: 0, max: height - VIEW_PX }), fc.boolean()), {
      minLength: 1,
      maxLength: 30,
    }),
  }),
);

test('what is in view is drawn, wherever it is scrolled to, and never too much', () => {
  fc.assert(
    fc.property(scrolled, ({ height, tops }) => {
      let drawn = nothing;
      for (const [top, idle] of tops) {
        const view = viewAt(top);
        drawn = drawnFor(drawn, view, height);
        expect(drawn.from).toBeLessThanOrEqual(view.from);
        expect(drawn.to).toBeGreaterThanOrEqual(view.to);
        if (idle) drawn = drawnMore(drawn, view, height);
        expect(drawn.from).toBeGreaterThanOrEqual(0);
        expect(drawn.to).toBeLessThanOrEqual(height);
        // At an end of the loom a part of a piece may come on top.
        expect(drawn.to - drawn.from).toBeLessThan(1.25 * MOST_PX);
      }
    }),
  );
});

test('a loom that is not too high is drawn whole in a few steps, and then nothing is drawn any more', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: VIEW_PX, max: MOST_PX }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (height, at) => {
        const view = viewAt(Math.floor(at * (height - VIEW_PX)));
        let drawn = drawnFor(nothing, view, height);
        for (let step = 0; step < 12; step++) drawn = drawnMore(drawn, view, height);
        expect(drawn).toEqual({ from: 0, to: height });
        expect(drawnMore(drawn, view, height)).toBe(drawn);
        expect(drawnFor(drawn, viewAt(0), height)).toBe(drawn);
      },
    ),
  );
});

test('a jump far away draws what is there, not what lies between', () => {
  const drawn = drawnFor(nothing, viewAt(0), 10_000);
  const jumped = drawnFor(drawn, viewAt(8000), 10_000);
  expect(jumped.from).toBeGreaterThan(7000);
});
