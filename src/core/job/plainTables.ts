import { portAt } from '../gear/ports';
import { sameKey } from '../text/sameKey';
import type { Job, RecordOf, TableName } from './job';
import { Allowance } from './records/allowance';
import { Answer } from './records/answer';
import { Box } from './records/box';
import { CableKind } from './records/cableKind';
import { Cut } from './records/cut';
import { Floor } from './records/floor';
import { Jack } from './records/jack';
import { Mount } from './records/mount';
import { Neighbour } from './records/neighbour';
import { OpenPoint } from './records/openPoint';
import { Passage } from './records/passage';
import { Pathway } from './records/pathway';
import { Place } from './records/place';
import { PortNetwork } from './records/portNetwork';
import { Room } from './records/room';
import { Shelving } from './records/shelving';
import { Termination } from './records/termination';
import { Tone } from './records/tone';
import { Uplink } from './records/uplink';
import { Wish } from './records/wish';

/** Tables whose rows are kept and dropped as they are, with the schema of each. */
export const PLAIN_SCHEMAS = {
  floors: Floor,
  rooms: Room,
  places: Place,
  wishes: Wish,
  answers: Answer,
  openPoints: OpenPoint,
  cableKinds: CableKind,
  boxes: Box,
  cuts: Cut,
  pathways: Pathway,
  passages: Passage,
  jacks: Jack,
  tones: Tone,
  shelvings: Shelving,
  neighbours: Neighbour,
  mounts: Mount,
  allowances: Allowance,
  portNetworks: PortNetwork,
  uplinks: Uplink,
  terminations: Termination,
} as const;
export type PlainTable = keyof typeof PLAIN_SCHEMAS;
export const PLAIN_TABLES = Object.keys(PLAIN_SCHEMAS) as PlainTable[];

/** What is true of a plain table beside its schema. */
export type PlainRules<T extends TableName> = {
  noun: string;
  /** More than one, where an s does not make it. */
  nouns?: string;
  /** What a row is called in the list of changes; null where the noun says enough. */
  title: (row: RecordOf<T>) => string | null;
  /** Rows of equal key cannot both be in a job. The words say what they would share. */
  unique?: { key: (row: RecordOf<T>) => string; words: (row: RecordOf<T>) => string };
  /** Why a row cannot be kept as it is, whatever else is in the job. */
  fault?: (row: RecordOf<T>) => string | null;
  /** Why a row cannot be kept beside what else is in this job. */
  clash?: (job: Job, row: RecordOf<T>) => string | null;
  /** What rows point at, and what becomes of them when that goes. */
  refers: { field: keyof RecordOf<T> & string; to: TableName; whenGone: 'goes' }[];
};

const named = <R extends { name: string }>() => ({
  key: (row: R) => sameKey(row.name),
  words: (row: R) => `the name ${row.name}`,
});
const goes = <F extends string>(field: F, to: TableName) => ({ field, to, whenGone: 'goes' as const });

const noPort = (job: Job, gearId: string, port: number): string | null => {
  const gear = job.gear[gearId];
  return gear && !portAt(gear, port) ? `${gear.name} has no port ${port}.` : null;
};

/** Whether a cord or another uplink is in a port. */
function portInUse(job: Job, uplinkId: string, gearId: string, port: number): string | null {
  const name = job.gear[gearId]?.name;
  if (Object.values(job.cords).some((cord) => cord.switchId === gearId && cord.switchPort === port))
    return `${name} port ${port} has a cord in it already.`;
  const other = Object.values(job.uplinks).some(
    (row) =>
      row.id !== uplinkId &&
      ((row.fromId === gearId && row.fromPort === port) || (row.toId === gearId && row.toPort === port)),
  );
  return other ? `${name} port ${port} is taken by another uplink.` : null;
}

