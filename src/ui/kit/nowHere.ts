const localHere = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString();
};

/** Local time of this browser to the minute, as `2026-11-27T18:30`. */
export const nowHere = (): string => localHere().slice(0, 16);
/** To the second, as `2026-11-27T18:30:05`: two results of one minute have an order. */
export const secondHere = (): string => localHere().slice(0, 19);
