/** How long a search may go on, and what its chance is drawn from. The clock is the caller's: the core has none. */
export type SearchLimits = {
  seed?: number;
  now: () => number;
  untilMs: number;
  signal?: { readonly aborted: boolean };
};

export const isOver = (limits: SearchLimits): boolean =>
  limits.now() >= limits.untilMs || limits.signal?.aborted === true;
