/** Watts to a tenth: `322.2 W`. */
export const formatWatts = (watts: number): string => `${Math.round(watts * 10) / 10} W`;
