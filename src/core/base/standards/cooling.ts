import { commonPractice, fromMemory, published } from './source';

/** Air: heat capacity, J/(kg K); gas constant, J/(kg K); pressure at the sea, Pa. */
export const air = { cp: 1006, r: 287.05, seaPa: 101_325 } as const;
export const airSource = published('physics: V = P / (ρ cp ΔT), air as an ideal gas');

export const MATERIALS = ['steel', 'plastic', 'wood'] as const;
export type Material = (typeof MATERIALS)[number];
/** Heat through a shut face, W/(m² K). Of wood no figure is held. */
export const surfaceHeat: Readonly<Record<Material, number | null>> = { steel: 5.5, plastic: 3.5, wood: null };
export const surfaceHeatSource = fromMemory('trade formula for enclosures: ΔT = P / (k A), k 5.5 steel, 3.5 plastic');

/** How a cabinet stands, for the faces it gives heat off by. */
export const POSITIONS = ['alone', 'alone-wall', 'end', 'end-wall', 'middle', 'middle-wall'] as const;
export type Position = (typeof POSITIONS)[number];
/** Factors of faces: what is free, what is covered; the floor never counts. */
export const faceFactors = { top: 1.4, topCovered: 0.7, free: 0.9, covered: 0.5 } as const;
export const surfaceSource = published('IEC TR 60890; DIN VDE 0660-500: effective surface');

/** The air at the top of a shut box rises by so much more than in its middle: the middle of 1.2 to 1.5 (IEC TR 60890). From memory. */
export const topFactor = 1.35;
/** Height above the sea to plan with where nobody said it, m: homes above are rare. Common practice, no source. */
export const cautiousHeightM = 2000;
/** Of what a fan moves in free air so much is left behind filters and mesh. */
export const fanShare = 0.5;
/** Air faster than this through openings and filters costs a fan most of its flow, m/s. Common practice, no source. */
export const openingSpeed = 2.5;
/** Vents: how much of the opening the stream takes. */
export const ventFlow = 0.6;
export const ventSource = published('physics: stack flow through two openings, discharge 0.6');
export const gravity = 9.80665;

/** Rise with watts to this power by the standard, where ours is in proportion. */
export const riseExponent = { closed: 0.804, open: 0.715 } as const;
export const riseSource = fromMemory('IEC TR 60890: exponent 0.804 closed, 0.715 with openings');

/** Intake of gear, °C. */
export const intake = {
  advised: [18, 27],
  allowed: { A1: [15, 32], A2: [10, 35], A3: [5, 40], A4: [5, 45] },
} as const;
export const intakeSource = published('ASHRAE TC 9.9: recommended 18 to 27 °C, allowable A1 to A4');
/** Most that small gear stands where its data sheet is not at hand, °C. */
export const usualMostC = 40;
export const usualMostSource = commonPractice;
/** Above so many metres the highest allowed intake falls by a kelvin for each so many. */
export const altitudeLimit = { aboveM: 950, eachM: 300 } as const;
export const altitudeSource = fromMemory('ASHRAE TC 9.9: 1 K for 300 m above 950 m (A1, A2)');
/** Humidity advised: dew point, °C, and most relative humidity, %. */
export const humidity = { dewC: [-9, 15], mostPercent: 60 } as const;
export const humiditySource = fromMemory('ASHRAE TC 9.9: recommended dew point and humidity');

/** Heat through a plain inner wall, W/(m² K), for a cupboard. Common practice, no source. */
export const wallU = 2;
/** Heat that air carries, Wh/(m³ K). */
export const airWh = 0.33;
export const closetSource = published('physics: ΔT = P / (0.33 n V + Σ U A)');
