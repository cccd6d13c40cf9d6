/** `47.2 W`, `322 W`: draw is known to a few per cent at best, so from 100 W on in whole watts. */
export const formatWatts = (watts: number): string =>
  `${Math.abs(watts) < 99.5 ? Math.round(watts * 10) / 10 : Math.round(watts)} W`;
