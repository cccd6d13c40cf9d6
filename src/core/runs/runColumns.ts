import type { Units } from '../units/length';

/** Fields of a run that a column can hold. Lengths say their unit; a plain `length` goes by the job's. */
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
  'poe_class',
  'network',
  'critical',
  'jacket',
  'bundle',
  'entry',
  'tail_m',
  'tail_ft',
  'outlet_height_m',
  'outlet_height_ft',
  'state',
  'origin',
  'scope',
  'asked_by',
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
  poeclass: 'poe_class',
  powerclass: 'poe_class',
  vlan: 'network',
  important: 'critical',
  colour: 'jacket',
  color: 'jacket',
  jacketcolour: 'jacket',
  jacketcolor: 'jacket',
  group: 'bundle',
  entryside: 'entry',
  tailm: 'tail_m',
  tailft: 'tail_ft',
  outletheightm: 'outlet_height_m',
  outletheightft: 'outlet_height_ft',
  status: 'state',
  wish: 'asked_by',
  note: 'notes',
  remarks: 'notes',
  comment: 'notes',
  comments: 'notes',
};

/** Headings of lengths without a unit. */
const PLAIN_LENGTHS: Record<string, 'length' | 'tail' | 'outlet_height'> = {
  length: 'length',
  tail: 'tail',
  freetail: 'tail',
  outletheight: 'outlet_height',
};

/** Lengths: which field each column holds, and in which unit. */
export const LENGTH_COLUMNS: Partial<
  Record<RunColumn, { field: 'lengthMm' | 'tailMm' | 'outletHeightMm'; unit: 'm' | 'ft' }>
> = {
  length_m: { field: 'lengthMm', unit: 'm' },
  length_ft: { field: 'lengthMm', unit: 'ft' },
  tail_m: { field: 'tailMm', unit: 'm' },
  tail_ft: { field: 'tailMm', unit: 'ft' },
  outlet_height_m: { field: 'outletHeightMm', unit: 'm' },
  outlet_height_ft: { field: 'outletHeightMm', unit: 'ft' },
};

/** Guess which field each column holds from its heading; a field is given to one column only. */
export function guessColumns(header: string[], units: Units): ColumnMap {
  const taken = new Set<RunColumn>();
  return header.map((heading) => {
    const plain = heading.toLowerCase().replace(/[^a-z]/g, '');
    const column =
      RUN_COLUMNS.find((name) => name.replace(/_/g, '') === plain) ??
      (PLAIN_LENGTHS[plain]
        ? (`${PLAIN_LENGTHS[plain]}_${units === 'metric' ? 'm' : 'ft'}` as const)
        : OTHER_NAMES[plain]);
    if (!column || taken.has(column)) return null;
    taken.add(column);
    return column;
  });
}
