/** Today by the clock of this browser, such as 2026-11-27. */
export const todayHere = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};
