import { published } from './source';

/** Diameter of the smallest circle around n equal circles of diameter 1. Proven for n to 13 and 19, best known else. */
export const packingRatios: Readonly<Record<number, number>> = {
  1: 1,
  2: 2,
  3: 1 + 2 / Math.sqrt(3),
  4: 1 + Math.SQRT2,
  5: 1 + Math.sqrt(2 * (1 + 1 / Math.sqrt(5))),
  6: 3,
  7: 3,
  8: 1 + 1 / Math.sin(Math.PI / 7),
  9: 1 + Math.sqrt(2 * (2 + Math.SQRT2)),
  10: 3.813,
  11: 1 + 1 / Math.sin(Math.PI / 9),
  12: 4.0296,
  13: 2 + Math.sqrt(5),
  14: 4.3284,
  15: 4.5214,
  16: 4.6154,
  17: 4.792,
  18: 1 + Math.SQRT2 + Math.sqrt(6),
  19: 1 + Math.SQRT2 + Math.sqrt(6),
  20: 5.1223,
  24: 5.6517,
  37: 6.7588,
  61: 8.6613,
};
export const packingProven = (count: number): boolean => count <= 13 || count === 19;
export const packingSource = published('packing of equal circles in a circle: Graham, Pirl, Melissen, Fodor');
