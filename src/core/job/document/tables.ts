import type { z } from 'zod';
import { acceptances } from '../records/acceptance';
import { addresses } from '../records/address';
import { allowances } from '../records/allowance';
import { answers } from '../records/answer';
import { boxes } from '../records/box';
import { cableKinds } from '../records/cableKind';
import { careItems } from '../records/careItem';
import { circuits } from '../records/circuit';
import { contacts } from '../records/contact';
import { cords } from '../records/cord';
import { cuts } from '../records/cut';
import { cutovers } from '../records/cutover';
import { devices } from '../records/device';
import { floors } from '../records/floor';
import { gear } from '../records/gear';
import { jacks } from '../records/jack';
import { kitItems } from '../records/kitItem';
import { landings } from '../records/landing';
import { mends } from '../records/mend';
import { mounts } from '../records/mount';
import { neighbours } from '../records/neighbour';
import { networks } from '../records/network';
import { noisePlaces } from '../records/noisePlace';
import { openPoints } from '../records/openPoint';
import { orderPins } from '../records/orderPin';
import { partOdds } from '../records/partOdds';
import { passages } from '../records/passage';
import { pathways } from '../records/pathway';
import { places } from '../records/place';
import { placements } from '../records/placement';
import { plugs } from '../records/plug';
import { portNetworks } from '../records/portNetwork';
import { racks } from '../records/rack';
import { results } from '../records/result';
import { rooms } from '../records/room';
import { runs } from '../records/run';
import { shelvings } from '../records/shelving';
import { skips } from '../records/skip';
import { stopgaps } from '../records/stopgap';
import { streams } from '../records/stream';
import type { TableOf } from '../records/table';
import { terminations } from '../records/termination';
import { testers } from '../records/tester';
import { ticks } from '../records/tick';
import { tones } from '../records/tone';
import { upHours } from '../records/upHours';
import { visits } from '../records/visit';
import { vouches } from '../records/vouch';
import { wallOutlets } from '../records/wallOutlet';
import { wishes } from '../records/wish';

/** Every record table of a job. Adding one touches its record file, this list, and a migration. */
export const TABLES = {
  racks,
  gear,
  placements,
  networks,
  runs,
  devices,
  landings,
  cords,
  floors,
  rooms,
  places,
  wishes,
  answers,
  openPoints,
  cableKinds,
  boxes,
  cuts,
  pathways,
  passages,
  jacks,
  tones,
  shelvings,
  neighbours,
  mounts,
  allowances,
  portNetworks,
  terminations,
  contacts,
  circuits,
  wallOutlets,
  plugs,
  noisePlaces,
  streams,
  cutovers,
  visits,
  upHours,
  ticks,
  orderPins,
  kitItems,
  testers,
  results,
  acceptances,
  addresses,
  mends,
  partOdds,
  vouches,
  careItems,
  stopgaps,
  skips,
} as const;

export type TableName = keyof typeof TABLES;
export type RecordOf<T extends TableName> = z.infer<(typeof TABLES)[T]['schema']>;
export type Records = { [T in TableName]: Record<string, RecordOf<T>> };
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
/** Tables of which something is so. */
export const tablesThat = (is: (table: AnyTable) => boolean): TableName[] =>
  TABLE_NAMES.filter((name) => is(tableOf(name)));

export type AnyRecord = { id: string } & Record<string, unknown>;
/** A table as code sees it that serves all of them alike. */
export type AnyTable = TableOf<TableName, z.ZodObject, Records, string, TableName, AnyRecord>;
export const tableOf = (name: TableName): AnyTable => TABLES[name] as unknown as AnyTable;
/** The rows of a table as code sees them that serves all tables alike. */
export const rowsOf = (records: Records, table: TableName): Record<string, AnyRecord> => records[table] as never;

/** A record of a table named with it. */
export type TableRow = { [T in TableName]: { table: T; record: RecordOf<T> } }[TableName];
/** @param record of this very table */
export const tableRow = (table: TableName, record: AnyRecord): TableRow => ({ table, record }) as unknown as TableRow;

/** Fields that hold the id of a row of this table, by the table they stand in. */
export const REFERRING: Readonly<Record<TableName, readonly { table: TableName; field: string; whenGone: string }[]>> =
  Object.fromEntries(
    TABLE_NAMES.map((name) => [
      name,
      TABLE_NAMES.flatMap((table) =>
        tableOf(table)
          .refers.filter(({ to }) => to === name)
          .map(({ field, whenGone }) => ({ table, field, whenGone })),
      ),
    ]),
  ) as never;
