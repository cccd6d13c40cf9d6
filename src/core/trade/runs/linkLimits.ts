import type { Category } from '../../base/standards/categoryReach';
import { copperLengths } from '../../base/standards/copperLengths';
import { type CordGauge, cordDerating, cordRule, mostCords } from '../../base/standards/cordDerating';
import { temperatureDerating } from '../../base/standards/temperatureDerating';

/**
 * Greatest length of all cords of a channel, mm, by the formula of TIA-568.1 alone: C = (102 − H) / (1 + D).
 * @param fixedMm fixed cable, mm; the rule holds to 90 m
 */
export const cordsByFormulaMm = (fixedMm: number, gauge: CordGauge): number =>
  (cordRule.sumMm - fixedMm) / (1 + cordDerating[gauge].share);

/**
 * Greatest length of all cords of a channel, mm: by the formula, and never over what their gauge allows at all.
 * @param loss share of length that its warmest place costs the fixed cable: it counts as so much longer
 */
export const cordsAllowedMm = (fixedMm: number, gauge: CordGauge, loss = 0): number =>
  Math.min(mostCords[gauge].mm, cordsByFormulaMm(fixedMm / (1 - loss), gauge));

/**
 * Greatest length of fixed cable, mm, for the cords that go with it: H = 102 − C (1 + D), never over 90 m; less what
 * its warmest place costs.
 */
export const fixedAllowedMm = (cordsMm: number, gauge: CordGauge, loss = 0): number =>
  Math.min(cordRule.fixedMm, cordRule.sumMm - cordsMm * (1 + cordDerating[gauge].share)) * (1 - loss);

/**
 * Share of length lost at a temperature, 0 to 0.2. Below 20 °C nothing is gained; the rule ends at 60 °C.
 * @example temperatureLoss(45, false) // 0.11
 */
export function temperatureLoss(celsius: number, screened: boolean): number {
  const { fromC, kneeC, toC } = temperatureDerating;
  const { belowKnee, aboveKnee } = screened ? temperatureDerating.screened : temperatureDerating.unscreened;
  const at = Math.min(Math.max(celsius, fromC), toC);
  return (Math.min(at, kneeC) - fromC) * belowKnee + Math.max(0, at - kneeC) * aboveKnee;
}

/** Cat 8 above 10 Gb/s: the permanent link of a 30 m channel, mm. Up to 10 Gb/s it is a link like any other. */
const CATEGORY_8_LINK = { mm: 24_000, aboveMbps: 10_000 } as const;

/**
 * Greatest fixed cable, mm: the permanent link of the category, less what its warmest place costs. The safe reading,
 * limit × (1 − loss), is taken.
 */
export function linkLimitMm(
  category: Category | null,
  celsius: number,
  screened: boolean,
  speedMbps: number | null = null,
): number {
  const short = category === '8' && (speedMbps ?? 0) > CATEGORY_8_LINK.aboveMbps;
  const limit = short ? CATEGORY_8_LINK.mm : copperLengths.permanentLinkMm;
  return limit * (1 - temperatureLoss(celsius, screened));
}
