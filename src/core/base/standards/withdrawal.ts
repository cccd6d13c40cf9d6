import { fromMemory, published } from './source';

/** Keys of the published tables of wood and of screws. */
export const SPECIES = [
  'douglas-fir-larch',
  'southern-pine',
  'hem-fir',
  'spruce-pine-fir',
  'spruce-pine-fir-south',
  'western-cedars',
  'red-oak',
] as const;
export type Species = (typeof SPECIES)[number];
export const FASTENERS = ['lag-1/4', 'lag-5/16', 'lag-3/8', 'screw-8', 'screw-10', 'screw-12', 'anchor'] as const;
export type Fastener = (typeof FASTENERS)[number];

/** Exact by definition. */
export const NEWTON_PER_POUND = 4.448_221_6;
export const MM_PER_INCH = 25.4;
export const GRAVITY = 9.806_65;

/** Specific gravity of oven-dry wood. */
export const specificGravity: Record<Species, number> = {
  'douglas-fir-larch': 0.5,
  'southern-pine': 0.55,
  'hem-fir': 0.43,
  'spruce-pine-fir': 0.42,
  'spruce-pine-fir-south': 0.36,
  'western-cedars': 0.36,
  'red-oak': 0.67,
};
export const specificGravitySource = published('NDS-2018 table 12.3.3A');

export type WoodScrew = { kind: 'lag' | 'screw'; diameterIn: number; name: string };

/** Screws into wood by their shank: lags by size, wood screws by number. */
export const woodScrews: Record<Exclude<Fastener, 'anchor'>, WoodScrew> = {
  'lag-1/4': { kind: 'lag', diameterIn: 0.25, name: 'lag screw 1/4 in (6.4 mm)' },
  'lag-5/16': { kind: 'lag', diameterIn: 0.3125, name: 'lag screw 5/16 in (7.9 mm)' },
  'lag-3/8': { kind: 'lag', diameterIn: 0.375, name: 'lag screw 3/8 in (9.5 mm)' },
  'screw-8': { kind: 'screw', diameterIn: 0.164, name: 'wood screw no. 8 (4.2 mm)' },
  'screw-10': { kind: 'screw', diameterIn: 0.19, name: 'wood screw no. 10 (4.8 mm)' },
  'screw-12': { kind: 'screw', diameterIn: 0.216, name: 'wood screw no. 12 (5.5 mm)' },
};

/** Reference withdrawal design value, pounds for each inch of thread in side grain. NDS-2018 equations 12.2-1 and 12.2-2. */
export function withdrawalPerInch({ kind, diameterIn }: WoodScrew, gravity: number): number {
  return kind === 'lag' ? 1800 * gravity ** 1.5 * diameterIn ** 0.75 : 2850 * gravity ** 2 * diameterIn;
}
export const withdrawalSource = published('NDS-2018 12.2-1 (lag screws), 12.2-2 (wood screws)');

/** Mean of tests at failure, pounds an inch. The design values above have their safety in them. */
export function ultimatePerInch({ kind, diameterIn }: WoodScrew, gravity: number): number {
  return kind === 'lag' ? 8100 * gravity ** 1.5 * diameterIn ** 0.75 : 15_700 * gravity ** 2 * diameterIn;
}
export const ultimateSource = published('FPL Wood Handbook, chapter 8');

/** How long a load lasts changes what wood bears: 0.9 for good, 1 for ten years, 1.15 for two months, 1.6 for wind. */
export const loadDurationSource = published('NDS: load duration factor');

/** Lead hole for the threaded part of a lag screw, share of its diameter. NDS 12.1.4. */
export function leadHoleShare(gravity: number): { least: number; most: number } {
  if (gravity > 0.6) return { least: 0.65, most: 0.85 };
  return gravity > 0.5 ? { least: 0.6, most: 0.75 } : { least: 0.4, most: 0.7 };
}
export const leadHoleSource = published('NDS 12.1.4: lead holes of lag screws');

/** Least thread in the member, in diameters. */
export const leastPenetration = 4;
export const leastPenetrationSource = fromMemory('NDS: least penetration of lag screws, 4 D');

/**
 * Characteristic withdrawal of an axially loaded screw at right angles to the grain, newtons.
 * @param densityKgM3 characteristic density: C16 310, C24 350
 * @returns null outside 6 to 12 mm, where the formula does not hold
 */
export function eurocodeWithdrawalN(diameterMm: number, threadMm: number, densityKgM3: number): number | null {
  if (diameterMm < 6 || diameterMm > 12) return null;
  const strength = 0.52 * diameterMm ** -0.5 * threadMm ** -0.1 * densityKgM3 ** 0.8;
  // At right angles the divisor 1.2 cos² a + sin² a is 1.
  return strength * diameterMm * threadMm * Math.min(diameterMm / 8, 1);
}
/** Permanent load in service class 1 or 2, and the partial factor of the material. */
export const eurocodePermanent = { modification: 0.6, material: 1.3 } as const;
export const eurocodeSource = fromMemory('EN 1995-1-1 8.7.2');

/** Pull and shear together on a wood screw: their shares of what is permitted add up to 1 at most. */
export const combinedSource = fromMemory(
  'W/W′ + Z/Z′ ≤ 1: NDS 12.4.2 of nails, on the safe side of 12.4.1 of lag and wood screws',
);
export const staticsSource = published('statics: moment, shear and centre of gravity');
