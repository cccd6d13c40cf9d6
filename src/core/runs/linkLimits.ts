import type { Category } from '../standards/categoryReach';
import { copperLengths } from '../standards/copperLengths';
import { type CordGauge, cordDerating, cordRule } from '../standards/cordDerating';
import { temperatureDerating } from '../standards/temperatureDerating';

/**
 * Greatest length of all cords of a channel, mm, by the formula of TIA-568.1: C = (102 − H) / (1 + D).
 * @param fixedMm fixed cable, mm; the rule holds to 90 m
 */
export const cordsAllowedMm = (fixedMm: number, gauge: CordGauge): number =>
  (cordRule.sumMm - fixedMm) / (1 + cordDerating[gauge].share);

/** Greatest length of fixed cable, mm, for the cords that go with it: H = 102 − C (1 + D), never over 90 m. */
export const fixedAllowedMm = (cordsMm: number, gauge: CordGauge): number =>
  Math.min(cordRule.fixedMm, cordRule.sumMm - cordsMm * (1 + cordDerating[gauge].share));

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

/** Cat 8: the permanent link of a 30 m channel, mm. */
const CATEGORY_8_LINK_MM = 24_000;

/**
 * Greatest fixed cable, mm: the permanent link of the category, less what its warmest place costs. The safe reading,
 * limit × (1 − loss), is taken.
 */
export function linkLimitMm(category: Category | null, celsius: number, screened: boolean): number {
  const limit = category === '8' ? CATEGORY_8_LINK_MM : copperLengths.permanentLinkMm;
  return limit * (1 - temperatureLoss(celsius, screened));
}
