import type { Units } from '../units/length';

/** Fields of a run that a column can hold. `length_m` and `length_ft` say their unit; `length` goes by the job's. */
export const RUN_COLUMNS = [
  'label',
  'floor',
  'room',
  'outlet',
  'carries',
  'cable',
  'length_m',
  'length_ft',
  'device',
  'speed_mbps',
  'poe_w',
  'network',
  'critical',
  'notes',
] as const;
export type RunColumn = (typeof RUN_COLUMNS)[number];

/** For each column of the file, the field it holds, or null when it is passed over. */
export type ColumnMap = (RunColumn | null)[];

const OTHER_NAMES: Record<string, RunColumn> = {
  name: 'label',
  id: 'label',
  run: 'label',
  cableid: 'label',
  runlabel: 'label',
  cablelabel: 'label',
  level: 'floor',
  storey: 'floor',
  location: 'room',
  jack: 'outlet',
  faceplate: 'outlet',
  position: 'outlet',
  signal: 'carries',
  type: 'cable',
  cabletype: 'cable',
  category: 'cable',
  lengthm: 'length_m',
  metres: 'length_m',
  meters: 'length_m',
  lengthft: 'length_ft',
  feet: 'length_ft',
  equipment: 'device',
  connecteddevice: 'device',
  speed: 'speed_mbps',
  speedmbps: 'speed_mbps',
  mbps: 'speed_mbps',
  poe: 'poe_w',
  poew: 'poe_w',
  watts: 'poe_w',
  vlan: 'network',
  important: 'critical',
  note: 'notes',
  remarks: 'notes',
  comment: 'notes',
  comments: 'notes',
};

/** Guess which field each column holds from its heading; a field is given to one column only. */
export function guessColumns(header: string[], units: Units): ColumnMap {
  const taken = new Set<RunColumn>();
  return header.map((heading) => {
    const plain = heading.toLowerCase().replace(/[^a-z]/g, '');
    const column =
      RUN_COLUMNS.find((name) => name.replace(/_/g, '') === plain) ??
      (plain === 'length' ? (units === 'metric' ? 'length_m' : 'length_ft') : OTHER_NAMES[plain]);
    if (!column || taken.has(column)) return null;
    taken.add(column);
    return column;
  });
}
