import { z } from 'zod';
import { refuse } from '../../base/text/refusal';
import { choiceCode, WORDED_CHOICES } from '../records/choiceCode';
import { CORD_FIELDS } from '../records/earlierCords';
import { groupsOfCount } from '../records/mainsSockets';
import { type Change, isFieldChange } from './change';
import { JobHead } from './jobHead';
import { type AnyRecord, TABLES, type TableName, tableOf } from './tables';

/** Who did something: until there are accounts a browser, with a name that can be typed. */
export const Actor = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9-]{1,64}$/, 'expected 1 to 64 letters, digits or -'),
  name: z
    .string()
    .trim()
    .max(60)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'expected one line of plain text'),
});
export type Actor = z.infer<typeof Actor>;
export const actorWords = ({ name }: Pick<Actor, 'name'>): string => name || 'Somebody';

/** One step of a job's history, as it was made. */
export type Step = {
  revision: number;
  batchId: string;
  kind: 'do' | 'undo' | 'redo';
  label: string;
  actor: Actor;
  /** The revision that the person saw who made it. */
  seen: number;
  /** ISO 8601, UTC. */
  at: string;
  changes: Change[];
};

const REVERSALS = { undo: 'Undo', redo: 'Redo' };
/** What a step is called in lists: `Undo: Place Shelf`. */
export const stepWords = (kind: Step['kind'], label: string): string =>
  kind === 'do' ? label : `${REVERSALS[kind]}: ${label}`;

/**
 * Version of the schemas that recorded values are written by. It grows when a table or a field is renamed or goes, or a
 * value means something else; a field that is added with a default needs nothing.
 */
export const SCHEMA_VERSION = 7;

/** What became of tables and fields: by the last version that had the old name. Null: it is gone. */
export type Renamed = {
  lastVersion: number;
  table: string;
  field?: string;
  to: string | null;
};
const RENAMED: readonly Renamed[] = [
  // Up to version 6 patch cords, and links between devices, were kinds of record of their own.
  ...CORD_FIELDS.map(([field, to]) => ({ lastVersion: 6, table: 'cords', field, to })),
  { lastVersion: 6, table: 'uplinks', to: 'cords' },
  { lastVersion: 6, table: 'vouches', field: 'uplinkId', to: 'cordId' },
];

/** Values that mean something else since: what those of that version and before are today. */
const REREAD: readonly { lastVersion: number; table: TableName; field: string; to: (value: unknown) => unknown }[] = [
  // Up to version 2 nothing could be said to be unknown: it was 0.
  { lastVersion: 2, table: 'gear', field: 'massKg', to: zeroIsUnknown },
  { lastVersion: 2, table: 'gear', field: 'powerW', to: zeroIsUnknown },
  // Up to version 3 mains outlets were only counted.
  { lastVersion: 3, table: 'gear', field: 'outlets', to: countedOutlets },
  // Up to version 4 watts over the cable that nobody entered were 0.
  { lastVersion: 4, table: 'runs', field: 'poeW', to: zeroIsUnknown },
  // Up to version 5 some choices were words with blanks.
  ...WORDED_CHOICES.map(([table, field]) => ({ lastVersion: 5, table, field, to: choiceCode })),
];
function countedOutlets(value: unknown): unknown {
  return typeof value === 'number' ? groupsOfCount(value) : value;
}
function zeroIsUnknown(value: unknown): unknown {
  return value === 0 ? null : value;
}
/** A value of a field, named as today, as today's schemas mean it. */
export function reread(table: string, field: string, value: unknown, version: number): unknown {
  return REREAD.filter((one) => version <= one.lastVersion && one.table === table && one.field === field).reduce(
    (now, { to }) => to(now),
    value,
  );
}

const headSchema = JobHead.shape as Record<string, z.ZodType>;

function renamed(table: string, field: string | null, version: number, renames: readonly Renamed[]) {
  let [nowTable, nowField]: [string | null, string | null] = [table, field];
  for (const { lastVersion, table: of, field: what, to } of renames) {
    if (version > lastVersion || of !== nowTable) continue;
    if (what === undefined) nowTable = to;
    else if (what === nowField) nowField = to;
    if (nowTable === null || (field !== null && nowField === null)) return null;
  }
  return { table: nowTable as string, field: nowField };
}

type Reading = { version: number; renames?: readonly Renamed[]; strict?: boolean };

function readRecord(table: TableName, given: AnyRecord, { version, renames = RENAMED, strict = false }: Reading) {
  const { schema } = tableOf(table);
  const known: Record<string, unknown> = {};
  for (const [field, value] of Object.entries(given)) {
    const now = renamed(table, field, version, renames)?.field;
    // Of two fields that became one, the one that says something stands.
    if (now && now in schema.shape && (value !== null || !(now in known)))
      known[now] = reread(table, now, value, version);
  }
  const read = schema.safeParse(known);
  if (read.success) return read.data as AnyRecord;
  return strict ? tooOld() : (known as AnyRecord);
}

const tooOld = (): never =>
  refuse('too-old', 'That step was recorded by an earlier version in a way that does not fit today’s: it stays done.');

/**
 * Recorded changes as today's schemas have them: fields added since get their defaults, what was renamed its new name,
 * what is gone is left out.
 * @param strict refuse what cannot be read so; else it is taken as it was written, to be shown
 * @throws Refusal when strict
 */
export function readChanges(recorded: readonly Change[], reading: Reading): Change[] {
  const { version, renames = RENAMED, strict = false } = reading;
  return recorded.flatMap((change): Change[] => {
    if (change.table === null) return isFieldChange(change) && change.field in headSchema ? [change] : [];
    const field = isFieldChange(change) ? change.field : null;
    const now = renamed(change.table, field, version, renames);
    if (!now || !Object.hasOwn(TABLES, now.table)) return [];
    const table = now.table as TableName;
    const { id } = change;
    if (!isFieldChange(change)) {
      return 'is' in change
        ? [{ table, id, is: readRecord(table, change.is, reading) }]
        : [{ table, id, was: readRecord(table, change.was, reading) }];
    }
    const schema = now.field === null ? undefined : (tableOf(table).schema.shape[now.field] as z.ZodType | undefined);
    if (!schema || now.field === null) return [];
    const read = (value: unknown): unknown => {
      // A field that was not there yet was recorded as nothing: where nothing is no value, it has its default.
      const checked = schema.safeParse(value ?? undefined);
      const nothing = value === null ? schema.safeParse(null) : checked;
      if (nothing.success) return nothing.data;
      if (checked.success) return checked.data;
      return strict ? tooOld() : value;
    };
    const [was, is] = [change.was, change.is].map((value) => read(reread(table, now.field ?? '', value, version)));
    return JSON.stringify(was) === JSON.stringify(is) ? [] : [{ table, id, field: now.field, was, is }];
  });
}
