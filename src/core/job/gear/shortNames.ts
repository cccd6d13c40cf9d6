import { kept } from '../../base/memo/kept';
import { naturalOrder } from '../../base/text/naturalOrder';
import { sameKey } from '../../base/text/sameKey';
import type { Gear, GearKind } from '../records/gear';
import type { Rack } from '../records/rack';

/** What of a job is read here. */
type GearOf = { gear: Readonly<Record<string, Gear>> };
type RacksOf = { racks: Readonly<Record<string, Rack>> };

/** What short names of each kind begin with; panels have letters alone. */
const PREFIX: Record<GearKind, string> = {
  panel: '',
  switch: 'SW',
  router: 'R',
  modem: 'M',
  server: 'SV',
  computer: 'PC',
  storage: 'ST',
  recorder: 'REC',
  ups: 'UPS',
  distribution: 'PDU',
  injector: 'INJ',
  shelf: 'SH',
  drawer: 'DR',
  kit: 'KIT',
  cassette: 'CAS',
  manager: 'CM',
  brush: 'BR',
  fan: 'FAN',
  blank: 'BL',
  other: 'X',
};
const RACK_PREFIX = 'C';

/** A, B … Z, AA, AB …: counted from 1. */
function letters(count: number): string {
  const rest = Math.floor((count - 1) / 26);
  const last = String.fromCharCode(65 + ((count - 1) % 26));
  return rest === 0 ? last : `${letters(rest)}${last}`;
}

/** What the long name ends with, where that tells it from others: `Panel B` is B, `Switch 2` SW2. */
function hinted(name: string, kind: GearKind | 'rack'): string | null {
  const tail = /^[\p{L} ]+ ([A-Z]|\d{1,2})$/u.exec(name)?.[1];
  if (!tail) return null;
  if (kind === 'panel') return /\d/.test(tail) ? `P${tail}` : tail;
  return `${kind === 'rack' ? RACK_PREFIX : PREFIX[kind]}${tail}`;
}

/** A short name that nothing else has yet. @param taken by `sameKey` */
function freeShortName(name: string, kind: GearKind | 'rack', taken: ReadonlySet<string>): string {
  const hint = hinted(name, kind);
  if (hint && !taken.has(sameKey(hint))) return hint;
  for (let count = 1; ; count++) {
    const made = kind === 'panel' ? letters(count) : `${kind === 'rack' ? RACK_PREFIX : PREFIX[kind]}${count}`;
    if (!taken.has(sameKey(made))) return made;
  }
}

type Named = { id: string; name: string; shortName: string };

/** Short names of all rows: those they have, and for the others free ones, in the order of their long names. */
function named<T extends Named>(rows: readonly T[], kindOf: (row: T) => GearKind | 'rack'): Map<string, string> {
  const names = new Map<string, string>();
  const taken = new Set<string>();
  for (const { id, shortName } of rows) {
    if (shortName === '') continue;
    names.set(id, shortName);
    taken.add(sameKey(shortName));
  }
  const others = rows.filter((row) => row.shortName === '');
  for (const row of others.sort((a, b) => naturalOrder(a.name, b.name) || (a.id < b.id ? -1 : 1))) {
    const made = freeShortName(row.name, kindOf(row), taken);
    names.set(row.id, made);
    taken.add(sameKey(made));
  }
  return names;
}

const ofGear = kept((gear: GearOf['gear']) => named(Object.values(gear), ({ kind }) => kind));
const ofRacks = kept((racks: RacksOf['racks']) => named(Object.values(racks), () => 'rack'));

/** Short names of gear by id, unique within the job: as kept, else as they would be given. */
export const gearShortNames = (job: GearOf): ReadonlyMap<string, string> => ofGear(job.gear);

/** Short names of cabinets by id. */
export const rackShortNames = (job: RacksOf): ReadonlyMap<string, string> => ofRacks(job.racks);

/** A short name for what comes into a job, beside those that are shown there. */
export const gearShortNameFor = (job: GearOf, gear: Pick<Gear, 'name' | 'kind'>): string =>
  freeShortName(gear.name, gear.kind, new Set([...gearShortNames(job).values()].map(sameKey)));
export const rackShortNameFor = (job: RacksOf, rack: Pick<Rack, 'name'>): string =>
  freeShortName(rack.name, 'rack', new Set([...rackShortNames(job).values()].map(sameKey)));

/** A port in a few letters: `A 7`, `SW1 12`. */
export const shortPort = (job: GearOf, gearId: string, port: number): string =>
  `${gearShortNames(job).get(gearId) ?? '?'} ${port}`;
