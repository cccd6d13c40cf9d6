/** How long a search may go on, and what its chance is drawn from. The clock is the caller's: the core has none. */
export type SearchLimits = {
  seed?: number;
  now: () => number;
  untilMs: number;
  signal?: { readonly aborted: boolean };
};

/** Limits by steps instead of time, so that the same call always gives the same result. A step is one look at the clock. */
export function stepLimits(steps: number, seed = 1): SearchLimits {
  let step = 0;
  return { seed, now: () => step++, untilMs: steps };
}

export const isOver = (limits: SearchLimits): boolean =>
  limits.now() >= limits.untilMs || limits.signal?.aborted === true;
