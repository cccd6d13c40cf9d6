import type { INLETS } from './inlets';
import type { RuleSetId } from './ruleSets';
import { commonPractice, published } from './source';

/** Mains outlets: IEC 60320 couplers, and the household kinds of regions. */
export const OUTLET_KINDS = ['c13', 'c19', 'nema-5-15', 'nema-5-20', 'cee-7', 'bs-1363', 'as-nzs-3112'] as const;
export type OutletKind = (typeof OUTLET_KINDS)[number];
/** What a cord or an external supply ends in; c14 and c20 are the halves that go into c13 and c19. */
export const PLUG_KINDS = ['c14', 'c20', 'nema-5-15', 'nema-5-20', 'cee-7', 'bs-1363', 'as-nzs-3112'] as const;
export type PlugKind = (typeof PLUG_KINDS)[number];

type Outlet = {
  name: string;
  /** Rated current, A; of the IEC couplers in North America another. */
  amps: number;
  ampsNorthAmerica?: number;
  takes: readonly PlugKind[];
};
export const outlets: Readonly<Record<OutletKind, Outlet>> = {
  c13: { name: 'C13', amps: 10, ampsNorthAmerica: 15, takes: ['c14'] },
  c19: { name: 'C19', amps: 16, ampsNorthAmerica: 20, takes: ['c20'] },
  'nema-5-15': { name: 'NEMA 5-15', amps: 15, takes: ['nema-5-15'] },
  'nema-5-20': { name: 'NEMA 5-20', amps: 20, takes: ['nema-5-15', 'nema-5-20'] },
  'cee-7': { name: 'CEE 7', amps: 16, takes: ['cee-7'] },
  'bs-1363': { name: 'BS 1363', amps: 13, takes: ['bs-1363'] },
  'as-nzs-3112': { name: 'AS/NZS 3112', amps: 10, takes: ['as-nzs-3112'] },
};
export const outletSource = published('IEC 60320-1; UL/CSA; NEMA WD 6; CEE 7; BS 1363; AS/NZS 3112: rated current');

/** Rated current of an outlet, A; of one whose kind is not known null. */
export const outletAmps = (kind: OutletKind | null, rules: RuleSetId): number | null =>
  kind === null
    ? null
    : rules === 'north-america'
      ? (outlets[kind].ampsNorthAmerica ?? outlets[kind].amps)
      : outlets[kind].amps;

/** Plugs are called like the outlets they go into; of couplers the half that is on the cord. */
export const plugNames: Readonly<Record<PlugKind, string>> = {
  c14: 'C14',
  c20: 'C20',
  'nema-5-15': outlets['nema-5-15'].name,
  'nema-5-20': outlets['nema-5-20'].name,
  'cee-7': outlets['cee-7'].name,
  'bs-1363': outlets['bs-1363'].name,
  'as-nzs-3112': outlets['as-nzs-3112'].name,
};

/** The household plug of a region; null: not known there. */
export const householdPlug: Readonly<Record<RuleSetId, Exclude<PlugKind, 'c14' | 'c20'> | null>> = {
  'north-america': 'nema-5-15',
  europe: 'cee-7',
  'united-kingdom': 'bs-1363',
  'australia-new-zealand': 'as-nzs-3112',
  other: null,
};

/** Halves that cords to an inlet are sold with besides the household plug. A supply or a fixed cord brings its own. */
const cordEnds: Readonly<Record<(typeof INLETS)[number], readonly PlugKind[]>> = {
  none: [],
  c6: ['c14'],
  c8: ['c14'],
  c14: ['c14'],
  c20: ['c20'],
  barrel: [],
  cord: [],
};

/**
 * Plugs that an inlet can be fed through.
 * @param own what its own cord or supply ends in; null: cords are bought as they are needed, or it has the household plug
 * @returns null where the household plug would do and is not known
 */
export function plugsFor(inlet: (typeof INLETS)[number], own: PlugKind | null, rules: RuleSetId): PlugKind[] | null {
  if (own !== null) return [own];
  const household = householdPlug[rules];
  const ends = cordEnds[inlet];
  if (household === null) return ends.length === 0 ? null : [...ends];
  return [...ends, household];
}

/** Middle to middle of outlets side by side, mm, where nothing is known of them. Common practice, no source. */
export const usualPitchMm: Readonly<Record<OutletKind, number>> = {
  c13: 31,
  c19: 38,
  'nema-5-15': 42,
  'nema-5-20': 42,
  'cee-7': 44,
  'bs-1363': 50,
  'as-nzs-3112': 40,
};
/** How wide the body of a plug is, along the outlets, mm. Common practice, no source. */
export const usualPlugMm: Readonly<Record<PlugKind, number>> = {
  c14: 27,
  c20: 33,
  'nema-5-15': 28,
  'nema-5-20': 30,
  'cee-7': 39,
  'bs-1363': 48,
  'as-nzs-3112': 36,
};
/** Outlets of which nobody said the kind: the household ones of any region go so close in strips. */
export const UNKNOWN_PITCH_MM = 50;
/** In walls they stand further apart. */
export const WALL_PITCH_MM = 70;
/** A supply that is its own plug, where its size is not known, mm: as wide as most are. */
export const usualSupplyMm = 55;
export const plugBodySource = commonPractice;
