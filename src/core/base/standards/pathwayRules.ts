import { commonPractice, fromMemory, published } from './source';

/** Share of the inside area that cables may take. */
export const fillShares = {
  conduit: { one: 0.53, two: 0.31, more: 0.4 },
  /** A conduit no longer than this is a nipple. */
  nipple: { mostMm: 600, share: 0.6 },
  tray: { planned: 0.25, most: 0.5 },
  trunking: 0.45,
  /** Of equal cables one more is allowed when the quotient's fraction is at least this. */
  roundUpFrom: 0.8,
} as const;
export const fillSource = published(
  'NFPA 70 Chapter 9, Table 1; recommended for data cable by ANSI/TIA-569, where it need not bind',
);
/** Where no table of an electrical code holds: one share for any count of cables. */
export const plannedShare = {
  share: 0.4,
  source: fromMemory('EN 50174-2; ISO/IEC 14763-2; ANSI/TIA-569: 40 %'),
} as const;
export const nippleSource = published('NFPA 70 Chapter 9, Table 1, Note 4');
export const roundUpSource = published('NFPA 70 Chapter 9, Note 7');
export const traySource = fromMemory('ANSI/TIA-569: tray and duct fill');
export const trunkingSource = commonPractice;

/** Bends and pulls of conduit. Lengths in mm. */
export const conduitRules = {
  mostBendsBetweenPulls: 2,
  mostBetweenPullsMm: 30_000,
  /** Bend radius as a multiple of the inside diameter, to and above the width where the second holds. */
  bend: { upToMm: 53, factor: 6, above: 10, fibre: 10 },
  /** Ratios of conduit to cable where three equal cables tend to jam. */
  jam: { from: 2.8, to: 3.2 },
} as const;
/** Ten times the inside diameter where fibre goes through. */
export const fibreConduitSource = fromMemory('ANSI/TIA-569: bend radius of conduit with fibre');
export const conduitRulesSource = published('ANSI/TIA-569: bends, radius and length between pull points');
export const jamSource = fromMemory('NFPA 70 Chapter 9, Table 1, informational note: jam ratio of three cables');

/** Open supports. Lengths in mm. */
export const supportRules = { mostApartMm: 1500, leastApartMm: 1200 } as const;
export const supportSource = published('ANSI/TIA-569: supports every 1.2 to 1.5 m');

/** Height to which cables may be stacked on supports this far apart, mm: 150 / (1 + 0.0007 l). */
export const stackingHeightMm = (apartMm: number): number => 150 / (1 + 0.0007 * apartMm);
export const stackingSource = fromMemory('EN 50174-2; ISO/IEC 14763-2: stacking height');
