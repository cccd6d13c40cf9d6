import { commonPractice, fromMemory, published } from './source';

export const CHEMISTRIES = ['vrla', 'flooded', 'lithium'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];
export const chemistryNames: Readonly<Record<Chemistry, string>> = {
  vrla: 'sealed lead-acid (VRLA)',
  flooded: 'vented lead-acid',
  lithium: 'lithium',
};
/** Peukert's exponent to plan with: the upper half of what is usual. Common practice, no source. */
export const peukertExponent: Readonly<Record<Chemistry, number>> = { vrla: 1.2, flooded: 1.3, lithium: 1.05 };
export const peukertSource = published('Peukert 1897; the exponent by rule of thumb');
/** Capacity of lead-acid blocks is told for so many hours. */
export const RATED_HOURS = 20;

/** A battery is at its end at this share of its rated capacity. */
export const endOfLifeShare = 0.8;
export const endOfLifeSource = published('IEEE 450; IEEE 1188: replace at 80 % of rated capacity');

/** What a unit itself draws on battery where nobody entered it: a share of its VA, within bounds, W. Common practice, no source. */
export const ownDraw = { ofVa: 0.015, leastW: 10, mostW: 40, unknownW: 20 } as const;
/** Charging after an outage where the charger is not known: a share of the unit's watts. Common practice, no source. */
export const rechargeShare = 0.2;

/** Years that blocks last near 25 °C, the careful end of what is usual. Common practice, no source. */
export const lifeYears: Readonly<Record<Chemistry, number>> = { vrla: 3, flooded: 8, lithium: 8 };
export const lifeSource = commonPractice;
/** Above the reference temperature the life of lead-acid halves for each so many kelvin. */
export const halving = { aboveC: 25, eachK: 8.3 } as const;
export const halvingSource = published('IEEE 1188: life of VRLA halves each 8.3 K');

/** Lithium iron phosphate ages about twice as fast 10 K warmer. Common practice, no source. */
export const lithiumHalving = { aboveC: 25, eachK: 10 } as const;
/** Lithium iron phosphate must not be charged below this, °C. */
export const lithiumLeastChargeC = 0;
export const lithiumChargeSource = fromMemory('IEC 62619; makers: lithium iron phosphate is not charged below 0 °C');

/** What capacity of lead-acid is divided by in the cold. */
export const coldDivisors = [
  { atC: -3.9, by: 1.52 },
  { atC: 4.4, by: 1.3 },
  { atC: 10, by: 1.19 },
  { atC: 15.6, by: 1.11 },
  { atC: 25, by: 1 },
] as const;
/** The same of lithium iron phosphate, on discharge. Common practice, no source. */
export const lithiumColdDivisors = [
  { atC: -20, by: 1.7 },
  { atC: -10, by: 1.4 },
  { atC: 0, by: 1.2 },
  { atC: 25, by: 1 },
] as const;
export const coldSource = fromMemory('IEEE 485: temperature correction of lead-acid cells');

export const TOPOLOGIES = ['vfd', 'vi', 'vfi'] as const;
export type Topology = (typeof TOPOLOGIES)[number];
/** Classes of battery units and how long they mostly take to come over, ms. */
export const topologies: Readonly<Record<Topology, { name: string; transferMs: number }>> = {
  vfd: { name: 'off-line (VFD)', transferMs: 10 },
  vi: { name: 'line-interactive (VI)', transferMs: 10 },
  vfi: { name: 'double conversion (VFI)', transferMs: 0 },
};
export const topologySource = published('IEC 62040-3: VFD, VI, VFI; the milliseconds by rule of thumb');
/** Supplies ride through so long without any voltage, ms. */
export const rideThroughMs = 20;
export const rideThroughSource = published('ITIC curve: 0 V for 20 ms');

/** More ampere-hours than were taken go back in. The careful end. Common practice, no source. */
export const rechargeFactor = 1.2;

/** Charge gas: current for each ampere-hour while charging fast, mA. */
export const boostMaPerAh: Readonly<Record<Chemistry, number>> = { vrla: 8, flooded: 20, lithium: 0 };
export const ventSource = fromMemory('IEC 62485-2: Q = 0.05 n I C / 1000');
