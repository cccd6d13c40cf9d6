import { type ConduitSize, conduitSizes } from '../../../base/standards/conduits';
import {
  conduitRules,
  fillShares,
  fillSource,
  nippleSource,
  plannedShare,
  traySource,
  trunkingSource,
} from '../../../base/standards/pathwayRules';
import type { RuleSet } from '../../../base/standards/ruleSets';
import { commonPractice, type Source } from '../../../base/standards/source';
import type { Pathway } from '../../../job/records/pathway';

export const circleArea = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2;
export const areaOf = (diametersMm: readonly number[]): number =>
  diametersMm.reduce((sum, one) => sum + circleArea(one), 0);

export type Allowance = { share: number; source: Source };

/**
 * Share of the inside area of a conduit that so many cables may take: by the code's table 53, 31 or 40 %, and 60 % in a
 * nipple; elsewhere one planned share.
 * @param lengthMm of the conduit, mm
 */
export function conduitShare(count: number, lengthMm: number, by: RuleSet['conduitFill'] = 'code table'): Allowance {
  if (by === 'planned share') return plannedShare;
  const { nipple, conduit } = fillShares;
  if (lengthMm <= nipple.mostMm) return { share: nipple.share, source: nippleSource };
  return { share: count <= 1 ? conduit.one : count === 2 ? conduit.two : conduit.more, source: fillSource };
}

/**
 * How many equal cables a conduit takes, alone and with one more where the code's table allows it by the fraction of the
 * quotient.
 * @param areaMm2 inside area of the conduit
 */
export function conduitCount(
  areaMm2: number,
  diameterMm: number,
  by: RuleSet['conduitFill'] = 'code table',
): { floor: number; roundedUp: number } {
  const one = circleArea(diameterMm);
  if (by === 'planned share') {
    const floor = Math.floor((plannedShare.share * areaMm2) / one + 1e-9);
    return { floor, roundedUp: floor };
  }
  const holds = (count: number) => count * one <= conduitShare(count, Number.POSITIVE_INFINITY).share * areaMm2 + 1e-9;
  const quotient = (fillShares.conduit.more * areaMm2) / one;
  const many = Math.floor(quotient + 1e-9);
  const floor = many >= 3 ? many : holds(2) ? 2 : holds(1) ? 1 : 0;
  const up = many >= 2 && quotient - many >= fillShares.roundUpFrom ? many + 1 : floor;
  return { floor, roundedUp: Math.max(floor, up) };
}

/** What of a pathway's inside area cables may take. Hooks and plain holes have no published share. */
export function allowanceOf(pathway: Pathway, count: number, { conduitFill }: RuleSet): Allowance {
  switch (pathway.kind) {
    case 'conduit':
      return conduitShare(count, pathway.lengthMm, conduitFill);
    case 'trunking':
      return { share: fillShares.trunking, source: trunkingSource };
    case 'tray':
      return { share: fillShares.tray.most, source: traySource };
    default:
      return { share: 1, source: commonPractice };
  }
}

const isRound = (pathway: Pathway): boolean => pathway.heightMm === null;

/** Inside area, mm²; that of a published size where the width is one, since tables round. */
export function insideAreaMm2(pathway: Pathway): number {
  if (!isRound(pathway)) return pathway.widthMm * (pathway.heightMm ?? 0);
  const published =
    pathway.kind === 'conduit' ? conduitSizes.find((one) => one.insideMm === pathway.widthMm) : undefined;
  return published?.areaMm2 ?? circleArea(pathway.widthMm);
}

/** How full cables of these diameters make a way with this inside area: 1 is full. */
export const fillOf = (diametersMm: readonly number[], insideMm2: number): number => areaOf(diametersMm) / insideMm2;

/** The smallest published size of the family that takes these cables; null when none does. */
export function nextConduit(
  diametersMm: readonly number[],
  lengthMm: number,
  family: ConduitSize['family'],
  by: RuleSet['conduitFill'] = 'code table',
): ConduitSize | null {
  const { share } = conduitShare(diametersMm.length, lengthMm, by);
  return (
    conduitSizes.find((size) => size.family === family && areaOf(diametersMm) <= share * size.areaMm2 + 1e-9) ?? null
  );
}

/** Whether three equal cables are likely to jam at a bend of this conduit. */
export function mayJam(insideMm: number, diametersMm: readonly number[]): boolean {
  const [first, ...rest] = diametersMm;
  if (first === undefined || diametersMm.length !== 3 || rest.some((one) => one !== first)) return false;
  const ratio = insideMm / first;
  return ratio >= conduitRules.jam.from && ratio <= conduitRules.jam.to;
}
