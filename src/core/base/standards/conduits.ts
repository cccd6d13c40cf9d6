import { type RuleSetId, ruleSets } from './ruleSets';
import { fromMemory, published, type Source } from './source';

/** A size of conduit: trade size, designator (metric; outside diameter for IEC), inside diameter mm, and inside area as the table prints it, mm². */
export type ConduitSize = {
  family: 'EMT' | 'ENT' | 'IEC' | 'IEC pliable';
  trade: string;
  designator: number;
  insideMm: number;
  areaMm2: number;
};

const MM2_PER_IN2 = 645.16;
const size = (family: ConduitSize['family'], trade: string, designator: number, inches: number, in2: number) => ({
  family,
  trade,
  designator,
  insideMm: Math.round(inches * 254) / 10,
  areaMm2: in2 * MM2_PER_IN2,
});

/** A size by its outside diameter, with the least inside diameter, mm. */
const outside = (outsideMm: number, insideMm: number, family: 'IEC' | 'IEC pliable' = 'IEC') => ({
  family,
  trade: String(outsideMm),
  designator: outsideMm,
  insideMm,
  areaMm2: (Math.PI / 4) * insideMm ** 2,
});

/** NEC Chapter 9, Table 4; IEC 60423 with IEC 61386-21 (rigid, medium) and 61386-22 (pliable, as homes are piped with). */
export const conduitSizes: readonly ConduitSize[] = [
  size('EMT', '1/2', 16, 0.622, 0.304),
  size('EMT', '3/4', 21, 0.824, 0.533),
  size('EMT', '1', 27, 1.049, 0.864),
  size('EMT', '1 1/4', 35, 1.38, 1.496),
  size('EMT', '1 1/2', 41, 1.61, 2.036),
  size('EMT', '2', 53, 2.067, 3.356),
  size('EMT', '2 1/2', 63, 2.731, 5.858),
  size('EMT', '3', 78, 3.356, 8.846),
  size('EMT', '3 1/2', 91, 3.834, 11.545),
  size('EMT', '4', 103, 4.334, 14.753),
  size('ENT', '1/2', 16, 0.56, 0.246),
  size('ENT', '3/4', 21, 0.76, 0.454),
  size('ENT', '1', 27, 1, 0.785),
  size('ENT', '1 1/4', 35, 1.34, 1.41),
  size('ENT', '1 1/2', 41, 1.57, 1.936),
  size('ENT', '2', 53, 2.02, 3.205),
  outside(16, 13),
  outside(20, 16.9),
  outside(25, 21.4),
  outside(32, 27.8),
  outside(40, 35.4),
  outside(50, 44.3),
  outside(16, 10.7, 'IEC pliable'),
  outside(20, 14.1, 'IEC pliable'),
  outside(25, 18.3, 'IEC pliable'),
  outside(32, 24.3, 'IEC pliable'),
  outside(40, 31.2, 'IEC pliable'),
  outside(50, 39.6, 'IEC pliable'),
];

export const conduitSource: Record<ConduitSize['family'], Source> = {
  EMT: published('NFPA 70 Chapter 9, Table 4, EMT'),
  ENT: fromMemory('NFPA 70 Chapter 9, Table 4, ENT'),
  IEC: fromMemory('IEC 60423 outside, IEC 61386-21 rigid, medium: least inside; its maker’s inside diameter decides'),
  'IEC pliable': fromMemory(
    'IEC 60423 outside, IEC 61386-22 pliable: least inside; its maker’s inside diameter decides',
  ),
};

/** `EMT 1 (27)`, `25 mm pliable`: a size as it is asked for. */
export const conduitWords = ({ family, trade, designator }: ConduitSize): string =>
  family === 'IEC'
    ? `${trade} mm rigid`
    : family === 'IEC pliable'
      ? `${trade} mm pliable`
      : `${family} ${trade} (${designator})`;

/** The sizes that conduit comes in where these rules hold, the usual family first. */
export const conduitsOf = (rules: RuleSetId): ConduitSize[] =>
  ruleSets[rules].conduits.flatMap((family) => conduitSizes.filter((one) => one.family === family));
