import type { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import type { StationId } from './stationIds';

/** What no two rows of a table may share. */
export type RowKey<R> = {
  /** What is shared, as in "the database keeps two runs from sharing a label". */
  what: string;
  /** Null where a row has none and shares it with nobody. */
  of: (row: R) => string | null;
  /** What this row would share, as in "cannot share the name Hall". */
  words: (row: R) => string;
  /** Why another row cannot have it too, said of the one that has it, where there is more to say than that. */
  taken?: (other: R, gearName: (id: string) => string) => string;
};

/** A field that holds the id of a row elsewhere, and what becomes of this row when that one goes. */
export type Reference<F extends string = string, T extends string = string> = {
  field: F;
  to: T;
  whenGone: 'goes' | 'cleared';
  /** Field that says which port of it. */
  numbered?: string;
};

/**
 * All that is true of one kind of record. `J` is what its rules read of the job. From this come commands, job file,
 * database table, checks, words of the change log and what goes when something else goes.
 */
export type TableOf<N extends string, S extends z.ZodObject, J, F extends string, T extends string, R = z.output<S>> = {
  /** The table in the job. */
  name: N;
  /** The table in the database, named after one row. */
  row: string;
  one: string;
  many: string;
  /** So many rows a job may have. */
  atMost: number;
  /**
   * What its rows are about: what stands there (`plan`), how it is built (`building`), what was done and found on the site
   * (`site-work`), what a firm works by wherever it is (`firm`). A build makes steps of the plan alone; a copy for another building
   * leaves behind what is about this one.
   */
  about: 'plan' | 'building' | 'site-work' | 'firm';
  /** Between a firm and its client: no shared link shows it, and no cabinet takes it along. */
  private: boolean;
  /** Where its rows are made: a change of them is a change at these stations. */
  stations: readonly StationId[];
  /** It goes to another building with its cabinet. */
  withCabinet: boolean;
  /** Who works on the site writes it, without changing the plan. */
  onSite: boolean;
  schema: S;
  /** A row with its defaults. */
  make: (fields: z.input<S>) => R;
  /** What a row is called in the list of changes; null where the noun says enough. */
  title: (row: R) => string | null;
  keys: readonly RowKey<R>[];
  refers: readonly Reference<F, T>[];
  /** Why a row cannot be, whatever else is in the job. */
  fault?: (row: R) => string | null;
  /** Why a row cannot be beside what else is in this job. */
  clash?: (job: J, row: R) => string | null;
  /** Why a row cannot be kept beside what else is in this job, though a file that holds it can be read and checked. */
  overlap?: (job: J, row: R) => string | null;
  /** Referred rows whose change may make this one clash or overlap. */
  minds: readonly T[];
  /** Rows are only ever added: none is changed or dropped by itself. */
  onlyAdded?: boolean;
  /** A column that constraints of the database need beside the row's own fields. */
  derived?: { column: string; of: (job: J, row: R) => number };
};

type Given<N extends string, S extends z.ZodObject, J, F extends string, T extends string> = Omit<
  TableOf<N, S, J, F, T>,
  'make' | 'title' | 'keys' | 'refers' | 'minds' | 'many' | 'withCabinet' | 'onSite'
> &
  Partial<Pick<TableOf<N, S, J, F, T>, 'title' | 'keys' | 'refers' | 'minds' | 'many' | 'withCabinet' | 'onSite'>>;

/** Describe a table; what is left out is: no title, no keys, no references, an s for more than one. */
export function defineTable<
  const N extends string,
  S extends z.ZodObject,
  J = unknown,
  const F extends string = never,
  const T extends string = never,
>(given: Given<N, S, J, F, T>): TableOf<N, S, J, F, T> {
  return {
    title: () => null,
    keys: [],
    refers: [],
    minds: [],
    withCabinet: false,
    onSite: false,
    many: `${given.one}s`,
    ...given,
    make: (fields) => given.schema.parse(fields),
  };
}

/** Rows with names that may not be the same. */
export const byName = <R extends { name: string }>(taken?: RowKey<R>['taken']): RowKey<R> => ({
  what: 'name',
  of: (row) => sameKey(row.name),
  words: (row) => `the name ${row.name}`,
  ...(taken ? { taken } : {}),
});
/** Short names may not be the same; a row that has none is given one where it is shown. */
export const byShortName: RowKey<{ shortName: string }> = {
  what: 'short name',
  of: (row) => (row.shortName === '' ? null : sameKey(row.shortName)),
  words: (row) => `the short name ${row.shortName}`,
};
/** @param numbered field that says which port of it */
export const goesWith = <const F extends string, const T extends string>(
  field: F,
  to: T,
  numbered?: string,
): Reference<F, T> => ({
  field,
  to,
  whenGone: 'goes',
  ...(numbered ? { numbered } : {}),
});
export const clearedWith = <const F extends string, const T extends string>(field: F, to: T): Reference<F, T> => ({
  field,
  to,
  whenGone: 'cleared',
});