export const PLAIN_RULES: { [T in PlainTable]: PlainRules<T> } = {
  floors: { noun: 'floor', title: (row) => row.name, unique: named(), refers: [] },
  rooms: {
    noun: 'room',
    title: (row) => row.name,
    unique: {
      key: (row) => `${row.floorId}:${sameKey(row.name)}`,
      words: (row) => `the name ${row.name} on one floor`,
    },
    refers: [goes('floorId', 'floors')],
  },
  places: { noun: 'place', title: (row) => row.name, refers: [goes('floorId', 'floors')] },
  wishes: { noun: 'wish', nouns: 'wishes', title: () => null, refers: [goes('roomId', 'rooms')] },
  answers: { noun: 'answer', title: () => null, refers: [] },
  openPoints: { noun: 'open point', title: () => null, refers: [] },
  cableKinds: { noun: 'cable kind', title: (row) => row.name, unique: named(), refers: [] },
  boxes: { noun: 'box', nouns: 'boxes', title: (row) => row.name, unique: named(), refers: [] },
  cuts: {
    noun: 'cut',
    title: () => null,
    unique: { key: (row) => row.runId, words: () => 'one run' },
    refers: [goes('runId', 'runs'), goes('boxId', 'boxes')],
  },
  pathways: { noun: 'pathway', title: (row) => row.name, unique: named(), refers: [] },
  passages: {
    noun: 'passage',
    title: () => null,
    unique: { key: (row) => `${row.pathwayId}:${row.runId}`, words: () => 'one run through one pathway' },
    refers: [goes('pathwayId', 'pathways'), goes('runId', 'runs')],
  },
  jacks: {
    noun: 'jack',
    title: (row) => [row.room, row.outlet].filter(Boolean).join(' '),
    unique: {
      key: (row) => [row.floor, row.room, row.outlet].map(sameKey).join(':'),
      words: (row) => `the place ${[row.floor, row.room, row.outlet].filter(Boolean).join(', ')}`,
    },
    refers: [],
  },
  tones: { noun: 'tone', title: () => null, refers: [goes('jackId', 'jacks'), goes('runId', 'runs')] },
  shelvings: {
    noun: 'place on a shelf',
    nouns: 'places on shelves',
    title: () => null,
    unique: { key: (row) => row.gearId, words: () => 'one device' },
    fault: (row) => (row.gearId === row.carrierId ? 'A device cannot stand on itself.' : null),
    refers: [goes('gearId', 'gear'), goes('carrierId', 'gear')],
  },
  neighbours: {
    noun: 'pair of neighbours',
    nouns: 'pairs of neighbours',
    title: () => null,
    unique: { key: (row) => [row.gearId, row.besideId].sort().join(':'), words: () => 'one pair' },
    fault: (row) => (row.gearId === row.besideId ? 'A device cannot be its own neighbour.' : null),
    refers: [goes('gearId', 'gear'), goes('besideId', 'gear')],
  },
  mounts: {
    noun: 'wall mount',
    title: () => null,
    unique: { key: (row) => row.rackId, words: () => 'one rack' },
    refers: [goes('rackId', 'racks')],
  },
  allowances: {
    noun: 'network that a switch may carry',
    nouns: 'networks that switches may carry',
    title: () => null,
    unique: { key: (row) => `${row.gearId}:${row.networkId}`, words: () => 'one network on one switch' },
    refers: [goes('gearId', 'gear'), goes('networkId', 'networks')],
  },
  portNetworks: {
    noun: 'network on a port',
    nouns: 'networks on ports',
    title: (row) => `port ${row.port}`,
    clash: (job, row) => noPort(job, row.gearId, row.port),
    unique: { key: (row) => `${row.gearId}:${row.port}:${row.networkId}`, words: () => 'one network on one port' },
    refers: [goes('gearId', 'gear'), goes('networkId', 'networks')],
  },
  uplinks: {
    noun: 'uplink',
    title: () => null,
    unique: {
      key: (row) => [`${row.fromId}:${row.fromPort}`, `${row.toId}:${row.toPort}`].sort().join(' '),
      words: () => 'the same two ports',
    },
    fault: (row) =>
      row.fromId === row.toId && row.fromPort === row.toPort ? 'A port cannot be linked to itself.' : null,
    clash: (job, row) =>
      noPort(job, row.fromId, row.fromPort) ??
      noPort(job, row.toId, row.toPort) ??
      portInUse(job, row.id, row.fromId, row.fromPort) ??
      portInUse(job, row.id, row.toId, row.toPort),
    refers: [goes('fromId', 'gear'), goes('toId', 'gear')],
  },
  terminations: {
    noun: 'termination',
    title: (row) => `at the ${row.end}`,
    unique: { key: (row) => `${row.runId}:${row.end}`, words: () => 'one end of one run' },
    refers: [goes('runId', 'runs')],
  },
};

export const rulesOf = (table: PlainTable) => PLAIN_RULES[table] as unknown as PlainRules<PlainTable>;
