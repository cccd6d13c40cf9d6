import { published } from './source';

/** 19-inch rack dimensions, millimetres. EIA/ECA-310-E and IEC 60297-3-100. */
export const rackDimensions = {
  unitMm: 44.45,
  panelWidthMm: 482.6,
  holeColumnsApartMm: 465.1,
  clearOpeningMm: 450,
  /** Universal pattern: hole centres above the lower boundary of each unit. */
  holeOffsetsMm: [6.35, 22.225, 38.1],
  /** A panel is this much lower than its units, so that neighbours do not bind. */
  panelReliefMm: 0.79,
} as const;

export const rackDimensionsSource = published('EIA/ECA-310-E; IEC 60297-3-100');
