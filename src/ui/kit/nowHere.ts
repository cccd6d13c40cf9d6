/** Local time of this browser to the minute, as `2026-11-27T18:30`. */
export const nowHere = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};
