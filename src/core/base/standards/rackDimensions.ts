import { fromMemory, published } from './source';

/** Dimensions of racks, millimetres. EIA/ECA-310-E and IEC 60297-3-100. */
export const rackDimensions = {
  unitMm: 44.45,
  /** Universal pattern: hole centres above the lower boundary of each unit. */
  holeOffsetsMm: [6.35, 22.225, 38.1],
  /** A panel is this much lower than its units, so that neighbours do not bind. */
  panelReliefMm: 0.79,
} as const;
export const rackDimensionsSource = published('EIA/ECA-310-E; IEC 60297-3-100');

/**
 * Widths of the two kinds of frame, millimetres: panel, hole columns apart, clear opening between the rails.
 * Those of the 10-inch frame are common practice, no source.
 */
export const frameWidths = {
  '19-inch': { panelMm: 482.6, holesApartMm: 465.1, openingMm: 450 },
  '10-inch': { panelMm: 254, holesApartMm: 236.5, openingMm: 222 },
} as const;

/** The wide pattern has no middle hole. */
export const holesOfPattern = { universal: [1, 2, 3], wide: [1, 3] } as const;

/**
 * Holes that a panel made to the standard slot layout uses, as unit of the panel and hole of the unit, lowest first.
 * One and two units are certain enough; from three units on the layouts are from memory, and real gear varies.
 */
export const standardHoles: Readonly<Record<number, readonly (readonly [unit: number, hole: number])[]>> = {
  1: [
    [1, 1],
    [1, 3],
  ],
  2: [
    [1, 1],
    [2, 3],
  ],
  3: [
    [1, 3],
    [3, 1],
  ],
  4: [
    [1, 3],
    [4, 1],
  ],
  5: [
    [1, 3],
    [5, 1],
  ],
  6: [
    [1, 3],
    [3, 1],
    [4, 3],
    [6, 1],
  ],
};
export const standardHolesSource = fromMemory('EIA/ECA-310-E, IEC 60297-3-100: slots of panels');
