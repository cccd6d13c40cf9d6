import { commonPractice, published } from './source';

/** Power factor to plan with where the data sheet does not tell: small supplies may go without correction. */
export const plannedFactor = { small: 0.6, large: 0.9, belowW: 75 } as const;
/** Share of the mains that a supply hands on, 0.85 to 0.92: the lower. */
export const plannedEfficiency = 0.85;
/** Inrush of a cold supply, as multiples of its running current, where the data sheet does not tell: the careful end. */
export const plannedInrush = 50;
/** Outlets are switched on so far apart after an outage, s. */
export const switchOnApartS = { least: 0.2, most: 1 } as const;
export const supplySource = commonPractice;

/** Efficiency at 20, 50 and 100 % load that a grade promises at 115 V. */
export const supplyGrades = {
  plain: [0.8, 0.8, 0.8],
  bronze: [0.82, 0.85, 0.82],
  silver: [0.85, 0.88, 0.85],
  gold: [0.87, 0.9, 0.87],
  platinum: [0.9, 0.92, 0.89],
  titanium: [0.92, 0.94, 0.9],
} as const;
export type SupplyGrade = keyof typeof supplyGrades;
export const gradeSource = published('published grading of supplies at 115 V, 20/50/100 % load');

/** Of two feeds either must carry all: each is used for so much of its continuous capacity. */
export const twoFeedShare = 0.5;
export const twoFeedSource = published('arithmetic: what either of two must carry alone');
