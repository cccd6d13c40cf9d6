import { sameKey } from '../../base/text/sameKey';
import { choiceCode, WORDED_CHOICES } from '../../job/records/choiceCode';
import { LEAST_CORD_MM } from '../../job/records/cord';
import { CORD_FIELDS } from '../../job/records/earlierCords';
import { groupsOfCount } from '../../job/records/mainsSockets';
import { freeCode } from '../../job/records/network';

/** The oldest format version that can still be read. */
export const OLDEST_FORMAT = 1;

type Loose = Record<string, unknown>;
const rows = (file: Loose, table: string): Loose[] =>
  Array.isArray(file[table])
    ? (file[table] as unknown[]).filter((row): row is Loose => typeof row === 'object' && row !== null)
    : [];

/** Version 1 let two networks have one code, or one number. */
function oneCodeANetwork(file: Loose): string[] {
  const notes: string[] = [];
  const codes = new Set<string>();
  const numbers = new Set<unknown>();
  for (const row of rows(file, 'networks')) {
    const name = String(row.name);
    if (typeof row.code === 'string') {
      if (codes.has(sameKey(row.code))) {
        const code = freeCode(name, codes);
        notes.push(`Network ${name} had the code ${row.code} of another: it is ${code} now.`);
        row.code = code;
      }
      codes.add(sameKey(String(row.code)));
    }
    if (typeof row.number === 'number') {
      if (numbers.has(row.number)) {
        notes.push(`Network ${name} had the number ${row.number} of another: it has none now.`);
        row.number = null;
      }
      numbers.add(row.number);
    }
  }
  return notes;
}

/** Up to version 2 a mass or a draw that is not known was 0. */
function unknownIsNotNothing(file: Loose): string[] {
  for (const row of rows(file, 'gear'))
    for (const field of ['massKg', 'powerW']) if (row[field] === 0) row[field] = null;
  return [];
}

/** Up to version 3 the mains voltage stood in for the region whose rules hold. */
function regionOfMains(file: Loose): string[] {
  const volts = rows(file, 'answers').find((row) => row.id === 'mains-volts')?.value;
  const head = file.job as Loose | undefined;
  if (volts === '120' && head && typeof head === 'object') head.rules = 'north-america';
  return [];
}

/** Up to version 4 mains outlets were only counted; files of gear have no version. */
export function countedOutlets(file: Loose): string[] {
  for (const row of rows(file, 'gear')) if (typeof row.outlets === 'number') row.outlets = groupsOfCount(row.outlets);
  return [];
}

/** Up to version 5 watts over the cable that nobody entered were 0. */
function wattsNotEntered(file: Loose): string[] {
  for (const row of rows(file, 'runs')) if (row.poeW === 0) row.poeW = null;
  return [];
}

/** Up to version 6 some choices were written as words with blanks; files of gear have no version. */
export function choicesAsCodes(file: Loose): string[] {
  for (const [table, field] of WORDED_CHOICES) for (const row of rows(file, table)) row[field] = choiceCode(row[field]);
  return [];
}

/** Up to version 7 patch cords, and links between devices, were kinds of record of their own. */
function oneKindOfCord(file: Loose): string[] {
  const notes: string[] = [];
  for (const row of rows(file, 'cords'))
    for (const [was, is] of CORD_FIELDS) {
      if (was in row) row[is] = row[was];
      delete row[was];
    }
  const ids = new Set(rows(file, 'cords').map(({ id }) => id));
  const renamed = new Map<unknown, string>();
  for (const row of rows(file, 'uplinks')) {
    const { id } = row;
    if (ids.has(id)) {
      let at = 1;
      while (ids.has(`link-${at}`)) at++;
      row.id = `link-${at}`;
      renamed.set(id, `link-${at}`);
    }
    ids.add(row.id);
    if (typeof row.lengthMm === 'number' && row.lengthMm < LEAST_CORD_MM) {
      notes.push(`A link was ${row.lengthMm} mm long, which has no room for two plugs: its length is as planned now.`);
      row.lengthMm = null;
    }
  }
  if (Array.isArray(file.uplinks)) file.cords = [...(Array.isArray(file.cords) ? file.cords : []), ...file.uplinks];
  delete file.uplinks;
  for (const row of rows(file, 'vouches')) {
    if (row.uplinkId != null) row.cordId = renamed.get(row.uplinkId) ?? row.uplinkId;
    delete row.uplinkId;
  }
  return notes;
}

const STEPS: Record<number, (file: Loose) => string[]> = {
  1: oneCodeANetwork,
  2: unknownIsNotNothing,
  3: regionOfMains,
  4: countedOutlets,
  5: wattsNotEntered,
  6: choicesAsCodes,
  7: oneKindOfCord,
};

/**
 * Bring what was parsed of a job file to today's format, in place.
 * @param version the file's own
 * @returns what had to be changed, in words
 */
export function renewJobFile(file: Loose, version: number): string[] {
  return Object.entries(STEPS).flatMap(([from, step]) => (Number(from) >= version ? step(file) : []));
}
