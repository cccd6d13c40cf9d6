import { always, kept } from '../../base/memo/kept';
import { type RuleSet, ruleSets } from '../../base/standards/ruleSets';
import { sameKey } from '../../base/text/sameKey';
import type { Job } from '../../job/document/job';
import { CableKind } from '../../job/records/cableKind';
import { cableCategory, cableKey, isNamedScreened } from './cableCategory';

const kind = (fields: Partial<CableKind> & { name: string; diameterMm: number }): CableKind =>
  CableKind.parse({ id: sameKey(fields.name).replace(/[^a-z0-9]+/g, '-'), gaugeAwg: 24, ...fields });

/** Kinds that every job knows. The diameters are common practice: the data sheet of the cable rules. */
export const CABLE_LIBRARY: readonly CableKind[] = [
  kind({ name: 'Cat 5e U/UTP', diameterMm: 5.2 }),
  kind({ name: 'Cat 5e F/UTP', diameterMm: 6.2, screened: true }),
  kind({ name: 'Cat 6 U/UTP', diameterMm: 6, gaugeAwg: 23 }),
  kind({ name: 'Cat 6 U/UTP riser', diameterMm: 6, gaugeAwg: 23, ratings: ['indoor', 'riser'] }),
  kind({ name: 'Cat 6 U/UTP plenum', diameterMm: 5.8, gaugeAwg: 23, ratings: ['indoor', 'riser', 'plenum'] }),
  kind({ name: 'Cat 6 F/UTP', diameterMm: 7.2, gaugeAwg: 23, screened: true }),
  kind({ name: 'Cat 6 outdoor', diameterMm: 6.8, gaugeAwg: 23, ratings: ['outdoor'] }),
  kind({ name: 'Cat 6 direct burial', diameterMm: 7.4, gaugeAwg: 23, ratings: ['outdoor', 'direct-burial'] }),
  kind({ name: 'Cat 6A U/UTP', diameterMm: 7.6, gaugeAwg: 23 }),
  kind({ name: 'Cat 6A F/UTP', diameterMm: 7.3, gaugeAwg: 23, screened: true }),
  kind({
    name: 'Cat 6A F/UTP plenum',
    diameterMm: 7.3,
    gaugeAwg: 23,
    screened: true,
    ratings: ['indoor', 'riser', 'plenum'],
  }),
  kind({ name: 'Cat 7 S/FTP', diameterMm: 7.8, gaugeAwg: 23, screened: true }),
  kind({ name: 'Cat 8 S/FTP', diameterMm: 8.4, gaugeAwg: 22, screened: true }),
  ...(['Dca', 'Cca', 'B2ca'] as const).flatMap((fireClass) => [
    kind({ name: `Cat 6 U/UTP ${fireClass}`, diameterMm: 6, gaugeAwg: 23, fireClass }),
    kind({ name: `Cat 6A F/UTP ${fireClass}`, diameterMm: 7.3, gaugeAwg: 23, screened: true, fireClass }),
  ]),
  kind({ name: 'OM3 duplex LC', carries: 'fibre', diameterMm: 5, gaugeAwg: null, conductors: 'none', bendFactor: 10 }),
  kind({ name: 'OM4 duplex LC', carries: 'fibre', diameterMm: 5, gaugeAwg: null, conductors: 'none', bendFactor: 10 }),
  kind({ name: 'OS2 duplex LC', carries: 'fibre', diameterMm: 5, gaugeAwg: null, conductors: 'none', bendFactor: 10 }),
  kind({ name: 'RG-6', carries: 'coax', diameterMm: 6.9, gaugeAwg: 18, bendFactor: 10, boxMm: 152_500 }),
  kind({
    name: 'Speaker 2 × 1.5 mm²',
    carries: 'speaker',
    diameterMm: 6.5,
    gaugeAwg: 15,
    conductors: 'stranded',
    boxMm: 100_000,
  }),
  kind({ name: 'Telephone 2-pair', carries: 'telephone', diameterMm: 4, boxMm: 200_000 }),
];

const library = new Map(CABLE_LIBRARY.map((one) => [cableKey(one.name), one]));
const kindsByKey = kept(
  (kinds: Job['cableKinds']) => new Map(Object.values(kinds).map((one) => [cableKey(one.name), one])),
  always,
);

/**
 * The kind of cable of this name: one of the job's, else one of the library, else the library's first of the category
 * that the name says; null when none of them is known.
 * @example cableKindOf(job, 'Cat 6A')?.name // 'Cat 6A U/UTP'
 */
export function cableKindOf(job: Job, cable: string): CableKind | null {
  const key = cableKey(cable);
  const named = kindsByKey(job.cableKinds).get(key) ?? library.get(key);
  if (named) return named;
  const category = cableCategory(cable);
  const screened = isNamedScreened(cable);
  const ofCategory = CABLE_LIBRARY.filter((one) => category !== null && cableCategory(one.name) === category);
  return ofCategory.find((one) => one.screened === screened) ?? ofCategory[0] ?? null;
}

/** Whether a cable has a screen: as its own kind says, else as its name does. */
export const isScreened = (job: Job, cable: string): boolean =>
  isNamedScreened(cable) || (cableKindOf(job, cable)?.screened ?? false);

/** Whether a kind is made for outdoors and nothing else. */
export const isForOutdoorsOnly = ({ ratings }: CableKind): boolean =>
  ratings.length > 0 && ratings.every((rating) => rating === 'outdoor' || rating === 'direct-burial');

/** Whether a kind of the library is sold by the way that a region classes jackets. */
const isSoldThere = ({ ratings, fireClass }: CableKind, { jackets }: RuleSet): boolean =>
  fireClass !== null
    ? jackets === 'reaction to fire'
    : jackets === 'listing' || !ratings.some((rating) => rating === 'riser' || rating === 'plenum');

/** All kinds that a run is offered, the job's own first: of the library those of the region. */
export function cableKindsOf(job: Job): CableKind[] {
  const own = Object.values(job.cableKinds);
  const named = new Set(own.map((one) => sameKey(one.name)));
  const sold = CABLE_LIBRARY.filter((one) => !named.has(sameKey(one.name)) && isSoldThere(one, ruleSets[job.rules]));
  return [...own, ...sold];
}
