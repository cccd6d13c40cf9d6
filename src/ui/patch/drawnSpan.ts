import { PIECE_PX } from './loomPieces';

/** A piece of the loom's height, px from its top. */
export type Span = { from: number; to: number };

/** So far beyond the view everything is drawn at once. */
const MARGIN_PX = 240;
/** Of what is further off, so much is drawn at a time. */
const STEP_PX = 5 * PIECE_PX;
/** A loom no higher than this is drawn whole in the end, and then scrolls without any work; of a higher one, so much. */
export const MOST_PX = 25 * PIECE_PX;

/** The span out to whole pieces, within the loom. */
const whole = ({ from, to }: Span, height: number): Span => ({
  from: Math.max(0, Math.floor(from / PIECE_PX) * PIECE_PX),
  to: Math.min(height, Math.ceil(to / PIECE_PX) * PIECE_PX),
});

/** No more than may be drawn: what is furthest from the view is put away. */
function cut({ from, to }: Span, view: Span): Span {
  let span = { from, to };
  while (span.to - span.from > MOST_PX)
    span =
      view.from - span.from > span.to - view.to
        ? { from: span.from + PIECE_PX, to: span.to }
        : { from: span.from, to: span.to - PIECE_PX };
  return span;
}

/**
 * What is to be drawn for a view. What is drawn already stays so, as long as it meets what is wanted.
 * @param height of the whole loom
 * @returns the span drawn already, where it reaches far enough
 */
export function drawnFor(drawn: Span, view: Span, height: number): Span {
  const wanted = { from: Math.max(0, view.from - MARGIN_PX), to: Math.min(height, view.to + MARGIN_PX) };
  if (drawn.from <= wanted.from && drawn.to >= wanted.to) return drawn;
  const now = whole(wanted, height);
  if (drawn.to < now.from || drawn.from > now.to) return now;
  return cut({ from: Math.min(drawn.from, now.from), to: Math.max(drawn.to, now.to) }, view);
}

/** Some more on the side that is nearer to the view. @returns the same span when nothing more is to be drawn */
export function drawnMore(drawn: Span, view: Span, height: number): Span {
  if (drawn.to - drawn.from >= MOST_PX) return drawn;
  const above = drawn.from > 0 ? view.from - drawn.from : Number.POSITIVE_INFINITY;
  const below = drawn.to < height ? drawn.to - view.to : Number.POSITIVE_INFINITY;
  if (above === below && above === Number.POSITIVE_INFINITY) return drawn;
  const more = below <= above ? { ...drawn, to: drawn.to + STEP_PX } : { ...drawn, from: drawn.from - STEP_PX };
  return whole(more, height);
}
